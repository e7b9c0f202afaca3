import {
  type CrossCheck,
  chainOfFourths,
  crossChecks,
  type HarmonicCheck,
  harmonicChecks,
  neckOf,
} from '@rosefinch/core/fretboard';
import { bothNames, offsetsOf, openChord, type Tuning, targetsOf } from '@rosefinch/core/music';
import { planRetune, planStrings, referenceInWords } from '@rosefinch/core/retune';
import { homeTuning, type Instrument, pegInWords, pegPlace } from '@rosefinch/core/strings';
import type { Stock } from '../../data/index.ts';
import { counted, signedCents } from '../../ui/index.ts';

/** Comparisons lie at or below this fret, and so many of them are told. */
export const HIGHEST_FRET = 12;
const MOST_CHECKS = 12;

/** One string of a tuning as the card has it. */
interface CardString {
  readonly course: number;
  readonly note: string;
  readonly hz: number;
  /** Wanted deviation from equal temperament, in cents. */
  readonly offset: number;
  readonly peg: string;
  readonly tighten: string;
}

/** A comparison, with what the held string lies above the open one where both are as the tuning wants them. */
export interface CardCheck extends CrossCheck {
  readonly apartCents: number;
}

/** What a player takes along of a tuning. */
export interface Card {
  readonly title: string;
  /** @example 'guitar, open chord D, A4 440 Hz' */
  readonly about: string;
  /** The highest-numbered course first. */
  readonly strings: readonly CardString[];
  /** How to get here from the tuning that the instrument is kept in; null at home. */
  readonly way: {
    readonly from: string;
    readonly steps: readonly string[];
    readonly warnings: readonly string[];
  } | null;
  readonly checks: readonly CardCheck[];
  readonly harmonics: string | null;
  readonly phrase: string;
}

/** What the card of a tuning says, on an instrument that can take it. */
export function cardOf(tuning: Tuning, instrument: Instrument, stock: Stock): Card {
  const { settings } = stock;
  const chord = openChord(tuning);
  const neck = neckOf(tuning, instrument);
  const offsets = offsetsOf(
    neck.map(({ midi }) => midi),
    tuning.temper,
  );
  return {
    title: tuning.name,
    about: [
      tuning.kind,
      ...(chord ? [`open chord ${chord}`] : []),
      ...(tuning.aliases ? [`also called ${tuning.aliases.join(', ')}`] : []),
      ...(temperInWords(tuning) ?? []),
      `A4 ${settings.a4} Hz`,
    ].join(', '),
    strings: targetsOf(tuning, settings.a4)
      .map(({ course, midi, hz }) => ({
        course,
        note: bothNames(midi, tuning.accidental),
        hz,
        offset: offsets[course - 1] ?? 0,
        peg: pegInWords(pegPlace(instrument.layout, course, instrument.courses.length)),
        tighten: instrument.courses[course - 1]?.strings[0]?.peg.tighten ?? '',
      }))
      .reverse(),
    way: wayThere(tuning, instrument, stock),
    checks: crossChecks(neck, HIGHEST_FRET)
      .filter((check) => check.octaves === 0)
      .slice(0, MOST_CHECKS)
      .map((check) => ({
        ...check,
        apartCents: (offsets[check.held.course - 1] ?? 0) - (offsets[check.open - 1] ?? 0),
      })),
    // In a tuning with offsets they are out by something else for every pair.
    harmonics: offsets.every((cents) => cents === 0)
      ? harmonicsInWords(harmonicChecks(neck))
      : null,
    phrase: settings.phrases[tuning.id] ?? '',
  };
}

function temperInWords({ temper }: Tuning): string[] | null {
  if (!temper || temper.kind === 'equal') return null;
  if (temper.kind === 'own') return ['with offsets of its own'];
  return [temper.share === 1 ? 'pure' : `${Math.round(100 * temper.share)} % of the way to pure`];
}

function wayThere(
  tuning: Tuning,
  instrument: Instrument,
  { settings, tunings }: Stock,
): Card['way'] {
  const home = homeTuning(instrument, tunings);
  if (!home || home.id === tuning.id) return null;
  const { a4 } = settings;
  const homeTargets = targetsOf(home, a4);
  const nowHz = (course: number) => homeTargets[course - 1]?.hz ?? a4;
  const strings = planStrings({ instrument, home, target: tuning, a4, nowHz });
  const { steps, warnings } = planRetune(strings, settings.planOrder, 1, instrument.bridge);
  return {
    from: home.name,
    steps: steps.map(({ course, cents, references }) => {
      const way = cents < 0 ? 'down' : 'up';
      const compare = references[0] ? referenceInWords(references[0]) : 'By the reference tone.';
      return `String ${course} ${way} ${distance(cents)}. ${compare}`;
    }),
    warnings: warnings.map(({ say }) => say),
  };
}

function distance(cents: number): string {
  const semitones = Math.round(Math.abs(cents) / 100);
  return semitones === 0 ? `${Math.abs(cents).toFixed(1)} cents` : counted(semitones, 'semitone');
}

/**
 * @example checkInWords(…) // => 'string 4 at fret 4 = open string 3'
 * @example checkInWords(…) // => 'string 4 at fret 4, then open string 3 13.7 cents lower'
 */
export function checkInWords(check: CardCheck): string {
  const { open, apartCents } = check;
  const apart = Math.abs(apartCents);
  if (apart < 0.5) return `${heldInWords(check)} = open string ${open}`;
  const way = apartCents > 0 ? 'lower' : 'higher';
  return `${heldInWords(check)}, then open string ${open} ${apart.toFixed(1)} cents ${way}`;
}

/** @example heldInWords(…) // => 'string 4 at fret 4' */
export function heldInWords({ held }: CrossCheck): string {
  return held.fret === 0
    ? `open string ${held.course}`
    : `string ${held.course} at fret ${held.fret}`;
}

/** The comparisons by harmonics, with what they are out by alone and in a row; null where none serves. */
function harmonicsInWords(checks: readonly HarmonicCheck[]): string | null {
  const fourths = checks.filter(({ low, high }) => low.partial === 4 && high.partial === 3);
  const [first] = fourths;
  if (!first) return null;
  const chain = chainOfFourths(fourths);
  const all = fourths.map(
    ({ low, high }) =>
      `string ${low.course} at fret ${low.fret} with string ${high.course} at fret ${high.fret}`,
  );
  const sum =
    chain.links > 1 ? `; ${chain.links} in a row add up to ${signedCents(chain.cents)}` : '';
  return `Harmonics serve too: ${all.join(', ')}. They set pure fourths, so the higher string comes out ${signedCents(first.errorCents)} cents${sum}.`;
}
