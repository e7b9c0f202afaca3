import {
  afterPluck,
  type Beliefs,
  type Pluck,
  type Setup,
  sharesOf,
  startBeliefs,
} from '../attribution/index.ts';
import type { Presence } from '../listen/index.ts';
import type { Hz } from '../units.ts';
import type { BenchEvent, PluckFacts } from './events.ts';
import { isRepeated, withOwn } from './ours.ts';

/** An earlier pluck is put to another string from this probability on. */
const CORRECTED_FROM = 0.85;
/** Nothing older than so many plucks is put to another string: nobody would remember it. */
const CORRECTED_BACK = 30;

/** A pluck of the log, with the string that it is put to. */
interface FollowedPluck {
  readonly hz: Hz;
  readonly course: number | null;
  /** The player chose that string or named it: no evidence changes it. */
  readonly firm: boolean;
}

/** What a log tells of all strings together. */
export interface Followed {
  readonly beliefs: Beliefs;
  readonly plucks: readonly FollowedPluck[];
  /** How near this instrument was plucked of late. */
  readonly own: readonly Presence[];
  /** Pitches that were taken for another instrument's since this one was heard last. */
  readonly leftOut: readonly Hz[];
}

/** A pluck that was put to another string, or to none yet, and to which it belongs. */
export interface Correction {
  readonly hz: Hz;
  readonly from: number | null;
  readonly to: number;
}

/** A pluck as the beliefs take it. */
export function pluckOf(hz: Hz, { chosen = null, asked = null, ...facts }: Facts): Pluck {
  return { hz, ...facts, chosen, asked };
}

type Facts = Omit<PluckFacts, 'chosen' | 'asked'> & {
  readonly chosen?: number | null;
  readonly asked?: number | null;
};

/** What a whole log tells. Pure: the same log always tells the same. */
export function follow(setup: Setup, log: readonly BenchEvent[]): Followed {
  const named = namedIn(log);
  return log.reduce((so, event) => after(so, event, named), {
    beliefs: startBeliefs(setup),
    plucks: [],
    own: [],
    leftOut: [],
  } as Followed);
}

/** What the teacher said of plucks, by their pitch. */
function namedIn(log: readonly BenchEvent[]): ReadonlyMap<Hz, number> {
  return new Map(
    log.flatMap((event) =>
      event.type === 'attributed' && event.by === 'teacher'
        ? [[event.hz, event.course] as const]
        : [],
    ),
  );
}

function after(so: Followed, event: BenchEvent, named: ReadonlyMap<Hz, number>): Followed {
  switch (event.type) {
    case 'reading': {
      const { hz, course } = event.reading;
      // Of a strum, and of logs that tell no more, it is known which string it was.
      const facts = event.pluck ?? { chosen: course };
      const firm = facts.chosen === course || named.has(hz);
      const known = facts.sameNote ? { named: course } : {};
      const pluck = pluckOf(hz, { ...facts, ...known, ...nameOf(hz, named) });
      const insisted = isRepeated(hz, so.leftOut);
      return heard(learnOwn(so, facts, insisted), pluck, { hz, course, firm });
    }
    case 'unattributed': {
      const { hz } = event.pitch;
      const { others } = event.pluck;
      // What another instrument played tells nothing of this one, unless the teacher says that it was this.
      if (others && !named.has(hz)) return { ...so, leftOut: [...so.leftOut, hz] };
      const own = learnOwn(so, named.has(hz) ? event.pluck : {}, others ?? false);
      const pluck = pluckOf(hz, { ...event.pluck, ...nameOf(hz, named) });
      const course = named.get(hz) ?? null;
      return heard(own, pluck, { hz, course, firm: named.has(hz) });
    }
    case 'attributed':
      return {
        ...so,
        plucks: so.plucks.map((pluck) =>
          pluck.hz === event.hz ? { ...pluck, course: event.course } : pluck,
        ),
      };
    default:
      return so;
  }
}

function nameOf(hz: Hz, named: ReadonlyMap<Hz, number>) {
  const course = named.get(hz);
  return course === undefined ? {} : { named: course };
}

function heard(so: Followed, pluck: Pluck, one: FollowedPluck): Followed {
  const plucks = [...so.plucks, one];
  return { ...so, beliefs: afterPluck(so.beliefs, pluck), plucks, leftOut: [] };
}

function learnOwn(so: Followed, { presence }: PluckFacts, vouchedFor: boolean): Followed {
  return presence ? { ...so, own: withOwn(so.own, presence, vouchedFor) } : so;
}

/**
 * Earlier plucks that by now are known to be of another string than they were put to, once
 * `beliefs` know of the newest pluck too, which is not among `plucks` yet.
 */
export function correctionsOf(beliefs: Beliefs, plucks: readonly FollowedPluck[]): Correction[] {
  return plucks.slice(-CORRECTED_BACK).flatMap(({ hz, course, firm }, i, late) => {
    if (firm) return [];
    const [best] = sharesOf(beliefs, late.length - i);
    if (best?.part.node !== 1 || best.part.course === 0) return [];
    const { part, probability } = best;
    return probability >= CORRECTED_FROM && part.course !== course
      ? [{ hz, from: course, to: part.course }]
      : [];
  });
}

/** Keeps what a growing log tells, so that each new event costs no more than itself. */
export class BeliefKeeper {
  private log: readonly BenchEvent[] = [];
  private followed: Followed;

  constructor(private readonly setup: Setup) {
    this.followed = follow(setup, []);
  }

  of(log: readonly BenchEvent[]): Followed {
    const { length } = this.log;
    const more = log.slice(length);
    const named = more.some((event) => event.type === 'attributed' && event.by === 'teacher');
    const goesOn =
      !named && length <= log.length && this.log.every((event, i) => same(event, log[i]!));
    this.followed = goesOn
      ? more.reduce((so, event) => after(so, event, namedIn(log)), this.followed)
      : follow(this.setup, log);
    this.log = log;
    return this.followed;
  }
}

function same(a: BenchEvent, b: BenchEvent): boolean {
  return a === b || (a.type === b.type && JSON.stringify(a) === JSON.stringify(b));
}
