import { writeCalendar } from '@rosefinch/core/formats';
import { DAY_MS } from '@rosefinch/core/units';
import type { Words } from '@rosefinch/words';
import { csvText, type Listed, rounded } from '../../data/index.ts';
import { dayHere } from '../../environment.ts';
import type { Judged } from '../../parts/drift/index.ts';

/** In the morning, in hours of this machine's clock. */
const MORNING = 8;
const MINUTES_EACH = 3;

/** Every string of every session, a row each. Times in UTC, as ISO 8601. */
export function sittingsCsv(listed: readonly Listed[], names: ReadonlyMap<string, string>): string {
  const columns = [
    'instrument',
    'started_utc',
    'tuning',
    'source',
    'string',
    'found_cents',
    'left_cents',
    'plucks',
    'passes',
  ] as const;
  const cents = (value: number | null) => (value === null ? null : rounded(value, 2));
  const rows = listed.flatMap(({ session, summary }) =>
    summary.strings.map(({ course, found, left, plucks }) => ({
      instrument: names.get(session.instrumentId) ?? session.instrumentId,
      started_utc: new Date(session.startedAt).toISOString(),
      tuning: session.tuningId,
      source: session.source,
      string: course,
      found_cents: cents(found),
      left_cents: cents(left),
      plucks,
      passes: summary.passes,
    })),
  );
  return csvText(columns, rows);
}

/** What every span between two sessions did, a row for each string. */
export function driftCsv(judged: readonly Judged[]): string {
  const columns = [
    'instrument',
    'from_utc',
    'to_utc',
    'all_alike_cents',
    'all_alike_error_cents',
    'hands_probability',
    'string',
    'alone_cents',
    'slips_probability',
  ] as const;
  const rows = judged.flatMap(({ instrument, told }) =>
    (told?.drift.spans ?? []).flatMap(({ from, to, common, commonError, handled, own }) =>
      own.map((cents, i) => ({
        instrument: instrument.name,
        from_utc: new Date(from).toISOString(),
        to_utc: new Date(to).toISOString(),
        all_alike_cents: rounded(common, 2),
        all_alike_error_cents: rounded(commonError, 2),
        hands_probability: rounded(handled, 3),
        string: i + 1,
        alone_cents: cents === null ? null : rounded(cents, 2),
        slips_probability: rounded(told?.drift.strings[i]?.habits.slips ?? 0, 3),
      })),
    ),
  );
  return csvText(columns, rows);
}

/** When instruments are due, an entry a day at most for all that is due on it; what is due already stands on today or tomorrow. */
export function dueCalendar(judged: readonly Judged[], now: number, t: Words): string {
  const byDay = new Map<number, string[]>();
  for (const { instrument, need } of judged) {
    const due = need.kind === 'now' ? now : need.kind === 'probably right' ? need.until : null;
    if (due === null) continue;
    const morning = morningOf(Math.max(due, now), now);
    byDay.set(morning, [...(byDay.get(morning) ?? []), instrument.name]);
  }
  const days = [...byDay].sort(([a], [b]) => a - b);
  return writeCalendar(
    days.map(([at, names]) => ({
      id: `due-${dayHere(at)}`,
      at,
      minutes: MINUTES_EACH * names.length,
      title:
        names.length === 1
          ? t('log.lookAtValue', { value: names[0] ?? '' })
          : t('log.lookAtLengthInstruments', { length: names.length }),
      text: names.join(', '),
    })),
  );
}

/** That morning, or the next one where it is over. */
function morningOf(at: number, now: number): number {
  const morning = new Date(at).setHours(MORNING, 0, 0, 0);
  return morning > now ? morning : new Date(morning + DAY_MS).setHours(MORNING, 0, 0, 0);
}
