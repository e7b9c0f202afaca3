import { DAY_MS, type EpochMs } from '../units.ts';

/** Not read for so long an instrument rests: nobody waits for it. Common practice, no source. */
const RESTS_AFTER_DAYS = 60;

/** Whether an instrument wants to be looked at. */
export type Need =
  | {
      readonly kind: 'now';
      readonly because: 'new strings' | 'left off' | 'drift';
      readonly since: EpochMs;
    }
  | { readonly kind: 'probably right'; readonly until: EpochMs | null }
  | { readonly kind: 'resting'; readonly since: EpochMs | null };

export interface NeedFacts {
  readonly now: EpochMs;
  /** When it was read last; null for never. */
  readonly lastAt: EpochMs | null;
  /** When its new strings are to be looked at; null where none are watched. */
  readonly look: EpochMs | null;
  /** A string was left further off than a lesson allows. */
  readonly leftOff: boolean;
  /** Days after it was left on which a string is out with 30 % probability; null for half a year and more. */
  readonly dueDays: number | null;
}

/** What an instrument needs, by its own drift. New strings come before everything else. */
export function needOf({ now, lastAt, look, leftOff, dueDays }: NeedFacts): Need {
  if (look !== null && look <= now) return { kind: 'now', because: 'new strings', since: look };
  if (lastAt === null) return { kind: 'resting', since: null };
  if (now - lastAt > RESTS_AFTER_DAYS * DAY_MS) return { kind: 'resting', since: lastAt };
  if (leftOff) return { kind: 'now', because: 'left off', since: lastAt };
  const due = dueDays === null ? null : lastAt + dueDays * DAY_MS;
  if (due !== null && due <= now) return { kind: 'now', because: 'drift', since: due };
  const until = look !== null && (due === null || look < due) ? look : due;
  return { kind: 'probably right', until };
}

const ORDER: Readonly<Record<Need['kind'], number>> = { now: 0, 'probably right': 1, resting: 2 };

/** Those that wait longest first, those that rest last. */
export function byNeed(a: Need, b: Need): number {
  const at = (need: Need) => (need.kind === 'probably right' ? need.until : need.since) ?? Infinity;
  return ORDER[a.kind] - ORDER[b.kind] || at(a) - at(b) || 0;
}
