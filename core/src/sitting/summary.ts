import type { Instrument } from '../strings/index.ts';
import type { Cents } from '../units.ts';
import { withAttributions } from './attributed.ts';
import type { StringReading } from './events.ts';
import { inTuneReadings } from './replay.ts';
import type { LogEntry, Session, StringSummary, Summary } from './session.ts';

/** Goes up when a summary says something else than before; those of another form are made anew. */
export const SUMMARY_FORM = 3;

/** A session before its first event: every string of the instrument, course 1 first. */
export function emptySummary(
  { id, instrumentId, startedAt, tolerance }: Session,
  courses: Instrument['courses'],
): Summary {
  const strings = courses.flatMap(({ number, strings: members }) =>
    members.map((_, i): StringSummary => untouched(number, i + 1)),
  );
  return {
    id,
    instrumentId,
    startedAt,
    form: SUMMARY_FORM,
    tolerance,
    strings,
    passes: 1,
    passBegun: false,
    plucks: 0,
    events: 0,
    upTo: 0,
  };
}

function untouched(course: number, member: number): StringSummary {
  return {
    course,
    member,
    found: null,
    foundError: null,
    left: null,
    leftError: null,
    leftHz: null,
    inTune: null,
    leftAt: null,
    plucks: 0,
  };
}

/**
 * A session's summary after the next event of its log. One that puts a pluck to another string
 * changes what came before: then it is summed up anew.
 */
export function summaryAfter(before: Summary, { event, number }: LogEntry): Summary {
  const next = { ...before, events: before.events + 1, upTo: Math.max(before.upTo, number) };
  if (event.type === 'next pass')
    return before.passBegun ? { ...next, passes: before.passes + 1, passBegun: false } : next;
  if (event.type !== 'reading') return next;
  const { reading, at } = event;
  const strings = before.strings.map((string) =>
    isOf(string, reading)
      ? {
          ...string,
          found: string.found ?? reading.cents,
          foundError: string.foundError ?? reading.errorCents,
          left: reading.cents,
          leftError: reading.errorCents,
          leftHz: reading.hz,
          inTune: isInTune(reading, string, before.tolerance ?? 0),
          ...(reading.aim !== undefined && { leftAim: reading.aim }),
          leftAt: at,
          plucks: string.plucks + 1,
        }
      : string,
  );
  // A reading of a string that the instrument does not have (it was changed since) counts nowhere.
  if (!before.strings.some((string) => isOf(string, reading))) return next;
  return { ...next, strings, passBegun: true, plucks: before.plucks + 1 };
}

/** Whether a reading is in tune, by what was read of the string before. */
function isInTune(reading: StringReading, before: StringSummary, tolerance: Cents): boolean {
  const { left, leftError, leftAim: aim, leftHz } = before;
  const earlier =
    left === null || leftError === null || leftHz === null || !before.inTune
      ? undefined
      : {
          course: reading.course,
          cents: left,
          errorCents: leftError,
          moving: false,
          hz: leftHz,
          ...(aim !== undefined && { aim }),
        };
  return inTuneReadings([reading], tolerance, earlier)[0] ?? false;
}

function isOf(string: StringSummary, { course, member = 1 }: StringReading): boolean {
  return string.course === course && string.member === member;
}

/** The same from a whole log, in its order. */
export function summarise(
  session: Session,
  log: readonly LogEntry[],
  courses: Instrument['courses'],
): Summary {
  return withAttributions(log).reduce(summaryAfter, emptySummary(session, courses));
}

/** The string that moved furthest from found to left; null if none was read twice. */
export function movedMost({ strings }: Summary): (StringSummary & { cents: Cents }) | null {
  const moves = strings.flatMap((s) =>
    s.plucks > 1 && s.found !== null && s.left !== null ? { ...s, cents: s.left - s.found } : [],
  );
  moves.sort((a, b) => Math.abs(b.cents) - Math.abs(a.cents));
  return moves[0] ?? null;
}

/** A log in its order: by number, and where two machines gave the same one, by machine. */
export function inOrder(log: readonly LogEntry[]): LogEntry[] {
  return [...log].sort(
    (a, b) => a.number - b.number || (a.machine < b.machine ? -1 : a.machine > b.machine ? 1 : 0),
  );
}
