import { currentPass, stringOf } from '../sitting/index.ts';
import type { Fault } from './facts.ts';
import { type CoachView, type HeardPluck, rowOf, type Visit } from './heard.ts';
import { ofRefused, RULES } from './rules.ts';

/** What the last pluck shows, the most useful first; null when it is no mistake. */
export function faultOf(heard: readonly HeardPluck[], view: CoachView): Fault | null {
  const last = heard.at(-1);
  if (!last) return null;
  if (!last.reading) return ofRefused(heard, view);
  const visit = visitOf(heard, last, view);
  if (!visit) return null;
  for (const detect of RULES) {
    const fault = detect(visit);
    if (fault) return fault;
  }
  return null;
}

function visitOf(heard: readonly HeardPluck[], last: HeardPluck, view: CoachView): Visit | null {
  const { reading } = last;
  const string = view.strings.find((s) => s.target.course === reading?.course);
  if (!reading || !string) return null;
  // A new pass begins a new row.
  const inPass = stringOf(currentPass(view.state), reading.course)?.readings.length ?? 0;
  const row = inPass === 0 ? [] : rowOf(heard, reading.course).slice(-inPass);
  const earlier = row.at(-2) ?? null;
  const before = earlier ? (heard.at(-2) ?? null) : null;
  return { heard, last, reading, row, earlier, before, string, view };
}
