import { median, nth } from '../maths/index.ts';
import type { Target } from '../music/index.ts';
import { centsBetween, shiftHz } from '../music/index.ts';
import type { Cents, EpochMs, Hz } from '../units.ts';
import type { StiffnessPrior } from './stiffString.ts';
import { GENERAL_PRIOR, reportedHz } from './stiffString.ts';

const HOUR_MS = 3_600_000;
const OCTAVE: Cents = 1200;

/** No string is looked for further than this from its target or its last reading. */
export const FARTHEST: Cents = 1850;

/** A string is known once it is this much likelier than all others together. */
const SURE = 0.9;
/** So many strings are named when it is asked which one it was: the likeliest. */
const NAMED = 2;

/**
 * How far a string is found from where it belongs or was last heard: nearly always within a
 * normal spread, sometimes further, the less often the further. Chosen so that of two strings
 * in reach the nearer is taken beyond a lead of about 60 cents, and asked about below it.
 */
const SPREAD = { core: 35, tail: 27, tailShare: 0.1 } as const;
/** What a string that was heard owes to that reading, and what to its target: it may have been turned since. */
const HEARD = { last: 0.65, target: 0.35 } as const;
/** A reading of another session still holds within this; one of this moment as closely as any, in cents. */
const LAST_SIGMA = { least: 30, most: 90, perHour: 30 } as const;
/** A string chosen by hand is so many times likelier than each of the others: common practice, no source. */
const INTENDED = 30;
/** The string that is worked on is so many times likelier than each of the others: common practice, no source. */
const IN_HAND = 5;
/**
 * Where a chosen string may be besides, by the share of plucks: on the way from where it was
 * heard to its note, anywhere below it when it is new or comes from elsewhere, anywhere at all,
 * an octave off.
 */
const ASTRAY = {
  onItsWay: 0.2,
  fresh: 0.3,
  anywhere: 0.01,
  unnamed: 0.0003,
  octave: 0.001,
} as const;
/** Further than this from its note a string is on its way. */
const OFF: Cents = 70;
/** A way reaches this far beyond its ends; above its note a string is seldom further than this. */
const BEYOND: Cents = 100;
const HIGHEST: Cents = 400;

/** ln B of one string scatters by this from pluck to pluck; no pluck speaks louder than `least` against a string. */
const STIFFNESS = {
  sigma: 0.15,
  least: -5,
  /** Played strings in general: nine in ten between 1e-5 and 1.6e-4. */
  general: { mean: 4e-5, sigma: 0.85 },
} as const;

/** What is known of each string before a pluck. */
export interface StringKnowledge {
  readonly target: Target;
  /** The last reading of this string, in Hz, and when it was taken. */
  readonly lastHz?: Hz;
  readonly lastAt?: EpochMs;
  /** B of this string as its earlier readings found it (their median). */
  readonly inharmonicity?: number;
  /** It is new, or comes from another tuning: it may stand anywhere below its note. */
  readonly fresh?: boolean;
}

/** What a reading contributes to the knowledge of its string. */
export interface KnownReading {
  readonly course: number;
  readonly hz: Hz;
  readonly inharmonicity: number;
  readonly at?: EpochMs;
}

/** What earlier readings, oldest first, tell of each string. */
export function knowledgeOf(
  targets: readonly Target[],
  readings: readonly KnownReading[],
): StringKnowledge[] {
  return targets.map((target) => {
    const own = readings.filter((reading) => reading.course === target.course);
    const last = own.at(-1);
    if (!last) return { target };
    return {
      target,
      lastHz: last.hz,
      inharmonicity: median(own.map((reading) => reading.inharmonicity)),
      ...(last.at !== undefined && { lastAt: last.at }),
    };
  });
}

/** What was heard of a string that has to be named. */
export interface Sound {
  readonly hz: Hz;
  /** B, where it was measured. */
  readonly inharmonicity?: number;
  /** … by this sound alone, where that differs. */
  readonly freeInharmonicity?: number;
  readonly at?: EpochMs;
}

export type Identity =
  | { readonly kind: 'known'; readonly course: number; readonly probability: number }
  /** The likeliest first. */
  | { readonly kind: 'doubt'; readonly courses: readonly number[] }
  /** Not open: touched at the node of that partial, or fretted where it halves the string; the sound does not tell which. */
  | { readonly kind: 'touched'; readonly of: number; readonly node: Node }
  | { readonly kind: 'none' };

/** The partial whose node is touched: 2 at fret 12, 3 at 7 or 19, 4 at 5. */
export type Node = 2 | 3 | 4;

/** How far a pitch lies from where a string is known or wanted to be. */
function distanceTo({ target, lastHz }: StringKnowledge, hz: Hz): Cents {
  const toTarget = Math.abs(centsBetween(target.hz, hz));
  return lastHz ? Math.min(toTarget, Math.abs(centsBetween(lastHz, hz))) : toTarget;
}

/**
 * Says which string sounds: each is as likely as its pitch, its stiffness and what was
 * intended make it (Bayes' rule). A string chosen by hand says what the player intends, never
 * what sounded. Where no string is likely enough they are named, not guessed at.
 * @param intended the string chosen by hand, or null
 * @param inHand the one that is worked on: likelier than the others, but nobody named it
 * @example whoSounded({ hz: 82.4 }, guitar, 3) // => { kind: 'known', course: 6, … }
 */
export function whoSounded(
  sound: Sound,
  strings: readonly StringKnowledge[],
  intended: number | null,
  inHand: number | null = null,
): Identity {
  const reach = Math.min(...strings.map((string) => distanceTo(string, sound.hz)));
  if (!(reach <= FARTHEST)) return { kind: 'none' };
  const weights = strings.map((string) => {
    const { course } = string.target;
    const isIntended = course === intended;
    const isLikely = isIntended || (intended === null && course === inHand);
    const place =
      densityAt(string, sound) + (isLikely ? astray(string, sound.hz) : lost(string, sound.hz));
    const odds = isIntended ? INTENDED : isLikely ? IN_HAND : 1;
    return odds * place * stiffnessFits(string, sound);
  });
  const touched = intended === null ? touchedStrings(sound, strings, inHand) : [];
  const total =
    weights.reduce((sum, weight) => sum + weight, 0) +
    touched.reduce((sum, { weight }) => sum + weight, 0);
  const ranked = strings
    .map(({ target: { course } }, i) => ({ course, probability: nth(weights, i) / total }))
    .sort((a, b) => b.probability - a.probability);
  const [first] = ranked;
  if (first && first.probability >= SURE) return { kind: 'known', ...first };
  const likeliest = touched.reduce((a, b) => (b.weight > a.weight ? b : a), NOT_TOUCHED);
  // Only the stiffness of that very string tells its node from another open string.
  if (likeliest.known && likeliest.weight > TOUCHED.known * total)
    return { kind: 'touched', of: likeliest.course, node: likeliest.node };
  return { kind: 'doubt', courses: namedOf(ranked, touched, total) };
}

/** The strings that are named in a doubt: the two likeliest, open or touched. */
function namedOf(
  ranked: readonly { readonly course: number; readonly probability: number }[],
  touched: readonly TouchedString[],
  total: number,
): number[] {
  return ranked
    .map(({ course, probability }) => {
      const nodes = touched.filter((one) => one.course === course);
      return {
        course,
        likely: probability + nodes.reduce((sum, { weight }) => sum + weight, 0) / total,
      };
    })
    .sort((a, b) => b.likely - a.likely)
    .slice(0, NAMED)
    .map(({ course }) => course);
}

interface TouchedString {
  readonly course: number;
  readonly node: Node;
  readonly weight: number;
  /** Its stiffness was heard before. */
  readonly known: boolean;
}

const NODES: readonly Node[] = [2, 3, 4];
const NOT_TOUCHED: TouchedString = { course: 0, node: 2, weight: 0, known: false };
/** How often a string sounds by its node, of plucks that were meant to be open: common practice, no source. From which share on it is said. */
const TOUCHED = { share: { 2: 0.02, 3: 0.01, 4: 0.01 }, known: 0.5 } as const;

/** Every string by its nodes: what sounds are multiples of a partial, so B is larger by its square. */
function touchedStrings(
  sound: Sound,
  strings: readonly StringKnowledge[],
  inHand: number | null,
): TouchedString[] {
  return strings.flatMap((string) =>
    NODES.map((node) => {
      const { course } = string.target;
      const b = string.inharmonicity ?? 0;
      const hz = (sound.hz * reportedHz(1, b)) / (node * reportedHz(1, node ** 2 * b));
      const open = { ...sound, hz };
      const place =
        densityAt(string, open) * TOUCHED.share[node] * (course === inHand ? IN_HAND : 1);
      const weight = place * stiffnessFits(string, open, node ** 2);
      return { course, node, weight, known: string.inharmonicity !== undefined };
    }),
  );
}

/** How often a string that was left to itself is found at a pitch, by the cent. */
function densityAt({ target, lastHz, lastAt }: StringKnowledge, { hz, at }: Sound): number {
  const atTarget = spread(centsBetween(target.hz, hz), SPREAD.core);
  if (lastHz === undefined) return atTarget;
  const hours = lastAt === undefined || at === undefined ? 0 : Math.max(0, at - lastAt) / HOUR_MS;
  const sigma = Math.min(LAST_SIGMA.most, LAST_SIGMA.least + hours * LAST_SIGMA.perHour);
  return HEARD.last * spread(centsBetween(lastHz, hz), sigma) + HEARD.target * atTarget;
}

function spread(cents: Cents, sigma: Cents): number {
  const size = Math.abs(cents);
  const core = Math.exp(-0.5 * (size / sigma) ** 2) / (sigma * Math.sqrt(2 * Math.PI));
  const tail = Math.exp(-size / SPREAD.tail) / (2 * SPREAD.tail);
  return (1 - SPREAD.tailShare) * core + SPREAD.tailShare * tail;
}

/** How often a chosen string is found at a pitch because it is far from its note, by the cent. */
function astray({ target, lastHz, fresh }: StringKnowledge, hz: Hz): number {
  const cents = centsBetween(target.hz, hz);
  const last = lastHz === undefined ? 0 : centsBetween(target.hz, lastHz);
  const octave = spread(Math.abs(cents) - OCTAVE, SPREAD.core);
  const way =
    Math.abs(last) > OFF
      ? within(cents, Math.min(last, 0) - BEYOND, Math.max(last, 0) + BEYOND)
      : 0;
  return (
    ASTRAY.onItsWay * way +
    (fresh ? ASTRAY.fresh : ASTRAY.anywhere) * within(cents, -FARTHEST, HIGHEST) +
    ASTRAY.octave * octave
  );
}

/** How often a string that nobody named is found far off, by the cent: so seldom that only where no string belongs it is asked about. */
function lost({ target }: StringKnowledge, hz: Hz): number {
  return ASTRAY.unnamed * within(centsBetween(target.hz, hz), -FARTHEST, HIGHEST);
}

/** An even density between two ends, by the cent. */
function within(cents: Cents, low: Cents, high: Cents): number {
  return cents > low && cents < high ? 1 / (high - low) : 0;
}

/** How well the stiffness heard is that of a string, or so many times as much; beside a string whose B is known, or one in general. */
function stiffnessFits({ inharmonicity }: StringKnowledge, sound: Sound, times = 1): number {
  const heard = sound.freeInharmonicity ?? sound.inharmonicity;
  if (!heard) return 1;
  const { mean, sigma } = inharmonicity
    ? { mean: inharmonicity, sigma: STIFFNESS.sigma }
    : STIFFNESS.general;
  const off = Math.log(heard / (times * mean)) / sigma;
  return Math.exp(Math.max(STIFFNESS.least, -0.5 * off ** 2));
}

/** How near a pitch must be to a known string for that to count. */
const NEAR: Cents = 150;
/** B of a string varies so much from pluck to pluck, as a share, and never less than so much. */
const STIFFNESS_SIGMA = { share: 0.3, least: 4e-6 } as const;

/** What is believed of B at a pitch: that of the known string there, or of strings in general. */
export function priorAt(hz: Hz, strings: readonly StringKnowledge[]): StiffnessPrior {
  for (const string of strings)
    if (string.inharmonicity !== undefined && distanceTo(string, hz) < NEAR) return priorOf(string);
  return GENERAL_PRIOR;
}

/** What is believed of B of a string: as it was read, or as strings are. */
export function priorOf({ inharmonicity }: StringKnowledge): StiffnessPrior {
  if (inharmonicity === undefined) return GENERAL_PRIOR;
  const sigma = Math.max(STIFFNESS_SIGMA.least, STIFFNESS_SIGMA.share * inharmonicity);
  return { mean: inharmonicity, sigma };
}

/** A string is looked for so much below where it belongs. */
const BELOW: Cents = 300;

/** The lowest pitch at which one of the strings may be read; infinite without any. */
export function lowestOf(strings: readonly StringKnowledge[]): Hz {
  const low = strings.map(({ target, lastHz = target.hz }) => Math.min(target.hz, lastHz));
  return shiftHz(Math.min(...low), -BELOW);
}

/** True if one of the strings is known or wanted to be about at this pitch. */
export function isNearString(
  hz: Hz,
  strings: readonly StringKnowledge[],
  near: Cents = NEAR,
): boolean {
  return strings.some((string) => distanceTo(string, hz) < near);
}
