import type { OrderReason, OtherString, Plan, PlanWarning } from '../retune/index.ts';
import type { EpochMs, Semitones } from '../units.ts';
import { fixed, lengthInWords } from '../writing.ts';
import { whenInWords } from './dates.ts';
import { counted, type ForceUnit, forceInWords } from './figures.ts';

const BREAKING: Semitones = 0;

/** What must be said of a plan before it is begun. */
export function warningInWords(warning: PlanWarning): string {
  switch (warning.kind) {
    case 'refused':
      return `String ${warning.course} ${nearness(warning.headroom)}. ${wayOut(warning.other, 'a lower note or another kind of string')}`;
    case 'caution':
      return `String ${warning.course} comes within ${semitones(warning.headroom)} of breaking. Face away; go slowly.`;
    case 'slack':
      return `String ${warning.course} keeps ${percent(warning.share)} of its usual tension and will flap. ${wayOut(warning.other, 'a heavier string')}`;
    case 'tight':
      return `String ${warning.course} would carry ${percent(warning.share)} of its usual tension. ${wayOut(warning.other, 'a lighter string')}`;
    case 'load':
      return `The neck would carry ${percent(warning.share)} of its usual load.`;
    case 'floating':
      return 'The bridge floats: every string that is moved pulls the others along. Go round more than once.';
  }
}

const semitones = (size: Semitones) => `${fixed(Math.abs(size), 1)} semitones`;
const percent = (share: number) => `${fixed(100 * share)} %`;

function nearness(headroom: Semitones): string {
  return headroom < BREAKING
    ? `would break ${semitones(headroom)} before it is there`
    : `would stand ${semitones(headroom)} below breaking`;
}

/** Another gauge helps a wound string at most: a plain one breaks at nearly the same pitch whatever its gauge. */
function wayOut(other: OtherString | null, otherwise: string): string {
  if (other === null) return `It needs ${otherwise}.`;
  const { material, diameterMm, tension } = other;
  return `It needs another string: an unwound ${material} one of ${lengthInWords(diameterMm, 2)} would stand at ${fixed(tension)} N.`;
}

/** A way to a tuning's notes that moves no string. @example capoWayInWords('Open D', 2) // => 'Open D with a capo at fret 2 sounds the same, and no string moves.' */
export function capoWayInWords(tuning: string, fret: number): string {
  return `${tuning} with a capo at fret ${fret} sounds the same, and no string moves.`;
}

/** A capo leaves a banjo's short string as it is. `begins` is the fret of the neck at which that begins. */
export function shortStringInWords(course: number, begins: number, capo: number): string {
  return `String ${course} is not under the capo: hold it by a spike at fret ${begins + capo}, or tune it up by as much.`;
}

/** From when the strings of a plan are known; `left` is null where none was read yet. */
export function knownSinceInWords(
  left: { readonly at: EpochMs; readonly zone: string } | null,
  tuning: string,
  now: EpochMs,
  reader: string,
): string {
  if (!left) return `No string was read yet: as ${tuning} has them.`;
  return `As they were left ${whenInWords(left.at, left.zone, now, reader)}; they are read first.`;
}

/** From which tuning to which, with a capo or without. */
export interface TuningWay {
  readonly from: { readonly name: string };
  readonly target: { readonly name: string };
  readonly plan: Pick<Plan, 'steps'>;
  /** Fret; 0 without one. */
  readonly capo: number;
}

/** From which tuning to which, and how many strings move. */
export function wayInWords({ from, target, plan, capo }: TuningWay): string {
  const { steps } = plan;
  const capoed = capo > 0 ? `, capo ${capo}` : '';
  if (steps.length === 0) return `${target.name}${capoed}: nothing has to move.`;
  return `${from.name} → ${target.name}${capoed}: ${counted(steps.length, 'string moves', 'strings move')}.`;
}

/** Why the steps of a plan come in their order. */
export function reasonInWords(reason: OrderReason): string {
  if (reason.kind !== 'planned')
    return reason.kind === 'thickest first' ? 'Thickest string first.' : 'Thinnest string first.';
  const { steps, unreferenced, rechecks } = reason;
  const without =
    unreferenced === 0
      ? 'every step has a string to compare with'
      : `${unreferenced} of ${steps} steps need the reference tone`;
  const again = rechecks > 0 ? `; ${rechecks} of them will have to be looked at again` : '';
  return `In this order the load swings least, and ${without}${again}.`;
}

/** How often one goes round all strings. */
export function roundsInWords(passes: number): string {
  return `${counted(passes, 'round', 'rounds')}, the last look included.`;
}

/** What the neck carries, before, after and on the way. */
export function loadInWords(
  { steps, loadBefore, loadAfter, loadRange }: Plan,
  force: ForceUnit,
): string {
  const between =
    steps.length > 1 ? `, on the way within ${forceInWords(loadRange, force)} of that` : '';
  return `The neck carries ${forceInWords(loadBefore, force)} now, ${forceInWords(loadAfter, force)} then${between}.`;
}
