import { nth } from '../maths/index.ts';
import { centsBetween } from '../music/index.ts';
import type { Cents } from '../units.ts';
import {
  FRESH_SHARE,
  heardAgain,
  justPutOn,
  KIND_SHARE,
  KINDS,
  leftAlone,
  normalDensity,
  REACH,
  RETUNED_SHARE,
  shiftedAlike,
  stiffnessFit,
} from './densities.ts';
import type { Node, Pluck, Setup, StringPrior, Turn } from './types.ts';

/** So many explanations of the session are kept, and none that is less likely than the best by this factor (ln). */
const KEPT = 40;
const FAR_BEHIND = 16;
/** A string that is off by more than so many tolerances is worked on. */
const OFF_TOLERANCES = 2.2;
const LEAST_OFF: Cents = 8;

/** One string under one explanation of the session. */
interface StringBelief {
  /** How often it was heard, where first and where last, in cents from its target. */
  readonly heard: number;
  readonly first: Cents;
  readonly last: Cents;
  /** Number of the pluck that it was last heard in. */
  readonly at: number;
  /** In tune so many times running. */
  readonly settled: number;
  /** It was told to be turned by so much while another string sounded. */
  readonly pending: Cents;
  /** Mean of ln(B·f²) over its plucks. */
  readonly stiffness: { readonly mean: number; readonly count: number } | null;
}

/** What one pluck was, under one explanation: an open string, or one by a node. */
interface Part {
  readonly course: number;
  readonly node: 1 | Node;
}

/** The plucks of an explanation, newest first; explanations share what is long past. */
interface Past {
  readonly part: Part;
  readonly before: Past | null;
}

/** One explanation of everything that was heard. */
interface Hypothesis {
  readonly logWeight: number;
  readonly strings: readonly StringBelief[];
  /** Weight of each kind of start, and of each tuning that the strings may come from. */
  readonly kinds: readonly number[];
  readonly tunings: readonly number[];
  readonly previous: number | null;
  /** How often the next string of the order was taken, of so many changes. */
  readonly inOrder: number;
  readonly changes: number;
  /** How often a string that was off was plucked again at once, of so many times that it could have been. */
  readonly again: number;
  readonly chances: number;
  readonly past: Past | null;
}

/** What is believed of all strings together after some plucks. */
export interface Beliefs {
  readonly setup: Setup;
  readonly plucks: number;
  readonly hypotheses: readonly Hypothesis[];
}

const UNHEARD: StringBelief = {
  heard: 0,
  first: 0,
  last: 0,
  at: -2,
  settled: 0,
  pending: 0,
  stiffness: null,
};
/** Before anybody was heard: three of four go through the strings in order, and six of seven stay with one until it is right. */
const HABITS = { inOrder: 3, changes: 4, again: 3.4, chances: 4 } as const;

/** What is believed before the first pluck. */
export function startBeliefs(setup: Setup): Beliefs {
  const retuned = setup.strings.some(({ before }) => before !== undefined);
  const share = setup.fresh ? FRESH_SHARE : retuned ? RETUNED_SHARE : KIND_SHARE;
  const hypothesis: Hypothesis = {
    logWeight: 0,
    strings: setup.strings.map(() => UNHEARD),
    kinds: KINDS.map((kind) => share[kind]),
    tunings: setup.tunings.map(() => 1 / setup.tunings.length),
    previous: null,
    ...HABITS,
    past: null,
  };
  return { setup, plucks: 0, hypotheses: [hypothesis] };
}

const NODES: readonly Node[] = [2, 3, 4];
/** How often a string sounds by its node, of plucks that were meant to be open: common practice, no source. */
const TOUCHED: Readonly<Record<Node, number>> = { 2: 0.02, 3: 0.006, 4: 0.006 };
/** Of a string whose stiffness was not heard a node is so much less believed: nothing but the pitch tells it. */
const NODE_UNPROVED = 1 / 16;
/** A node is looked for so far around where its string may be. */
const REACH_OF_NODE: Cents = 150;

/** One way to explain the newest pluck under one hypothesis. */
interface Candidate {
  readonly from: Hypothesis;
  readonly logWeight: number;
  readonly i: number;
  readonly node: 1 | Node;
  readonly d: Cents;
  readonly place: Place;
}

/** What is believed after one more pluck. A pluck that no string explains changes nothing but its count. */
export function afterPluck(beliefs: Beliefs, pluck: Pluck): Beliefs {
  const candidates = beliefs.hypotheses.flatMap((from) => candidatesOf(from, beliefs, pluck));
  candidates.sort((a, b) => b.logWeight - a.logWeight);
  const best = candidates[0]?.logWeight;
  const plucks = beliefs.plucks + 1;
  if (best === undefined)
    return { ...beliefs, plucks, hypotheses: beliefs.hypotheses.map(unexplained) };
  const hypotheses = candidates
    .slice(0, KEPT)
    .filter(({ logWeight }) => logWeight > best - FAR_BEHIND)
    .map((candidate) => explained(candidate, beliefs, pluck, best));
  return { ...beliefs, plucks, hypotheses };
}

function unexplained(from: Hypothesis): Hypothesis {
  return { ...from, past: { part: { course: 0, node: 1 }, before: from.past } };
}

function candidatesOf(from: Hypothesis, beliefs: Beliefs, pluck: Pluck): Candidate[] {
  const { setup } = beliefs;
  const who = whoIsPlucked(from, pluck, setup);
  return setup.strings.flatMap(({ target }, i) => {
    const open = centsBetween(target.hz, pluck.hz);
    const found: Candidate[] = [];
    const add = (node: 1 | Node, d: Cents, share: number) => {
      const place = share > 0 ? placeOf(from, beliefs, i, d, pluck.told) : null;
      if (!place) return;
      const weight = share * place.density * stiffFit(from, setup, i, pluck, node);
      if (weight > 0)
        found.push({ from, logWeight: from.logWeight + Math.log(weight), i, node, d, place });
    };
    add(1, open, nth(who, i));
    // A string that was chosen or named is no other one by a node.
    if (pluck.chosen === null && pluck.named === undefined)
      for (const node of NODES) {
        const d = open - 1200 * Math.log2(node);
        if (Math.abs(d) < REACH_OF_NODE) add(node, d, TOUCHED[node] * nth(who, i));
      }
    return found;
  });
}

function explained(
  { from, logWeight, i, node, d, place }: Candidate,
  { setup, plucks }: Beliefs,
  { hz, inharmonicity, told }: Pluck,
  best: number,
): Hypothesis {
  const { course } = nth(setup.strings, i).target;
  const part: Part = { course, node };
  const past: Past = { part, before: from.past };
  // By a node a string tells little of where it stands open.
  if (node !== 1) return { ...from, logWeight: logWeight - best, past };
  const own = nth(from.strings, i);
  const x = inharmonicity ? Math.log(inharmonicity * hz ** 2) : null;
  const count = own.stiffness?.count ?? 0;
  const mean = own.stiffness?.mean ?? 0;
  const inTune = Math.abs(d) <= offFrom(setup);
  const now: StringBelief = {
    heard: own.heard + 1,
    first: own.heard === 0 ? d : own.first,
    last: d,
    at: plucks,
    settled: inTune ? own.settled + 1 : 0,
    pending: 0,
    stiffness:
      x === null ? own.stiffness : { mean: (count * mean + x) / (count + 1), count: count + 1 },
  };
  const changed = from.previous !== null && from.previous !== course;
  const next = changed && course === nextOpen(from, setup);
  const couldStay = from.previous !== null && !isDone(from, setup, from.previous);
  return {
    logWeight: logWeight - best,
    strings: from.strings.map((string, k) => {
      if (k === i) return now;
      const isTold = told?.course === nth(setup.strings, k).target.course && string.heard > 0;
      return isTold ? { ...string, pending: string.pending + told.cents } : string;
    }),
    kinds: place.kinds,
    tunings: place.tunings,
    previous: course,
    inOrder: from.inOrder + (next ? 1 : 0),
    changes: from.changes + (changed ? 1 : 0),
    again: from.again + (couldStay && !changed ? 1 : 0),
    chances: from.chances + (couldStay ? 1 : 0),
    past,
  };
}

/** Probability of everything that the nth last pluck may have been, 0 the newest; the likeliest first. */
export function sharesOf({ hypotheses }: Beliefs, ago = 0): Share[] {
  const sums = new Map<string, { part: Part; weight: number }>();
  let total = 0;
  for (const { logWeight, past } of hypotheses) {
    let at = past;
    for (let k = 0; k < ago && at; k++) at = at.before;
    if (!at) continue;
    const weight = Math.exp(logWeight);
    total += weight;
    const key = `${at.part.course} ${at.part.node}`;
    const sum = sums.get(key);
    if (sum) sum.weight += weight;
    else sums.set(key, { part: at.part, weight });
  }
  return [...sums.values()]
    .map(({ part, weight }) => ({ part, probability: weight / total }))
    .sort((a, b) => b.probability - a.probability);
}

/** How often the likeliest explanation has heard a string, the newest pluck left out, and whether its stiffness is known. */
export function heardBefore(
  { hypotheses, setup, plucks }: Beliefs,
  course: number,
): { readonly times: number; readonly stiffness: boolean } {
  const i = setup.strings.findIndex(({ target }) => target.course === course);
  const own = hypotheses[0]?.strings[i];
  const now = own?.at === plucks - 1 ? 1 : 0;
  return { times: (own?.heard ?? 0) - now, stiffness: (own?.stiffness ?? null) !== null };
}

/** Where the strings heard so far were found at first, in cents from their targets, by the likeliest explanation. */
export function foundSoFar({ hypotheses }: Beliefs): Cents[] {
  const strings = hypotheses[0]?.strings ?? [];
  return strings.filter(({ heard }) => heard > 0).map(({ first }) => first);
}

/** Probability of everything that a pluck may have been. */
export interface Share {
  readonly part: Part;
  readonly probability: number;
}

/** How likely each string is plucked, before it is heard: by what was chosen, asked for, and done so far. */
function whoIsPlucked(from: Hypothesis, pluck: Pluck, setup: Setup): number[] {
  const { strings } = setup;
  const count = strings.length;
  if (pluck.named !== undefined)
    return strings.map(({ target }) => (target.course === pluck.named ? 1 : 0));
  if (pluck.chosen !== null)
    return strings.map(({ target }) =>
      target.course === pluck.chosen ? CHOSEN : (1 - CHOSEN) / Math.max(1, count - 1),
    );
  const alone = pluck.alone ? ASKED_ALONE : 0;
  return byHabit(from, setup, pluck.asked).map(
    (share, i) => (1 - alone) * share + (nth(strings, i).target.course === pluck.asked ? alone : 0),
  );
}

/** Common practice, no source: a chosen string is plucked nearly always, one that the screen asks for often. */
const CHOSEN = 0.97;
const ASKED = 0.3;
const ASKED_FIRST = 0.62;
const ASKED_ALONE = 0.8;
/** A string that is in tune is seldom plucked again; who did so once does so again. */
const AGAIN_WHEN_DONE = { first: 0.15, more: 0.6 } as const;
/** So often in a row in tune, and a player goes on. */
const DONE = 2;

/**
 * What a player does by habit: the same string until it is right, whatever the screen asks for;
 * then the one that it asks for, the next one, or any.
 */
function byHabit(from: Hypothesis, setup: Setup, asked: number | null): number[] {
  const { strings } = setup;
  const count = strings.length;
  const isAsked = ({ target }: StringPrior) => target.course === asked;
  const follows = strings.some(isAsked) ? (from.previous === null ? ASKED_FIRST : ASKED) : 0;
  if (from.previous === null)
    return strings.map((one) => (1 - follows) / count + (isAsked(one) ? follows : 0));
  const before = strings.findIndex(({ target }) => target.course === from.previous);
  const again = stays(from, before);
  const next = nextOpen(from, setup);
  const orderly = next === null ? 0 : from.inOrder / from.changes;
  const others = Math.max(1, count - 1);
  // Who is asked for the string that was just plucked is asked for no other one.
  const obeys = asked === from.previous ? 0 : follows;
  return strings.map((one, i) => {
    if (i === before) return again;
    const inOrder = one.target.course === next ? orderly : 0;
    const own = inOrder + (1 - orderly) / others;
    return (1 - again) * ((1 - obeys) * own + (isAsked(one) ? obeys : 0));
  });
}

/** How likely the string that was plucked last is plucked again. */
function stays({ strings, again, chances }: Hypothesis, i: number): number {
  const { settled } = nth(strings, i);
  if (settled < DONE) return again / chances;
  return settled === DONE ? AGAIN_WHEN_DONE.first : AGAIN_WHEN_DONE.more;
}

function isDone({ strings }: Hypothesis, setup: Setup, course: number): boolean {
  const i = setup.strings.findIndex(({ target }) => target.course === course);
  return nth(strings, i).settled >= DONE;
}

/** The next string of the order that is not in tune yet, after the one plucked last. */
function nextOpen(
  { previous, strings }: Hypothesis,
  { order, strings: priors }: Setup,
): number | null {
  const from = previous === null ? -1 : order.indexOf(previous);
  for (let step = 1; step <= order.length; step++) {
    const course = nth(order, (from + step) % order.length);
    const i = priors.findIndex(({ target }) => target.course === course);
    if (course !== previous && i >= 0 && nth(strings, i).settled < DONE) return course;
  }
  return null;
}

interface Place {
  readonly density: number;
  readonly kinds: readonly number[];
  readonly tunings: readonly number[];
}

/** How often a string is found at `d` cents from its target; null where it cannot be. */
function placeOf(
  { strings, kinds, tunings }: Hypothesis,
  { setup, plucks }: Beliefs,
  i: number,
  d: Cents,
  told: Turn | undefined,
): Place | null {
  if (d < REACH.low || d > REACH.high) return null;
  const own = nth(strings, i);
  if (own.heard > 0) {
    const { course } = nth(setup.strings, i).target;
    const last = {
      cents: own.last,
      justNow: own.at === plucks - 1,
      told: told ? (told.course === course ? 'it' : 'another') : null,
      pending: own.pending,
      fresh: (setup.fresh ?? false) && !nth(setup.strings, i).kept,
    } as const;
    return { density: heardAgain(d, last, offFrom(setup)), kinds, tunings };
  }
  const { before = 0, kept } = nth(setup.strings, i);
  const alone = leftAlone(d, before);
  if (kept) return { density: alone, kinds, tunings };
  const put = justPutOn(d);
  const others = meanOf(strings);
  const byTuning = setup.tunings.map((cents) => normalDensity(d, cents[i] ?? 0, TUNING_SIGMA));
  const fromTuning = tunings.reduce((sum, weight, k) => sum + weight * nth(byTuning, k), 0);
  const densities = [
    alone,
    ONE_REPLACED.others * alone + ONE_REPLACED.it * put,
    ALL_NEW.upAlready * alone +
      ALL_NEW.alone * put +
      ALL_NEW.alike * (others === null ? put : normalDensity(d, others, ALL_NEW.sigma)),
    shiftedAlike(d, others),
    KNOWN_TUNING * fromTuning + (1 - KNOWN_TUNING) * bySemitones(d),
  ];
  const joint = kinds.map((weight, k) => weight * nth(densities, k));
  const density = joint.reduce((sum, weight) => sum + weight, 0);
  if (density === 0) return null;
  const heard = tunings.map((weight, k) => weight * (nth(byTuning, k) + LEAST_DENSITY));
  const total = heard.reduce((sum, weight) => sum + weight, 0);
  return {
    density,
    kinds: joint.map((weight) => Math.max(LEAST_KIND, weight / density)),
    tunings: heard.map((weight) => weight / total),
  };
}

/** Shares of strings under each kind of start: common practice, no source. */
const ONE_REPLACED = { others: 0.78, it: 0.22 } as const;
const ALL_NEW = { upAlready: 0.1, alone: 0.45, alike: 0.45, sigma: 140 } as const;
/** Most who retune come from a tuning that has a name. */
const KNOWN_TUNING = 0.75;
const TUNING_SIGMA: Cents = 18;
/** No kind of start and no tuning is ever quite ruled out by one string. */
const LEAST_KIND = 1e-4;
const LEAST_DENSITY = 1e-6;

/** A tuning of one's own: some whole number of semitones off, mostly down. */
function bySemitones(d: Cents): number {
  let sum = 0;
  for (let k = LOWEST_STEP; k <= HIGHEST_STEP; k++) sum += normalDensity(d, 100 * k, 22);
  return sum / (HIGHEST_STEP - LOWEST_STEP + 1);
}

const LOWEST_STEP = -5;
const HIGHEST_STEP = 3;

function offFrom({ tolerance }: Setup): Cents {
  return Math.max(LEAST_OFF, OFF_TOLERANCES * tolerance);
}

/** Where the strings were found, on the average; null before the first. */
function meanOf(strings: readonly StringBelief[]): Cents | null {
  const found = strings.filter(({ heard }) => heard > 0);
  return found.length === 0
    ? null
    : found.reduce((sum, { first }) => sum + first, 0) / found.length;
}

/** Standard deviation of ln(B·f²) of one string from pluck to pluck, and of strings in general, whose gauge is not known. */
const STIFFNESS = { again: 0.25, general: 1.2, generalB: 4e-5 } as const;

/** How well the stiffness that was heard is that of a string, or of one of its nodes (as many times as stiff, squared). */
function stiffFit(
  { strings }: Hypothesis,
  setup: Setup,
  i: number,
  pluck: Pluck,
  node: 1 | Node,
): number {
  const { inharmonicity, hz } = pluck;
  const own = nth(strings, i).stiffness;
  const unproved = node !== 1 && own === null ? NODE_UNPROVED : 1;
  if (!inharmonicity) return unproved;
  // B of the string itself: by a node every partial is one of `node` times its number.
  const x = Math.log((inharmonicity / node ** 2) * (hz / node) ** 2);
  if (own) return stiffnessFit(x, own.mean, STIFFNESS.again * Math.sqrt(1 + 1 / own.count));
  const { target, stiffness } = nth(setup.strings, i);
  if (stiffness) return unproved * stiffnessFit(x, stiffness.mean, stiffness.sigma);
  return (
    unproved * stiffnessFit(x, Math.log(STIFFNESS.generalB * target.hz ** 2), STIFFNESS.general)
  );
}
