import {
  forceValue,
  lengthValue,
  type Message,
  message,
  moment,
  type Text,
  type Value,
} from '../message.ts';
import type { Tuning } from '../music/index.ts';
import type { OrderReason, OtherString, Plan, PlanWarning } from '../retune/index.ts';
import type { EpochMs, Semitones } from '../units.ts';
import { tuningName } from './names.ts';

const BREAKING: Semitones = 0;

/** What must be said of a plan before it is begun. */
export function warningInWords(warning: PlanWarning): Text {
  switch (warning.kind) {
    case 'refused':
      return [
        warning.headroom < BREAKING
          ? message('retune.wouldBreak', {
              string: warning.course,
              semitones: Math.abs(warning.headroom),
            })
          : message('retune.nearBreaking', {
              string: warning.course,
              semitones: Math.abs(warning.headroom),
            }),
        wayOut(warning.other, message('retune.needsLower')),
      ];
    case 'caution':
      return message('retune.caution', {
        string: warning.course,
        semitones: Math.abs(warning.headroom),
      });
    case 'slack':
      return [
        message('retune.slack', { string: warning.course, percent: 100 * warning.share }),
        wayOut(warning.other, message('retune.needsHeavier')),
      ];
    case 'tight':
      return [
        message('retune.tight', { string: warning.course, percent: 100 * warning.share }),
        wayOut(warning.other, message('retune.needsLighter')),
      ];
    case 'load':
      return message('retune.neckLoad', { percent: 100 * warning.share });
    case 'floating':
      return message('retune.floating');
  }
}

/** Another gauge helps a wound string at most: a plain one breaks at nearly the same pitch whatever its gauge. */
function wayOut(other: OtherString | null, otherwise: Message): Message {
  if (other === null) return otherwise;
  const { material, diameterMm, tension } = other;
  return message('retune.needsOther', {
    material,
    diameter: lengthValue(diameterMm, 2),
    newtons: tension,
  });
}

/** A way to a tuning's notes that moves no string. @example ‘Open D with a capo at fret 2 sounds the same, and no string moves.’ */
export function capoWayInWords(tuning: Value, fret: number): Message {
  return message('retune.capoWay', { tuning, fret });
}

/** A capo leaves a banjo's short string as it is. `begins` is the fret of the neck at which that begins. */
export function shortStringInWords(course: number, begins: number, capo: number): Message {
  return message('retune.shortString', { string: course, fret: begins + capo });
}

/** From when the strings of a plan are known; `left` is null where none was read yet. */
export function knownSinceInWords(
  left: { readonly at: EpochMs; readonly zone: string } | null,
  tuning: Value,
  now: EpochMs,
): Message {
  if (!left) return message('retune.nothingRead', { tuning });
  return message('retune.knownSince', {
    when: moment(left.at, { zone: left.zone, now }, 'spoken moment'),
  });
}

/** From which tuning to which, with a capo or without. */
export interface TuningWay {
  readonly from: Pick<Tuning, 'id' | 'name'>;
  readonly target: Pick<Tuning, 'id' | 'name'>;
  readonly plan: Pick<Plan, 'steps'>;
  /** Fret; 0 without one. */
  readonly capo: number;
}

/** From which tuning to which, and how many strings move. */
export function wayInWords({ from, target, plan, capo }: TuningWay): Message {
  const count = plan.steps.length;
  if (count === 0) return message('retune.nothingToMove', { target: target.name, capo });
  return message('retune.way', { from: tuningName(from), target: tuningName(target), capo, count });
}

/** Why the steps of a plan come in their order. */
export function reasonInWords(reason: OrderReason): Message {
  if (reason.kind !== 'planned')
    return reason.kind === 'thickestFirst'
      ? message('retune.thickestFirst')
      : message('retune.thinnestFirst');
  const { steps, unreferenced, rechecks } = reason;
  return message('retune.planned', { steps, unreferenced, rechecks: Math.max(0, rechecks) });
}

/** How often one goes round all strings. */
export function roundsInWords(passes: number): Message {
  return message('retune.rounds', { passes });
}

/** What the neck carries, before, after and on the way. */
export function loadInWords({ steps, loadBefore, loadAfter, loadRange }: Plan): Message {
  return steps.length > 1
    ? message('retune.loadRange', {
        before: forceValue(loadBefore),
        after: forceValue(loadAfter),
        range: forceValue(loadRange),
      })
    : message('retune.load', { before: forceValue(loadBefore), after: forceValue(loadAfter) });
}
