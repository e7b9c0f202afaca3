import type { Accidental } from './notes.ts';
import { parseNote } from './notes.ts';
import { asInPairs, inPairs } from './pairs.ts';
import type { InstrumentKind, Tuning } from './tunings.ts';

/** How a tuning is written down: id, name, notes as players say them, the highest-numbered course first. */
type Row = readonly [
  id: string,
  name: string,
  notes: string,
  more?: { accidental?: Accidental; aliases?: readonly string[] },
];

/** Six strings unless said; common practice, no source. */
const GUITAR: readonly Row[] = [
  ['standard', 'Standard', 'E2 A2 D3 G3 B3 E4'],
  ['half-step-down', 'Half a step down', 'Eb2 Ab2 Db3 Gb3 Bb3 Eb4', { accidental: 'flat' }],
  ['whole-step-down', 'A whole step down', 'D2 G2 C3 F3 A3 D4'],
  ['drop-d', 'Drop D', 'D2 A2 D3 G3 B3 E4'],
  ['double-drop-d', 'Double drop D', 'D2 A2 D3 G3 B3 D4'],
  ['drop-c-sharp', 'Drop C♯', 'C#2 G#2 C#3 F#3 A#3 D#4'],
  ['drop-c', 'Drop C', 'C2 G2 C3 F3 A3 D4'],
  ['drop-b', 'Drop B', 'B1 F#2 B2 E3 G#3 C#4'],
  ['lute', 'Lute, third string to F♯', 'E2 A2 D3 F#3 B3 E4', { aliases: ['Vihuela'] }],
  ['nashville', 'Nashville', 'E3 A3 D4 G4 B3 E4', { aliases: ['High strung'] }],
  ['dadgad', 'D A D G A D', 'D2 A2 D3 G3 A3 D4', { aliases: ['D modal', 'D sus 4'] }],
  ['open-d', 'Open D', 'D2 A2 D3 F#3 A3 D4', { aliases: ['Vestapol'] }],
  ['open-d-minor', 'Open D minor', 'D2 A2 D3 F3 A3 D4'],
  ['open-e', 'Open E', 'E2 B2 E3 G#3 B3 E4'],
  ['open-e-minor', 'Open E minor', 'E2 B2 E3 G3 B3 E4'],
  ['open-g', 'Open G', 'D2 G2 D3 G3 B3 D4', { aliases: ['Spanish', 'Taro patch'] }],
  ['g-wahine', 'G wahine', 'D2 G2 D3 F#3 B3 D4'],
  ['open-g-minor', 'Open G minor', 'D2 G2 D3 G3 Bb3 D4', { accidental: 'flat' }],
  ['open-a', 'Open A', 'E2 A2 E3 A3 C#4 E4'],
  ['open-c', 'Open C', 'C2 G2 C3 G3 C4 E4'],
  ['c-wahine', 'C wahine', 'C2 G2 D3 G3 B3 D4'],
  ['cgdgcd', 'C G D G C D', 'C2 G2 D3 G3 C4 D4'],
  ['c-modal', 'C modal', 'C2 G2 C3 G3 C4 D4', { aliases: ['C G C G C D'] }],
  ['all-fourths', 'All fourths', 'E2 A2 D3 G3 C4 F4'],
  ['new-standard', 'New standard', 'C2 G2 D3 A3 E4 G4', { aliases: ['Fifths'] }],
  ['seven-standard', 'Seven-string standard', 'B1 E2 A2 D3 G3 B3 E4'],
  ['seven-drop-a', 'Seven strings, drop A', 'A1 E2 A2 D3 G3 B3 E4'],
  ['eight-standard', 'Eight-string standard', 'F#1 B1 E2 A2 D3 G3 B3 E4'],
  ['baritone', 'Baritone, a fourth down', 'B1 E2 A2 D3 F#3 B3'],
  ['baritone-a', 'Baritone, a fifth down', 'A1 D2 G2 C3 E3 A3'],
  ['guitalele', 'Guitalele, a fourth up', 'A2 D3 G3 C4 E4 A4'],
  ['tenor', 'Tenor, standard', 'C3 G3 D4 A4'],
  ['tenor-octave', 'Tenor, an octave below the fiddle', 'G2 D3 A3 E4'],
  ['tenor-upper-four', 'Tenor, like the upper four', 'D3 G3 B3 E4'],
];

const UKULELE: readonly Row[] = [
  ['standard', 'Standard, re-entrant', 'G4 C4 E4 A4', { aliases: ['C tuning', 'High G'] }],
  ['low-g', 'Low G', 'G3 C4 E4 A4', { aliases: ['Linear'] }],
  ['d', 'D tuning, re-entrant', 'A4 D4 F#4 B4'],
  ['low-a', 'D tuning, low A', 'A3 D4 F#4 B4'],
  ['slack-key', 'Slack-key', 'G4 C4 E4 G4', { aliases: ['Open C'] }],
  ['slack-key-low-g', 'Slack-key, low G', 'G3 C4 E4 G4'],
  ['half-step-down', 'Half a step down', 'Gb4 B3 Eb4 Ab4', { accidental: 'flat' }],
  ['b-flat', 'B♭ tuning', 'F4 Bb3 D4 G4', { accidental: 'flat' }],
  ['baritone', 'Baritone', 'D3 G3 B3 E4', { aliases: ['G tuning'] }],
  ['baritone-re-entrant', 'Baritone, re-entrant', 'D4 G3 B3 E4'],
];

const BANJO: readonly Row[] = [
  ['open-g', 'Open G', 'G4 D3 G3 B3 D4'],
  ['double-c', 'Double C', 'G4 C3 G3 C4 D4'],
  ['sawmill', 'Sawmill', 'G4 D3 G3 C4 D4', { aliases: ['G modal', 'Mountain minor'] }],
  ['c', 'C tuning', 'G4 C3 G3 B3 D4', { aliases: ['Drop C'] }],
  ['open-c', 'Open C', 'G4 C3 G3 C4 E4'],
  ['open-d', 'Open D', 'F#4 D3 F#3 A3 D4'],
  ['open-d-high', 'Open D, high A', 'A4 D3 F#3 A3 D4'],
  ['open-a', 'Open A', 'A4 E3 A3 C#4 E4'],
  ['open-e', 'Open E, long neck', 'E4 B2 E3 G#3 B3'],
  ['double-d', 'Double D', 'A4 D3 A3 D4 E4'],
  ['open-g-minor', 'Open G minor', 'G4 D3 G3 Bb3 D4', { accidental: 'flat' }],
  ['tenor', 'Tenor, standard', 'C3 G3 D4 A4'],
  ['tenor-low', 'Tenor, an octave below the fiddle', 'G2 D3 A3 E4', { aliases: ['Irish tenor'] }],
  ['plectrum', 'Plectrum', 'C3 G3 B3 D4'],
  ['six', 'Six strings, like a guitar', 'E2 A2 D3 G3 B3 E4'],
  ['cello', 'Cello banjo', 'C2 G2 D3 A3'],
  ['plectrum-guitar', 'Plectrum, tuned like a guitar', 'D3 G3 B3 E4', { aliases: ['Chicago'] }],
];

const BASS: readonly Row[] = [
  ['standard', 'Standard', 'E1 A1 D2 G2'],
  ['drop-d', 'Drop D', 'D1 A1 D2 G2'],
  ['half-step-down', 'Half a step down', 'Eb1 Ab1 Db2 Gb2', { accidental: 'flat' }],
  ['whole-step-down', 'A whole step down', 'D1 G1 C2 F2'],
  ['low-b', 'Four strings from low B', 'B0 E1 A1 D2'],
  ['fifths', 'Fifths', 'C1 G1 D2 A2'],
  ['five', 'Five-string standard', 'B0 E1 A1 D2 G2'],
  ['five-high-c', 'Five strings, high C', 'E1 A1 D2 G2 C3'],
  ['six', 'Six-string standard', 'B0 E1 A1 D2 G2 C3'],
];

function tuningOf(kind: InstrumentKind, [id, name, notes, more = {}]: Row): Tuning {
  return {
    id: `${kind}-${id}`,
    name,
    kind,
    courses: notes
      .split(' ')
      .map((note) => [parseNote(note)])
      .reverse(),
    accidental: more.accidental ?? 'sharp',
    ...(more.aliases && { aliases: more.aliases }),
  };
}

/** The tunings that ship with Rosefinch. */
export const TUNINGS: readonly Tuning[] = [
  ...GUITAR.map((row) => tuningOf('guitar', row)),
  ...UKULELE.map((row) => tuningOf('ukulele', row)),
  ...BANJO.map((row) => tuningOf('banjo', row)),
  ...BASS.map((row) => tuningOf('bass', row)),
];

/**
 * Finds a tuning by its id, in the catalogue unless others are given; undefined if there is none.
 * One for an instrument in pairs is made from that of its single strings.
 */
export function findTuning(id: string, tunings: readonly Tuning[] = TUNINGS): Tuning | undefined {
  const found = tunings.find((entry) => entry.id === id);
  const paired = found ? null : asInPairs(id);
  const base = paired && tunings.find((entry) => entry.id === paired.base);
  return base ? inPairs(base, paired.pairing) : found;
}
