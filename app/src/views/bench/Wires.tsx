import { centsBetween, type Target, targetName } from '@rosefinch/core/music';
import type { BenchState } from '@rosefinch/core/sitting';
import type { Instrument } from '@rosefinch/core/strings';
import type { Hz } from '@rosefinch/core/units';
import { deviationInWords, signedCents } from '@rosefinch/core/words';
import { useMemo } from 'react';
import { type Heard, type LiveNote, useRingingCourse } from '../../parts/listening/index.ts';
import { type Perch, WireCanvas } from '../../parts/wires/index.ts';

interface Props {
  readonly instrument: Instrument;
  readonly targets: readonly Target[];
  readonly state: BenchState;
  /** The string that is open while none has been worked on. */
  readonly first: number | null;
  readonly log: readonly Heard[];
  readonly live: LiveNote;
  readonly upsideDown: boolean;
  readonly hidden: boolean;
  readonly onChoose: (course: number) => void;
}

/** All strings as wires, the string nearest the player's face on top unless turned round. */
export function Wires(props: Props) {
  const rows = props.upsideDown ? props.targets : [...props.targets].reverse();
  const perches = useMemo(
    () => perchesByCourse(props.log, props.targets),
    [props.log, props.targets],
  );
  const ringing = useRingingCourse(props.live);
  const open = ringing ?? props.state.active ?? props.first;
  return (
    <div>
      {rows.map((target) => (
        <WireRow
          key={target.course}
          {...props}
          target={target}
          active={target.course === open}
          ringing={target.course === ringing}
          perches={perches.get(target.course) ?? []}
        />
      ))}
    </div>
  );
}

interface RowProps extends Props {
  readonly target: Target;
  readonly perches: readonly Perch[];
  readonly active: boolean;
  readonly ringing: boolean;
}

function WireRow(props: RowProps) {
  const { target, state, perches, live, hidden, instrument, active, ringing } = props;
  const { course } = target;
  const peg = instrument.courses[course - 1]?.strings[0]?.peg;
  const last = perches.at(-1);
  const name = targetName(target);
  const standing =
    hidden || !last
      ? 'no figure'
      : `${signedCents(last.cents)} cents, ${deviationInWords(last.cents - last.aim, state.goal.tolerance)}`;
  return (
    <button
      type="button"
      className="wire"
      data-active={active}
      aria-pressed={state.chosen === course}
      aria-label={`String ${course}, ${name}: ${standing}`}
      onClick={(event) => {
        event.currentTarget.blur();
        props.onChoose(course);
      }}
    >
      <span>
        <span className="wire-note">{name}</span> <small>string {course}</small>
        <br />
        <small>
          {state.chosen === course ? (
            <span className="chosen">chosen by hand</span>
          ) : (
            `tighten: ${peg?.tighten ?? 'not known'}`
          )}
        </small>
      </span>
      <WireCanvas
        tall={active}
        tolerance={state.goal.tolerance}
        aim={last?.aim ?? 0}
        perches={perches}
        live={ringing ? () => live.strokeOf(course) : null}
        hidden={hidden}
        gauge={1 + 0.45 * (course - 1)}
        text={`${perches.length} plucks of string ${course}`}
      />
    </button>
  );
}

function perchesByCourse(log: readonly Heard[], targets: readonly Target[]): Map<number, Perch[]> {
  const all = new Map<number, Perch[]>();
  for (const { event, measurement, stored } of log) {
    if (event.type !== 'reading') continue;
    const { course, cents, errorCents, aim = 0 } = event.reading;
    const target = targets[course - 1];
    const stroke = target && measurement ? strokeOf(measurement.track, target.hz) : [];
    all.set(course, [
      ...(all.get(course) ?? []),
      { cents, error: errorCents, aim, stroke, stored },
    ]);
  }
  return all;
}

/** A stored track, in Hz, as a stroke, in cents from the target. */
function strokeOf(track: Float32Array, targetHz: Hz): Float32Array {
  return track.map((value, i) => (i % 2 === 0 ? value : centsBetween(targetHz, value)));
}
