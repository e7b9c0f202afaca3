import { type Message, message } from '../message.ts';
import type { Accidental } from './notes.ts';
import { parseNote } from './notes.ts';
import { asInPairs, inPairs } from './pairs.ts';
import type { InstrumentKind, Tuning } from './tunings.ts';

/** How a tuning is written down: id, name, notes as players say them, the highest-numbered course first. */
type Row = readonly [
  id: string,
  name: Message,
  notes: string,
  more?: { accidental?: Accidental; also?: Message },
];

/** Six strings unless said; common practice, no source. */
const GUITAR: readonly Row[] = [
  ['standard', message('names.guitarStandard'), 'E2 A2 D3 G3 B3 E4'],
  [
    'half-step-down',
    message('names.guitarHalfStepDown'),
    'Eb2 Ab2 Db3 Gb3 Bb3 Eb4',
    { accidental: 'flat' },
  ],
  ['whole-step-down', message('names.guitarWholeStepDown'), 'D2 G2 C3 F3 A3 D4'],
  ['drop-d', message('names.guitarDropD'), 'D2 A2 D3 G3 B3 E4'],
  ['double-drop-d', message('names.guitarDoubleDropD'), 'D2 A2 D3 G3 B3 D4'],
  ['drop-c-sharp', message('names.guitarDropCSharp'), 'C#2 G#2 C#3 F#3 A#3 D#4'],
  ['drop-c', message('names.guitarDropC'), 'C2 G2 C3 F3 A3 D4'],
  ['drop-b', message('names.guitarDropB'), 'B1 F#2 B2 E3 G#3 C#4'],
  [
    'lute',
    message('names.guitarLute'),
    'E2 A2 D3 F#3 B3 E4',
    { also: message('names.guitarLuteAlso') },
  ],
  [
    'nashville',
    message('names.guitarNashville'),
    'E3 A3 D4 G4 B3 E4',
    { also: message('names.guitarNashvilleAlso') },
  ],
  [
    'dadgad',
    message('names.guitarDadgad'),
    'D2 A2 D3 G3 A3 D4',
    { also: message('names.guitarDadgadAlso') },
  ],
  [
    'open-d',
    message('names.guitarOpenD'),
    'D2 A2 D3 F#3 A3 D4',
    { also: message('names.guitarOpenDAlso') },
  ],
  ['open-d-minor', message('names.guitarOpenDMinor'), 'D2 A2 D3 F3 A3 D4'],
  ['open-e', message('names.guitarOpenE'), 'E2 B2 E3 G#3 B3 E4'],
  ['open-e-minor', message('names.guitarOpenEMinor'), 'E2 B2 E3 G3 B3 E4'],
  [
    'open-g',
    message('names.guitarOpenG'),
    'D2 G2 D3 G3 B3 D4',
    { also: message('names.guitarOpenGAlso') },
  ],
  ['g-wahine', message('names.guitarGWahine'), 'D2 G2 D3 F#3 B3 D4'],
  ['open-g-minor', message('names.guitarOpenGMinor'), 'D2 G2 D3 G3 Bb3 D4', { accidental: 'flat' }],
  ['open-a', message('names.guitarOpenA'), 'E2 A2 E3 A3 C#4 E4'],
  ['open-c', message('names.guitarOpenC'), 'C2 G2 C3 G3 C4 E4'],
  ['c-wahine', message('names.guitarCWahine'), 'C2 G2 D3 G3 B3 D4'],
  ['cgdgcd', message('names.guitarCgdgcd'), 'C2 G2 D3 G3 C4 D4'],
  [
    'c-modal',
    message('names.guitarCModal'),
    'C2 G2 C3 G3 C4 D4',
    { also: message('names.guitarCModalAlso') },
  ],
  ['all-fourths', message('names.guitarAllFourths'), 'E2 A2 D3 G3 C4 F4'],
  [
    'new-standard',
    message('names.guitarNewStandard'),
    'C2 G2 D3 A3 E4 G4',
    { also: message('names.guitarNewStandardAlso') },
  ],
  ['seven-standard', message('names.guitarSevenStandard'), 'B1 E2 A2 D3 G3 B3 E4'],
  ['seven-drop-a', message('names.guitarSevenDropA'), 'A1 E2 A2 D3 G3 B3 E4'],
  ['eight-standard', message('names.guitarEightStandard'), 'F#1 B1 E2 A2 D3 G3 B3 E4'],
  ['baritone', message('names.guitarBaritone'), 'B1 E2 A2 D3 F#3 B3'],
  ['baritone-a', message('names.guitarBaritoneA'), 'A1 D2 G2 C3 E3 A3'],
  ['guitalele', message('names.guitarGuitalele'), 'A2 D3 G3 C4 E4 A4'],
  ['tenor', message('names.guitarTenor'), 'C3 G3 D4 A4'],
  ['tenor-octave', message('names.guitarTenorOctave'), 'G2 D3 A3 E4'],
  ['tenor-upper-four', message('names.guitarTenorUpperFour'), 'D3 G3 B3 E4'],
];

const UKULELE: readonly Row[] = [
  [
    'standard',
    message('names.ukuleleStandard'),
    'G4 C4 E4 A4',
    { also: message('names.ukuleleStandardAlso') },
  ],
  [
    'low-g',
    message('names.ukuleleLowG'),
    'G3 C4 E4 A4',
    { also: message('names.ukuleleLowGAlso') },
  ],
  ['d', message('names.ukuleleD'), 'A4 D4 F#4 B4'],
  ['low-a', message('names.ukuleleLowA'), 'A3 D4 F#4 B4'],
  [
    'slack-key',
    message('names.ukuleleSlackKey'),
    'G4 C4 E4 G4',
    { also: message('names.ukuleleSlackKeyAlso') },
  ],
  ['slack-key-low-g', message('names.ukuleleSlackKeyLowG'), 'G3 C4 E4 G4'],
  [
    'half-step-down',
    message('names.ukuleleHalfStepDown'),
    'Gb4 B3 Eb4 Ab4',
    { accidental: 'flat' },
  ],
  ['b-flat', message('names.ukuleleBFlat'), 'F4 Bb3 D4 G4', { accidental: 'flat' }],
  [
    'baritone',
    message('names.ukuleleBaritone'),
    'D3 G3 B3 E4',
    { also: message('names.ukuleleBaritoneAlso') },
  ],
  ['baritone-re-entrant', message('names.ukuleleBaritoneReEntrant'), 'D4 G3 B3 E4'],
];

const BANJO: readonly Row[] = [
  ['open-g', message('names.banjoOpenG'), 'G4 D3 G3 B3 D4'],
  ['double-c', message('names.banjoDoubleC'), 'G4 C3 G3 C4 D4'],
  [
    'sawmill',
    message('names.banjoSawmill'),
    'G4 D3 G3 C4 D4',
    { also: message('names.banjoSawmillAlso') },
  ],
  ['c', message('names.banjoC'), 'G4 C3 G3 B3 D4', { also: message('names.banjoCAlso') }],
  ['open-c', message('names.banjoOpenC'), 'G4 C3 G3 C4 E4'],
  ['open-d', message('names.banjoOpenD'), 'F#4 D3 F#3 A3 D4'],
  ['open-d-high', message('names.banjoOpenDHigh'), 'A4 D3 F#3 A3 D4'],
  ['open-a', message('names.banjoOpenA'), 'A4 E3 A3 C#4 E4'],
  ['open-e', message('names.banjoOpenE'), 'E4 B2 E3 G#3 B3'],
  ['double-d', message('names.banjoDoubleD'), 'A4 D3 A3 D4 E4'],
  ['open-g-minor', message('names.banjoOpenGMinor'), 'G4 D3 G3 Bb3 D4', { accidental: 'flat' }],
  ['tenor', message('names.banjoTenor'), 'C3 G3 D4 A4'],
  [
    'tenor-low',
    message('names.banjoTenorLow'),
    'G2 D3 A3 E4',
    { also: message('names.banjoTenorLowAlso') },
  ],
  ['plectrum', message('names.banjoPlectrum'), 'C3 G3 B3 D4'],
  ['six', message('names.banjoSix'), 'E2 A2 D3 G3 B3 E4'],
  ['cello', message('names.banjoCello'), 'C2 G2 D3 A3'],
  [
    'plectrum-guitar',
    message('names.banjoPlectrumGuitar'),
    'D3 G3 B3 E4',
    { also: message('names.banjoPlectrumGuitarAlso') },
  ],
];

const BASS: readonly Row[] = [
  ['standard', message('names.bassStandard'), 'E1 A1 D2 G2'],
  ['drop-d', message('names.bassDropD'), 'D1 A1 D2 G2'],
  ['half-step-down', message('names.bassHalfStepDown'), 'Eb1 Ab1 Db2 Gb2', { accidental: 'flat' }],
  ['whole-step-down', message('names.bassWholeStepDown'), 'D1 G1 C2 F2'],
  ['low-b', message('names.bassLowB'), 'B0 E1 A1 D2'],
  ['fifths', message('names.bassFifths'), 'C1 G1 D2 A2'],
  ['five', message('names.bassFive'), 'B0 E1 A1 D2 G2'],
  ['five-high-c', message('names.bassFiveHighC'), 'E1 A1 D2 G2 C3'],
  ['six', message('names.bassSix'), 'B0 E1 A1 D2 G2 C3'],
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
    ...(more.also && { aliases: [more.also] }),
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
