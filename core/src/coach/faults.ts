import { currentPass, stringOf } from '../sitting/index.ts';
import type { Fault, Rule } from './facts.ts';
import { type CoachView, type HeardPluck, rowOf, type Visit } from './heard.ts';
import { ofRefused, RULES } from './rules.ts';

/**
 * What these say does not bring a string nearer to its note: said at one pluck they let go at the
 * next, so that what is to be done is said too.
 */
const LETS_GO: ReadonlySet<Rule> = new Set([
  'floppy or tight',
  'unheard turn',
  'slips back',
  'does not move',
  'to and fro',
  'too fast',
  'clipped',
  'hard pluck',
  'too faint',
]);

/** These ask for a pitch below the note: then a string that lies further down was not turned the wrong way. */
const ASKS_BELOW: ReadonlySet<Rule> = new Set(['slips back', 'sticks at the nut', 'to and fro']);

/** What the last pluck shows, the most useful first; null when it is no mistake. */
export function faultOf(heard: readonly HeardPluck[], view: CoachView): Fault | null {
  const last = heard.at(-1);
  if (!last) return null;
  if (!last.reading) return ofRefused(heard, view);
  const inPass = stringOf(currentPass(view.state), last.reading.course)?.readings.length ?? 0;
  return spoken(heard, view, inPass);
}

/** @param inPass readings of the string in this pass, up to the last pluck */
function spoken(heard: readonly HeardPluck[], view: CoachView, inPass: number): Fault | null {
  const last = heard.at(-1);
  const visit = last && visitOf(heard, last, view, inPass);
  if (!visit) return null;
  for (const detect of RULES) {
    const fault = detect(visit);
    if (!fault) continue;
    const before = visit.row.length > 1 ? spoken(heard.slice(0, -1), view, inPass - 1) : null;
    return before && isAnswered(fault, before) ? null : fault;
  }
  return null;
}

function isAnswered(fault: Fault, before: Fault): boolean {
  if (fault.rule === 'wrong way') return fault.side === 'low' && ASKS_BELOW.has(before.rule);
  return LETS_GO.has(fault.rule) && before.rule === fault.rule;
}

function visitOf(
  heard: readonly HeardPluck[],
  last: HeardPluck,
  view: CoachView,
  inPass: number,
): Visit | null {
  const { reading } = last;
  const string = view.strings.find((s) => s.target.course === reading?.course);
  if (!reading || !string) return null;
  // A new pass begins a new row.
  const row = inPass === 0 ? [] : rowOf(heard, reading.course).slice(-inPass);
  const earlier = row.at(-2) ?? null;
  const before = earlier ? (heard.at(-2) ?? null) : null;
  return { heard, last, reading, row, earlier, before, string, view };
}
