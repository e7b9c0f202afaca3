import {
  type ChainLink,
  type CrossCheck,
  chainOfFourths,
  crossChecks,
  type HarmonicCheck,
  harmonicChecks,
  neckOf,
} from '@rosefinch/core/fretboard';
import { list, type Message, message, signed } from '@rosefinch/core/message';
import { bothNames, offsetsOf, openChord, type Tuning, targetsOf } from '@rosefinch/core/music';
import { planRetune, planStrings } from '@rosefinch/core/retune';
import {
  distanceInWords,
  kindInWords,
  pegInWords,
  referenceInWords,
  relationInWords,
  tuningName,
  warningInWords,
} from '@rosefinch/core/sentences';
import {
  homeTuning,
  type Instrument,
  pegPlace,
  type TightenDirection,
} from '@rosefinch/core/strings';
import type { Cents, Hz } from '@rosefinch/core/units';
import type { Words } from '@rosefinch/words';
import type { Stock } from '../../data/index.ts';

/** Comparisons lie at or below this fret, and so many of them are told. */
export const HIGHEST_FRET = 12;
const MOST_CHECKS = 12;

/** One string of a tuning as the card has it. */
interface CardString {
  readonly course: number;
  readonly note: string;
  readonly hz: Hz;
  /** Wanted deviation from equal temperament, in cents. */
  readonly offset: number;
  readonly peg: string;
  readonly tighten: TightenDirection;
}

/** A comparison, with what the held string lies above the open one where both are as the tuning wants them. */
export interface CardCheck extends CrossCheck {
  readonly apartCents: Cents;
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
  /** A run of pure fourths whose errors add up; empty with fewer than two in a row. */
  readonly chain: readonly ChainLink[];
  readonly phrase: string;
}

/** What the card of a tuning says, on an instrument that can take it. */
export function cardOf(tuning: Tuning, instrument: Instrument, stock: Stock, t: Words): Card {
  const { settings } = stock;
  const chord = openChord(tuning);
  const neck = neckOf(tuning, instrument);
  const offsets = offsetsIn(tuning);
  // In a tuning with offsets they are out by something else for every pair.
  const equal = offsets.every((cents) => cents === 0);
  const fourths = equal ? harmonicChecks(neck).filter(isFourth) : [];
  const chain = chainOfFourths(fourths);
  return {
    title: t.value(tuningName(tuning)),
    about: [
      t(kindInWords(tuning.kind)),
      ...(chord ? [t('parts.openChordOf', { chord })] : []),
      ...(tuning.aliases ? [t('parts.alsoCalled', { names: list(tuning.aliases) })] : []),
      ...(temperInWords(tuning, t) ?? []),
      t('common.a4', { a4: settings.a4 }),
    ].join(', '),
    strings: targetsOf(tuning, settings.a4)
      .map(({ course, midi, hz }) => ({
        course,
        note: bothNames(midi, tuning.accidental, t.reader),
        hz,
        offset: offsets[course - 1] ?? 0,
        peg: t(pegInWords(pegPlace(instrument.layout, course, instrument.courses.length))),
        tighten: instrument.courses[course - 1]?.strings[0]?.peg.tighten ?? 'awayFromYou',
      }))
      .reverse(),
    way: wayThere(tuning, instrument, stock, t),
    checks: comparisonsOf(tuning, instrument, HIGHEST_FRET, false).slice(0, MOST_CHECKS),
    harmonics: t(harmonicsInWords(fourths)) || null,
    chain: chain.length > 2 ? chain : [],
    phrase: settings.phrases[tuning.id] ?? '',
  };
}

function offsetsIn({ courses, temper }: Tuning): number[] {
  return offsetsOf(
    courses.map(([midi]) => midi ?? 0),
    temper,
  );
}

function temperInWords({ temper }: Tuning, t: Words): string[] | null {
  if (!temper || temper.kind === 'equal') return null;
  if (temper.kind === 'own') return [t('parts.ownOffsets')];
  return [
    temper.share === 1
      ? t('parts.pure')
      : t('parts.partlyPure', { percent: Math.round(100 * temper.share) }),
  ];
}

function wayThere(
  tuning: Tuning,
  instrument: Instrument,
  { settings, tunings }: Stock,
  t: Words,
): Card['way'] {
  const home = homeTuning(instrument, tunings);
  if (!home || home.id === tuning.id) return null;
  const { a4 } = settings;
  const homeTargets = targetsOf(home, a4);
  const nowHz = (course: number) => homeTargets[course - 1]?.hz ?? a4;
  const strings = planStrings({ instrument, home, target: tuning, a4, nowHz });
  const { steps, fine, warnings } = planRetune(strings, settings.planOrder, 1, {
    bridge: instrument.bridge,
  });
  return {
    from: t.value(tuningName(home)),
    steps: steps.map(({ course, cents }) => {
      // On paper what is right at the end, not what only comes near.
      const [best] = fine.find((step) => step.course === course)?.references ?? [];
      const compare = best ? referenceInWords(best) : message('parts.byTone');
      return t('parts.onePegMoves', {
        way: cents < 0 ? 'down' : 'up',
        string: course,
        distance: distanceInWords(cents),
        compare: compare,
      });
    }),
    warnings: warnings.map((warning) => t(warningInWords(warning))),
  };
}

/** Comparisons of a held string with an open one up to a fret, best for use first: unisons, and octaves if asked. */
export function comparisonsOf(
  tuning: Tuning,
  instrument: Instrument,
  highestFret: number,
  octaves: boolean,
): CardCheck[] {
  const offsets = offsetsIn(tuning);
  return crossChecks(neckOf(tuning, instrument), highestFret)
    .filter((check) => octaves || check.octaves === 0)
    .map((check) => ({
      ...check,
      apartCents: (offsets[check.held.course - 1] ?? 0) - (offsets[check.open - 1] ?? 0),
    }));
}

/**
 * A comparison in one line.
 * @example ‘string 4 at fret 4 = open string 3’
 * @example ‘string 6 at fret 3, an octave below open string 3’
 * @example ‘string 4 at fret 4 = open string 3, less 13.7 cents’
 */
export function checkInWords(check: CardCheck): Message {
  const { open, octaves, apartCents } = check;
  const apart = Math.abs(apartCents);
  const apartBy = apart < 0.5 ? 'none' : apartCents < 0 ? 'less' : 'plus';
  const held = heldInWords(check);
  return octaves === 0
    ? message('parts.checkSame', { apartBy, held, open, cents: apart })
    : message('parts.checkOctave', {
        apartBy,
        held,
        relation: relationInWords(octaves),
        open,
        cents: apart,
      });
}

/** @example ‘string 4 at fret 4’ */
export function heldInWords({ held }: CrossCheck): Message {
  return message('parts.held', { fret: held.fret, string: held.course });
}

function isFourth({ low, high }: HarmonicCheck): boolean {
  return low.partial === 4 && high.partial === 3;
}

/** The comparisons by harmonics, with what they are out by; null where none serves. */
function harmonicsInWords(fourths: readonly HarmonicCheck[]): Message | null {
  const [first] = fourths;
  return first
    ? message('parts.byHarmonics', {
        pairs: list(
          fourths.map(({ low, high }) =>
            message('parts.harmonicPair', {
              low: low.course,
              lowFret: low.fret,
              high: high.course,
              highFret: high.fret,
            }),
          ),
        ),
        cents: signed(first.errorCents),
      })
    : null;
}
