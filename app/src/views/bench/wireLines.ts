import { type BenchTalk, windingRound } from '@rosefinch/core/dialogue';
import { list, type Message, message, signed, type Value } from '@rosefinch/core/message';
import type { Target } from '@rosefinch/core/music';
import { centsBetween } from '@rosefinch/core/music';
import { deviationInWords } from '@rosefinch/core/sentences';
import type { LedgerRow } from '@rosefinch/core/sitting';
import type { Cents, Hz } from '@rosefinch/core/units';
import type { Heard } from '../../parts/listening/index.ts';
import type { Perch } from '../../parts/wires/index.ts';

/** How thick a string’s wire is drawn, in pixels; no thicker than an eighth one. */
export function gaugeOf(course: number): number {
  return 1 + 0.45 * (Math.min(8, course) - 1);
}

/** Every pluck of each string as a perch, the oldest first. */
export function perchesByCourse(
  log: readonly Heard[],
  targets: readonly Target[],
): ReadonlyMap<number, readonly Perch[]> {
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

const STANDING = {
  unread: 'unread',
  low: 'low',
  high: 'high',
  'at rest': 'inTune',
  done: 'done',
  'left alone': 'untouched',
} as const satisfies Readonly<Record<LedgerRow['standing'], string>>;

function standingInWords(standing: LedgerRow['standing']): Message {
  return message('bench.lineStanding', { standing: STANDING[standing] });
}

/** What the right end of a wire says: found first, now, and how it stands. */
export function endOf(row: LedgerRow, hidden: boolean) {
  const pass = row.passes.at(-1);
  const first = row.passes.find(({ found }) => found !== null)?.found ?? null;
  const left = pass?.left ?? null;
  if (hidden)
    return {
      word: row.standing === 'unread' ? standingInWords('unread') : message('bench.lineRead'),
    };
  return {
    word: standingInWords(row.standing),
    ...(first !== null && { from: signed(first) }),
    ...(left !== null && { to: signed(left) }),
  };
}

/** What the conversation adds to the lines of the strings. */
type Shown = Pick<BenchTalk, 'led' | 'notice'>;

/** … while strings are wound up from slack where each is of that; of one that a strum did not tell that it is to be plucked. */
export function lineEnd(row: LedgerRow, { led, notice }: Shown, hidden: boolean) {
  const { course } = row;
  const round = windingRound(led);
  if (round && !round.inSession) {
    const word = round.up.includes(course)
      ? message('bench.lineNear')
      : round.left.includes(course)
        ? message('bench.lineLeft')
        : message('bench.lineToCome');
    return { word };
  }
  if (notice?.kind === 'strum' && notice.alone.includes(course))
    return { word: message('bench.linePluckAlone') };
  return endOf(row, hidden);
}

/** The same for those who do not see it, with the newest pluck first. */
export function lineInWords(
  row: LedgerRow,
  newest: { readonly cents: Cents; readonly aim: Cents } | undefined,
  tolerance: Cents,
): Value {
  if (!newest) return message('bench.noFigure');
  const { from } = endOf(row, false);
  const place = deviationInWords(newest.cents - newest.aim, tolerance);
  return list([
    from === undefined
      ? message('bench.lineCents', { cents: signed(newest.cents), place })
      : message('bench.lineCentsFound', { cents: signed(newest.cents), place, found: from }),
    row.standing === 'unread' ? message('bench.unreadInPass') : standingInWords(row.standing),
  ]);
}
