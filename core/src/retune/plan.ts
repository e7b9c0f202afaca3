import type { CrossCheck } from '../fretboard/index.ts';
import { crossChecks } from '../fretboard/index.ts';
import { nth } from '../maths/index.ts';
import { centsBetween, midiToHz } from '../music/index.ts';
import {
  type Bridge,
  type Coupling,
  expectedCoupling,
  headroom,
  passesNeeded,
  pull,
  type StringSpec,
  tensionOf,
} from '../strings/index.ts';
import type { Cents, Hz, Midi, Millimetres, Newtons } from '../units.ts';
import { bestOrder, type OrderProblem } from './order.ts';

/** How the steps of a plan are put in order. */
export type PlanOrder = 'thickest first' | 'thinnest first' | 'planned';

/** One string before a retune. */
export interface PlanString {
  readonly course: number;
  readonly spec: StringSpec;
  /** Sounding length. */
  readonly lengthMm: Millimetres;
  /** Fret of the neck at which it begins. */
  readonly startFret: number;
  /** What it sounds now, measured or taken from the tuning it is in. */
  readonly nowHz: Hz;
  readonly targetHz: Hz;
  /** The note of the target, for comparisons by fret. */
  readonly targetMidi: Midi;
  /** What it sounds in the instrument's standard tuning. */
  readonly standardHz: Hz;
}

/** A comparison for the string of a step with one that is right at that moment. */
export interface Reference extends CrossCheck {
  /** The string compared with. */
  readonly course: number;
  /**
   * How far above this string's own target it ends when the two agree: what the other
   * string is off now, and what the tuning's offsets set apart.
   */
  readonly offsetCents: Cents;
}

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
  /** Best first; empty when only the reference tone is left. */
  readonly references: readonly Reference[];
}

/** Something about a plan that must be said before it is begun. */
export interface PlanWarning {
  readonly kind: 'refused' | 'caution' | 'slack' | 'load';
  readonly course: number | null;
  readonly say: string;
}

export interface Plan {
  readonly steps: readonly PlanStep[];
  /** Why the steps come in this order. */
  readonly reason: string;
  /** Between the highest and the lowest load on the way. */
  readonly loadRange: Newtons;
  readonly warnings: readonly PlanWarning[];
  readonly loadBefore: Newtons;
  readonly loadAfter: Newtons;
  /** Times round until all strings stay, the last look included. */
  readonly passes: number;
}

/** What is known of how an instrument's strings move each other. */
export interface Neck {
  readonly bridge: Bridge;
  /** As it was learned; else what is to be expected of such a bridge. */
  readonly coupling?: Coupling | undefined;
}

/** References lie at or below this fret. */
const HIGHEST_FRET = 12;
/** A string so far off still serves as a reference, its offset allowed for. */
const SERVES: Cents = 15;
const REFUSED_BELOW = 1;
const CAUTION_BELOW = 2.5;
/** Below this share of its standard tension a string flaps: common practice, no source. */
const SLACK_SHARE = 0.45;
const HEAVY_SHARE = 1.15;

/**
 * The way from the strings as they are to a tuning. A string within `tolerance` is
 * left alone. Computed afresh after every pluck, so what was skipped or slipped is in it.
 */
export function planRetune(
  strings: readonly PlanString[],
  order: PlanOrder,
  tolerance: Cents,
  neck: Neck = { bridge: 'fixed' },
): Plan {
  const moving = strings.filter((s) => Math.abs(deviation(s)) > tolerance);
  const { courses, reason } = arrange(strings, moving, order, {
    coupling: neck.coupling,
    tolerance,
  });
  const done = new Set<number>();
  const steps = courses.map((course) => {
    const string = strings.find((s) => s.course === course)!;
    const step = stepOf(string, strings, done);
    done.add(course);
    return step;
  });
  const loadBefore = loadOf(strings, (s) => s.nowHz);
  const loadAfter = loadOf(strings, (s) => s.targetHz);
  const warnings = warningsOf(strings, moving, loadAfter);
  if (neck.bridge === 'floating' && steps.length > 0) warnings.push(FLOATING);
  // Those that stay where they are follow the others too, and are looked at last.
  const rest = strings.filter((s) => !moving.includes(s)).map((s) => s.course);
  const passes = passesNeeded(
    strings.map(deviation),
    [...courses, ...rest],
    neck.coupling ?? expectedOf(strings, neck.bridge),
    tolerance,
  );
  const loadRange = rangeOf(loadBefore, steps);
  return { steps, reason, loadRange, warnings, loadBefore, loadAfter, passes };
}

function expectedOf(strings: readonly PlanString[], bridge: Bridge): Coupling {
  return expectedCoupling({ tensions: strings.map((s) => tension(s, s.targetHz)), bridge });
}

const FLOATING: PlanWarning = {
  kind: 'caution',
  course: null,
  say: 'The bridge floats: every string that is moved pulls the others along. Go round more than once.',
};

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

/** How far a string is off as a reference, in cents; null if too far to serve. */
function serving(string: PlanString): Cents | null {
  const cents = deviation(string);
  return Math.abs(cents) <= SERVES ? cents : null;
}

function stepOf(
  string: PlanString,
  strings: readonly PlanString[],
  done: ReadonlySet<number>,
): PlanStep {
  return {
    course: string.course,
    cents: -deviation(string),
    fromHz: string.nowHz,
    toHz: string.targetHz,
    tensionBefore: tension(string, string.nowHz),
    tensionAfter: tension(string, string.targetHz),
    headroom: headroom(string.spec, string.lengthMm, string.targetHz),
    // A string that this plan has moved before stands at its target.
    references: referencesFor(string, strings, (s) => (done.has(s.course) ? 0 : serving(s))),
  };
}

/**
 * What a string can be compared with: another one held against this one open, or this
 * one held against another one open, among the strings that `offsetOf` lets serve.
 */
function referencesFor(
  string: PlanString,
  strings: readonly PlanString[],
  offsetOf: (s: PlanString) => Cents | null,
): Reference[] {
  const neck = strings.map((s) => ({
    course: s.course,
    midi: s.targetMidi,
    startFret: s.startFret,
  }));
  const references: Reference[] = [];
  for (const check of crossChecks(neck, HIGHEST_FRET)) {
    if (check.held.course !== string.course && check.open !== string.course) continue;
    const course = check.held.course === string.course ? check.open : check.held.course;
    const other = strings.find((s) => s.course === course)!;
    const off = offsetOf(other);
    if (off === null) continue;
    references.push({ ...check, course, offsetCents: off + temper(other) - temper(string) });
  }
  return references;
}

/** What the planned order goes by beside references and load. */
interface Known {
  readonly coupling: Coupling | undefined;
  readonly tolerance: Cents;
}

function arrange(
  strings: readonly PlanString[],
  moving: readonly PlanString[],
  order: PlanOrder,
  known: Known,
): { courses: number[]; reason: string } {
  const thickest = [...moving].sort((a, b) => b.course - a.course).map((s) => s.course);
  if (order === 'thickest first') return { courses: thickest, reason: 'Thickest string first.' };
  if (order === 'thinnest first')
    return { courses: thickest.reverse(), reason: 'Thinnest string first.' };
  const problem = orderProblem(strings, moving, thickest, known);
  const best = bestOrder(problem);
  const courses = best.order.map((i) => nth(thickest, i));
  const without =
    best.unreferenced === 0
      ? 'every step has a string to compare with'
      : `${best.unreferenced} of ${courses.length} steps need the reference tone`;
  const again =
    known.coupling && best.rechecks > 0
      ? `; ${best.rechecks} of them will have to be looked at again`
      : '';
  return { courses, reason: `In this order ${without}${again}.` };
}

/** The planned order as a problem of bits: entry i is the i-th moving string, thickest first. */
function orderProblem(
  strings: readonly PlanString[],
  moving: readonly PlanString[],
  thickest: readonly number[],
  { coupling, tolerance }: Known,
): OrderProblem {
  const entries = thickest.map((course) => moving.find((s) => s.course === course)!);
  const partners = entries.map((string) => {
    const all = referencesFor(string, strings, () => 0).map((r) => r.course);
    return {
      fromStart: referencesFor(string, strings, serving).length > 0,
      bits: entries.reduce((bits, s, i) => (all.includes(s.course) ? bits | (1 << i) : bits), 0),
    };
  });
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

function warningsOf(
  strings: readonly PlanString[],
  moving: readonly PlanString[],
  loadAfter: Newtons,
): PlanWarning[] {
  const warnings: PlanWarning[] = [];
  for (const string of moving) {
    const left = headroom(string.spec, string.lengthMm, string.targetHz);
    const { course } = string;
    const figure = `${Math.max(0, left).toFixed(1)} semitones`;
    const ways = 'A lighter string, a lower tuning or a capo would do.';
    if (left < REFUSED_BELOW)
      warnings.push({
        kind: 'refused',
        course,
        say: `String ${course} would stand ${figure} below breaking. ${ways}`,
      });
    else if (left < CAUTION_BELOW)
      warnings.push({
        kind: 'caution',
        course,
        say: `String ${course} comes within ${figure} of breaking. Face away; go slowly. ${ways}`,
      });
    const share = tension(string, string.targetHz) / tension(string, string.standardHz);
    if (share < SLACK_SHARE)
      warnings.push({
        kind: 'slack',
        course,
        say: `String ${course} keeps ${(100 * share).toFixed(0)} % of its usual tension and will flap.`,
      });
  }
  const standard = loadOf(strings, (s) => s.standardHz);
  if (loadAfter > HEAVY_SHARE * standard)
    warnings.push({
      kind: 'load',
      course: null,
      say: `The neck would carry ${((100 * loadAfter) / standard).toFixed(0)} % of its usual load.`,
    });
  return warnings;
}
