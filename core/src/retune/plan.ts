import { nth } from '../maths/index.ts';
import { centsBetween, midiToHz } from '../music/index.ts';
import { FROM_ANOTHER_TUNING } from '../sitting/index.ts';
import { type Comparison, comparisonsFor, KNOWN_ENOUGH } from '../state/index.ts';
import {
  afterTurn,
  aimFor,
  type Bridge,
  type Coupling,
  expectedCoupling,
  headroom,
  passesNeeded,
  pull,
  tensionOf,
} from '../strings/index.ts';
import type { Cents, Hz, Newtons } from '../units.ts';
import { bestOrder, type OrderProblem } from './order.ts';
import type { PlanString } from './strings.ts';
import { type PlanWarning, warningsOf } from './warnings.ts';

/** How the steps of a plan are put in order. */
export type PlanOrder = 'thickestFirst' | 'thinnestFirst' | 'planned';

/**
 * By display a figure leads each string to where it lands once the others are tuned, in one pass. By
 * ear strings are first brought near, then set right against each other, as they sound now.
 */
export type Manner = 'by ear' | 'by display';

/** One string's part of a plan. */
export interface PlanStep {
  readonly course: number;
  readonly cents: Cents;
  readonly fromHz: Hz;
  readonly toHz: Hz;
  readonly tensionBefore: Newtons;
  readonly tensionAfter: Newtons;
  /** Semitones from the target up to where the string breaks. */
  readonly headroom: number;
  /** What it can be compared with when its turn comes, best first; empty when only the reference tone is left. */
  readonly references: readonly Comparison[];
}

/** A string that is set right against the others once all are near. */
export interface FineStep {
  readonly course: number;
  readonly references: readonly Comparison[];
}

/** Why steps come in their order; a planned one with how many of its steps have no string to compare with, and how many will have to be looked at again. */
export type OrderReason =
  | { readonly kind: 'thickestFirst' | 'thinnestFirst' }
  | {
      readonly kind: 'planned';
      readonly steps: number;
      readonly unreferenced: number;
      readonly rechecks: number;
    };

export interface Plan {
  /** Strings that have a way to go, those that stay and are off before the others lean on them. */
  readonly steps: readonly PlanStep[];
  /** Every string again by ear; empty by display. */
  readonly fine: readonly FineStep[];
  /** Why the steps come in this order. */
  readonly reason: OrderReason;
  /** Between the highest and the lowest load on the way. */
  readonly loadRange: Newtons;
  readonly warnings: readonly PlanWarning[];
  readonly loadBefore: Newtons;
  readonly loadAfter: Newtons;
  /** Times round until all strings stay, the last look included. */
  readonly passes: number;
}

/** What is known of how an instrument's strings move each other, and how it is tuned. */
export interface Neck {
  readonly bridge: Bridge;
  /** As it was learned; else what is to be expected of such a bridge. */
  readonly coupling?: Coupling | undefined;
  readonly manner?: Manner;
}

/** Off by more than this a string is brought near before anything is set right by ear. */
const NEAR: Cents = 10;

/**
 * The way from the strings as they are to a tuning. A string within `tolerance` is
 * left alone by display; by ear it is set right with the others.
 */
export function planRetune(
  strings: readonly PlanString[],
  order: PlanOrder,
  tolerance: Cents,
  neck: Neck = { bridge: 'fixed' },
): Plan {
  const { manner = 'by ear' } = neck;
  const coupling = neck.coupling ?? expectedOf(strings, neck.bridge);
  const off = manner === 'by ear' ? NEAR : tolerance;
  const isOff = (s: PlanString) => Math.abs(deviation(s)) > off;
  const anchors = thickestFirst(strings.filter((s) => isOff(s) && !isBroughtOver(s)));
  const moving = strings.filter((s) => isBroughtOver(s) && isOff(s));
  const problem = { strings, moving, coupling: neck.coupling, tolerance };
  const { courses, reason } = arrange(order, problem);
  const way = [...anchors.map((s) => s.course), ...courses];
  const rehearsal = new Rehearsal(strings, coupling);
  const steps = way.map((course, k) => {
    const aim = manner === 'by display' ? rehearsal.aimFor(way.slice(k)) : 0;
    const references = rehearsal.references(course, { aim, about: manner === 'by ear' });
    rehearsal.bring(course, aim, manner === 'by ear' && courses.includes(course));
    return { ...stepOf(stringAt(strings, course)), references };
  });
  const fine = manner === 'by ear' ? fineOrder(strings, order) : [];
  const fineSteps = fine.map((course) => {
    const references = rehearsal.references(course, {});
    rehearsal.bring(course, 0);
    return { course, references };
  });
  const loadBefore = loadOf(strings, (s) => s.nowHz);
  const loadAfter = loadOf(strings, (s) => s.targetHz);
  // Those that stay where they are follow the others too, and are looked at last.
  const rest = strings.filter((s) => !way.includes(s.course)).map((s) => s.course);
  const passes = passesNeeded(strings.map(deviation), [...way, ...rest], coupling, tolerance);
  return {
    steps,
    fine: fineSteps,
    reason,
    loadRange: rangeOf(loadBefore, steps),
    warnings: warningsOf(strings, [...anchors, ...moving], neck.bridge === 'floating'),
    loadBefore,
    loadAfter,
    passes,
  };
}

function stringAt(strings: readonly PlanString[], course: number): PlanString {
  return nth(
    strings.filter((s) => s.course === course),
    0,
  );
}

/** It comes from another note; one that stays is at most off. */
function isBroughtOver(string: PlanString): boolean {
  return Math.abs(deviation(string)) > FROM_ANOTHER_TUNING;
}

const thickestFirst = (strings: readonly PlanString[]) =>
  [...strings].sort((a, b) => b.course - a.course);

/** The strings as they will stand on the way, each step done as it is meant. */
class Rehearsal {
  private cents: Cents[];
  /** What was only brought near is not known to the cent. */
  private readonly near = new Set<number>();

  constructor(
    private readonly strings: readonly PlanString[],
    private readonly coupling: Coupling,
  ) {
    const most = Math.max(0, ...strings.map(({ course }) => course));
    this.cents = Array.from({ length: most }, (_, i) => {
      const string = strings.find((s) => s.course === i + 1);
      return string ? deviation(string) : 0;
    });
  }

  aimFor(toCome: readonly number[]): Cents {
    return this.coupling.error > KNOWN_ENOUGH ? 0 : aimFor(this.cents, toCome, this.coupling);
  }

  bring(course: number, to: Cents, near = false): void {
    if (near) this.near.add(course);
    else this.near.delete(course);
    this.cents = afterTurn(this.cents, course, to, this.coupling);
  }

  references(course: number, wish: Parameters<typeof comparisonsFor>[2]): Comparison[] {
    const compared = this.strings.map((s) => ({
      course: s.course,
      midi: s.targetMidi,
      startFret: s.startFret,
      temperCents: temper(s),
      state: {
        course: s.course,
        member: 1,
        cents: nth(this.cents, s.course - 1),
        errorCents: this.near.has(s.course) ? NEAR / 2 : 0,
        from: 'this sitting',
        drift: 0,
      } as const,
    }));
    return comparisonsFor(course, compared, wish);
  }
}

/**
 * The order in which strings are set right by ear: those that stay first, then each that can be
 * compared with one that is right by then; planned, as many of them as possible.
 */
function fineOrder(strings: readonly PlanString[], order: PlanOrder): number[] {
  const ranked = thickestFirst(strings);
  if (order === 'thinnestFirst') ranked.reverse();
  const stay = (s: PlanString) => (isBroughtOver(s) ? 1 : 0);
  const rest = ranked.sort((a, b) => stay(a) - stay(b));
  if (order !== 'planned') return rest.map(({ course }) => course);
  const done: PlanString[] = [];
  while (rest.length > 0) {
    const at = rest.findIndex((s) => serves(s, done));
    done.push(...rest.splice(Math.max(0, at), 1));
  }
  return done.map(({ course }) => course);
}

/** True if one of some strings that are right sounds what this one is to sound, held or open. */
function serves(string: PlanString, right: readonly PlanString[]): boolean {
  const settled = new Rehearsal(
    [string, ...right].map((s) => ({ ...s, nowHz: s.targetHz })),
    { matrix: [], error: 0, turns: 0 },
  );
  return settled.references(string.course, {}).length > 0;
}

function expectedOf(strings: readonly PlanString[], bridge: Bridge): Coupling {
  return expectedCoupling({ tensions: strings.map((s) => tension(s, s.targetHz)), bridge });
}

function deviation(string: PlanString): Cents {
  return centsBetween(string.targetHz, string.nowHz);
}

/** How far a string's target lies from its note; of two strings the difference counts. */
function temper(string: PlanString): Cents {
  return centsBetween(midiToHz(string.targetMidi), string.targetHz);
}

function tension(string: PlanString, hz: Hz): Newtons {
  return tensionOf(string.spec.unitWeight, string.lengthMm, hz);
}

function loadOf(strings: readonly PlanString[], hz: (s: PlanString) => Hz): Newtons {
  return strings.reduce((sum, s) => sum + tension(s, hz(s)), 0);
}

/** Between the highest and the lowest load on the way. */
function rangeOf(start: Newtons, steps: readonly PlanStep[]): Newtons {
  let load = start;
  let lowest = start;
  let highest = start;
  for (const { tensionBefore, tensionAfter } of steps) {
    load += tensionAfter - tensionBefore;
    lowest = Math.min(lowest, load);
    highest = Math.max(highest, load);
  }
  return highest - lowest;
}

function stepOf(string: PlanString): Omit<PlanStep, 'references'> {
  return {
    course: string.course,
    cents: -deviation(string),
    fromHz: string.nowHz,
    toHz: string.targetHz,
    tensionBefore: tension(string, string.nowHz),
    tensionAfter: tension(string, string.targetHz),
    headroom: headroom(string.spec, string.lengthMm, string.targetHz),
  };
}

/** What the planned order goes by. */
interface Problem {
  readonly strings: readonly PlanString[];
  readonly moving: readonly PlanString[];
  readonly coupling: Coupling | undefined;
  readonly tolerance: Cents;
}

function arrange(order: PlanOrder, problem: Problem): { courses: number[]; reason: OrderReason } {
  const thickest = thickestFirst(problem.moving).map((s) => s.course);
  if (order === 'thickestFirst') return { courses: thickest, reason: { kind: order } };
  if (order === 'thinnestFirst') return { courses: thickest.reverse(), reason: { kind: order } };
  const best = bestOrder(orderProblem(thickest, problem));
  const courses = best.order.map((i) => nth(thickest, i));
  const reason = {
    kind: order,
    steps: courses.length,
    unreferenced: best.unreferenced,
    rechecks: problem.coupling ? best.rechecks : 0,
  };
  return { courses, reason };
}

/** The planned order as a problem of bits: entry i is the i-th moving string, thickest first. */
function orderProblem(
  thickest: readonly number[],
  { strings, moving, coupling, tolerance }: Problem,
): OrderProblem {
  const entries = thickest.map((course) => stringAt(moving, course));
  const staying = strings.filter((s) => !moving.includes(s));
  const partners = entries.map((string) => ({
    fromStart: serves(string, staying),
    bits: entries.reduce(
      (bits, s, i) => (s !== string && serves(string, [s]) ? bits | (1 << i) : bits),
      0,
    ),
  }));
  return {
    count: entries.length,
    startLoad: loadOf(strings, (s) => s.nowHz),
    loadChange: entries.map((s) => tension(s, s.targetHz) - tension(s, s.nowHz)),
    hasReference: (entry, moved) =>
      nth(partners, entry).fromStart || (nth(partners, entry).bits & moved) !== 0,
    ...(coupling && {
      drifts: (entry: number, moved: number) => {
        const row = coupling.matrix[nth(entries, entry).course - 1];
        const drift = entries.reduce((sum, s, i) => {
          const later = i !== entry && (moved & (1 << i)) === 0;
          return later ? sum - (row?.[s.course - 1] ?? 0) * pull(deviation(s)) : sum;
        }, 0);
        return Math.abs(drift) > tolerance;
      },
    }),
  };
}
