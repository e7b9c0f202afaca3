import { currentPass, stringOf } from './bench.ts';
import { type CoachView, type Fault, type HeardPluck, rowOf, type Visit } from './heard.ts';
import { ofRefused, ownA4, RULES } from './rules.ts';

/** What the last pluck shows, the most useful first; null when it is no mistake. */
export function faultOf(heard: readonly HeardPluck[], view: CoachView): Fault | null {
  const last = heard.at(-1);
  if (!last) return null;
  if (!last.reading) return ofRefused(heard, view);
  const { reading } = last;
  const string = view.strings.find((s) => s.target.course === reading.course);
  if (!string) return null;
  // A new pass begins a new row.
  const inPass = stringOf(currentPass(view.state), reading.course)?.readings.length ?? 0;
  const row = inPass === 0 ? [] : rowOf(heard, reading.course).slice(-inPass);
  const before = row.length > 1 ? (heard.at(-2) ?? null) : null;
  const visit: Visit = { heard, last, reading, row, before, string, view };
  for (const [rule, detect] of RULES) {
    const advice = detect(visit);
    if (advice) {
      const a4 = rule === 'in tune with itself' ? ownA4(view) : null;
      return { rule, advice, ...(a4 !== null && { a4 }) };
    }
  }
  return null;
}
