import { TZDate } from '@date-fns/tz';
import { DAY_MS, type EpochMs } from '../units.ts';
import { FARTHEST, outlookOf } from './outlook.ts';
import type { Judged, SettlingGoal } from './verdict.ts';

/** A look that is due. */
export interface NextLook {
  readonly at: EpochMs;
  /** The string that is expected to be the first to leave the tolerance. */
  readonly course: number;
  /** At night nobody looks: by the morning it may have left. */
  readonly late: boolean;
}

/** Nobody looks before or after these hours of the day. */
const FROM_HOUR = 7;
const TO_HOUR = 21;
/** Looks stand on the clock's quarter hours. */
const QUARTER_MS = 15 * 60_000;
/** Looks of one day are no closer than this: sooner would be no look but the same session. */
const APART_MS = 2 * 3_600_000;
const MOST_A_DAY = 3;
const MOST_LOOKS = 12;

/** When the teacher is there, and what for. */
export interface LookDay {
  /** IANA time zone of the teacher. */
  readonly zone: string;
  /** The strings must hold from here: they are looked at before it. */
  readonly lessonAt: EpochMs | null;
}

/**
 * When to check again: first at the lower end of what the first string holds, or before
 * the lesson if that comes sooner; then, all brought to their notes each time, as long as they
 * are expected to hold; on whole quarter hours of the teacher's waking day, three times a day
 * at most, for a fortnight.
 */
export function looksAhead(
  strings: readonly Judged[],
  now: EpochMs,
  goal: SettlingGoal,
  { zone, lessonAt }: LookDay,
): NextLook[] {
  const looks: NextLook[] = [];
  let from = now;
  while (looks.length < MOST_LOOKS) {
    const first = firstToLeave(strings, now, from, goal);
    if (!first) break;
    const soonest = from + (looks.length === 0 ? QUARTER_MS : APART_MS);
    const due = Math.max(soonest, from + 1000 * first.holds);
    if (due > now + FARTHEST * 1000) break;
    const wanted = looks.length === 0 ? beforeLesson(due, now, lessonAt) : due;
    const at = awake(onQuarter(wanted, soonest), { looks, soonest, zone });
    looks.push({ at, course: first.course, late: at > from + 1000 * first.holds });
    from = at;
  }
  return looks;
}

/** A quarter hour is left for the look itself. */
function beforeLesson(due: EpochMs, now: EpochMs, lessonAt: EpochMs | null): EpochMs {
  if (lessonAt === null || lessonAt - QUARTER_MS <= now) return due;
  return Math.min(due, lessonAt - QUARTER_MS);
}

/** The quarter hour before, or the next one where that would be too soon. */
function onQuarter(due: EpochMs, soonest: EpochMs): EpochMs {
  const before = Math.floor(due / QUARTER_MS) * QUARTER_MS;
  return before >= soonest - QUARTER_MS ? before : before + QUARTER_MS;
}

/** What a look has to fit in with. */
interface Plan {
  readonly looks: readonly NextLook[];
  readonly soonest: EpochMs;
  readonly zone: string;
}

/** The moment itself if it is in waking hours and its day has room for one more look; else the evening before, if it can be, or the next morning. */
function awake(at: EpochMs, { looks, soonest, zone }: Plan): EpochMs {
  // Days are those of the calendar, so that a day of 23 or 25 hours ends when it ends.
  const dayOf = (time: EpochMs) => new TZDate(time, zone).toDateString();
  const hasRoom = (time: EpochMs) =>
    looks.filter((look) => dayOf(look.at) === dayOf(time)).length < MOST_A_DAY;
  const clock = (time: EpochMs, hour: number) => new TZDate(time, zone).setHours(hour, 0, 0, 0);
  const hour = new TZDate(at, zone).getHours();
  const early = hour < FROM_HOUR;
  const evening = clock(early ? at - DAY_MS : at, TO_HOUR);
  if (!early && at <= evening && hasRoom(at)) return at;
  if ((early || at > evening) && evening >= soonest && hasRoom(evening)) return evening;
  return clock(early ? at : at + DAY_MS, FROM_HOUR);
}

/** True while nobody looks at instruments. */
export function isNight(at: EpochMs, zone: string): boolean {
  const hour = new TZDate(at, zone).getHours();
  return hour < FROM_HOUR || hour >= TO_HOUR;
}

/** The string that leaves first after a look, and how long it holds. */
function firstToLeave(
  strings: readonly Judged[],
  now: EpochMs,
  from: EpochMs,
  goal: SettlingGoal,
): { course: number; holds: number } | null {
  let first: { course: number; holds: number } | null = null;
  for (const { draws, settling } of strings) {
    const { history, stands } = settling;
    if (!history.last) continue;
    const wait = (from - history.last.really) / 1000;
    // The first look errs on the safe side; the later ones are planned anew by then.
    const holds =
      from === now && stands
        ? stands.hold.low
        : outlookOf(
            draws,
            { wait, lifted: true },
            {
              ...goal,
              aim: goal.high ?? 0,
              material: history.material,
            },
          ).hold.expected;
    if (!first || holds < first.holds) first = { course: history.course, holds };
  }
  return first;
}
