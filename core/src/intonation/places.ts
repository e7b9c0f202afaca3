import { errorsAt } from './explain.ts';
import {
  type FretPlace,
  type FretReading,
  fretsHeard,
  heardNearNut,
  heardOpen,
  type Pressure,
} from './map.ts';
import { LAST_FRET, type Neck } from './neck.ts';
import { partKey } from './part.ts';
import { type FretAsked, placeKey } from './sequence.ts';
import type { Judgement } from './verdict.ts';

/**
 * The first places of a check, after each open string once: frets spread over the strings tell more in fewer plucks
 * than the same frets on each, soft ones among them. The string, then the fret, s where it is held softly.
 */
const FIRST: Readonly<Record<number, string>> = {
  6: '3:11 6:1 5:12 4:1s 2:3 1:12 3:3 6:12 5:2 3:12s 4:12 1:4 2:7 3:6 5:8 6:9 1:10 3:1 2:12s 3:12 4:5 6:10 6:1s 1:1',
  4: '3:12 3:1s 2:8 1:7s 4:9 1:2 3:3 1:12 2:1 2:12s 4:12 3:5 2:6 3:10 3:12s 4:1 4:4 1:11',
};
/** The same where no order was worked out: places along the neck, taken by the strings in turn. */
const ALONG = [12, 1, 5, 3, 9, 2, 7, 4, 10, 12, 6, 11, 8, 1, 12, 3] as const;
/** By so many strings from one place to the next, so that each has its turn. */
const STRIDES = [2, 3, 5, 7] as const;
/** Every so many of them is held softly. */
const SOFT_EVERY = 6;
/** No check asks for more plucks than this. */
export const MOST_PLUCKS = 60;
/** Explanations that are told apart by the next place. */
const LEADING = 6;
const LEAST_SHARE = 0.01;
/** A fret that nobody heard yet, or a string not yet near the nut, is worth so much more. */
const UNHEARD = 0.12;
/** A place that was read already is worth less: the finger comes back the same. */
const AGAIN = 0.8;
const SOFT_FRETS = [1, 3, 7, 12] as const;

const OPEN: FretPlace = { kind: 'open' };

function placesFirst(neck: Neck): FretAsked[] {
  const courses = neck.strings.map(({ course }) => course);
  const text = FIRST[courses.length];
  const opens = courses.map((course) => ({ course, place: OPEN })).reverse();
  if (text)
    return [
      ...opens,
      ...text.split(' ').map((one) => {
        const [course, fret = ''] = one.split(':');
        const pressure: Pressure = fret.endsWith('s') ? 'soft' : 'normal';
        return { course: Number(course), place: frettedAt(Number.parseInt(fret, 10), pressure) };
      }),
    ];
  const stride = STRIDES.find((by) => courses.length % by !== 0) ?? 1;
  const along = ALONG.map((fret, i) => ({
    course: courses[(i * stride) % courses.length]!,
    place: frettedAt(fret, i % SOFT_EVERY === SOFT_EVERY - 1 ? 'soft' : 'normal'),
  }));
  return [...opens, ...along];
}

const frettedAt = (fret: number, pressure: Pressure) => ({
  kind: 'fret' as const,
  fret,
  pressure,
});

/**
 * The place that is sounded next: the first ones in their order, then the one at which the leading explanations
 * differ most against what each leaves open; null when the check is decided, or long enough.
 * @param skip true of a place that is left out
 */
export function nextPlace(
  neck: Neck,
  readings: readonly FretReading[],
  judgement: Judgement,
  skip: (asked: FretAsked) => boolean = () => false,
): FretAsked | null {
  const counted = readings.filter(({ struckOut }) => !struckOut);
  if (counted.length >= MOST_PLUCKS || isOver(neck, counted, judgement)) return null;
  const first = placesFirst(neck);
  const isRead = ({ course, place }: FretAsked) =>
    counted.some((r) => r.course === course && placeKey(r.place) === placeKey(place));
  // A string whose open note was left out is left out with its frets.
  const opened = heardOpen(counted);
  const counts = ({ course, place }: FretAsked) => place.kind === 'open' || opened.has(course);
  const waiting = first.find((asked) => !isRead(asked) && !skip(asked) && counts(asked));
  if (waiting && counted.length < MOST_FIRST * neck.strings.length) return waiting;
  const left = (asked: FretAsked) => skip(asked) || !counts(asked);
  return mostTelling(neck, counted, judgement, left) ?? waiting ?? null;
}

/** So many plucks a string are led by the list alone. */
const MOST_FIRST = 4;

/** Cleared, a check goes on as long as every note may yet be certified, up to so many plucks a string. */
const CERTIFYING = { plucks: 7.5, hope: 0.3 } as const;

function isOver(neck: Neck, readings: readonly FretReading[], { verdict }: Judgement): boolean {
  if (verdict.kind === 'begun' || verdict.kind === 'undecided') return false;
  if (verdict.kind !== 'nothing to order') return true;
  const many = readings.length >= CERTIFYING.plucks * neck.strings.length;
  return many || verdict.within < CERTIFYING.hope;
}

function mostTelling(
  neck: Neck,
  readings: readonly FretReading[],
  judgement: Judgement,
  skip: (asked: FretAsked) => boolean,
): FretAsked | null {
  const { draws, unknowns, explanations } = judgement;
  if (!explanations) return null;
  const groups = groupsOf(judgement);
  const cleared = judgement.verdict.kind === 'nothing to order';
  const noise = explanations.scatter ** 2 + LEAST_NOISE;
  const heard = fretsHeard(readings);
  const near = heardNearNut(readings);
  const found: { asked: FretAsked; worth: number }[] = [];
  for (const { course } of neck.strings)
    for (let fret = 1; fret <= LAST_FRET; fret++)
      for (const pressure of ['normal', 'soft'] as const) {
        if (pressure === 'soft' && !SOFT_FRETS.some((soft) => soft === fret)) continue;
        const asked = { course, place: frettedAt(fret, pressure) };
        if (skip(asked)) continue;
        const cents = errorsAt(unknowns, draws, { course, fret, pressure });
        const again = readings.some(
          (r) => r.course === course && placeKey(r.place) === placeKey(asked.place),
        );
        const tells = cleared ? beyond(cents, draws) : told(cents, groups, noise);
        const atNut = fret === 1 && pressure === 'normal' && !near.has(course) && !neck.capo;
        const first = heard.has(fret) && !atNut ? 0 : UNHEARD;
        const worth = tells * (again ? AGAIN : 1) + first;
        found.push({ asked, worth });
      }
  if (!cleared) found.push(...underCapo(neck, readings, judgement, { groups, noise }));
  const left = found.filter(({ asked }) => !skip(asked));
  return left.length === 0 ? null : left.reduce((a, b) => (b.worth > a.worth ? b : a)).asked;
}

/** Frets that are read under a capo. */
const CAPO_FRETS = [5, 9, 12] as const;
/** A capo must be put on and taken off: a place under it is worth so much of another one, and once it is on so much. */
const CAPO_WORTH = { off: 0.6, on: 1.2, late: 0.9 } as const;
/** From so many plucks a string on what was read has not decided it, and the capo is worth its trouble. */
const CAPO_LATE = 6;

/**
 * Places under a capo on fret 1: what they tell is how a fretted note stands against the string open behind the capo,
 * so that is read first.
 */
function underCapo(
  { strings, capo }: Neck,
  readings: readonly FretReading[],
  { draws, unknowns }: Judgement,
  { groups, noise }: { readonly groups: readonly (readonly number[])[]; readonly noise: number },
): { asked: FretAsked; worth: number }[] {
  if (capo) return [];
  const last = readings.at(-1)?.place;
  const late = readings.length >= CAPO_LATE * strings.length;
  const off = late ? CAPO_WORTH.late : CAPO_WORTH.off;
  const worthOf = last?.kind === 'fret' && last.capo ? Math.max(off, CAPO_WORTH.on) : off;
  return strings.flatMap(({ course }) => {
    const open = { course, place: { ...frettedAt(1, 'normal'), capo: true as const } };
    const isOpen = readings.some(
      (r) => r.course === course && placeKey(r.place) === placeKey(open.place),
    );
    return CAPO_FRETS.map((fret) => {
      const at = { course, pressure: 'normal', capo: true } as const;
      const behind = errorsAt(unknowns, draws, { ...at, fret: 1 });
      const cents = errorsAt(unknowns, draws, { ...at, fret }).map((c, i) => c - behind[i]!);
      const place = { ...frettedAt(fret, 'normal'), capo: true as const };
      const again = readings.some(
        (r) => r.course === course && placeKey(r.place) === placeKey(place),
      );
      const worth = told(cents, groups, noise) * worthOf * (again ? AGAIN : 1);
      // Two plucks for one reading, while the string behind the capo was not heard.
      return { asked: isOpen ? { course, place } : open, worth: isOpen ? worth : worth * HALF };
    });
  });
}

const HALF = 0.7;

const LEAST_NOISE = 0.1;

/** How likely a note is wrong after all. */
function beyond(cents: Float64Array, draws: Judgement['draws']): number {
  return draws.reduce((sum, { weight }, i) => sum + (Math.abs(cents[i]!) > NEAR ? weight : 0), 0);
}

/** A note this far off may be beyond the limit, in cents. */
const NEAR = 4.5;

/** Draws by the parts that are at fault on them, the likeliest first. */
function groupsOf({ draws }: Judgement): number[][] {
  const groups = new Map<string, number[]>();
  // As often as they were drawn, not as likely as they are: the innocent is cleared of each by a reading that would tell.
  for (const [i, { parts }] of draws.entries()) {
    const key = parts.map(partKey).sort().join();
    groups.set(key, [...(groups.get(key) ?? []), i]);
  }
  return [...groups.values()]
    .filter((group) => group.length >= LEAST_SHARE * draws.length)
    .sort((a, b) => b.length - a.length)
    .slice(0, LEADING);
}

/** How much a reading would tell of which group it is: half the logarithm of the whole spread over that within them. */
function told(cents: Float64Array, groups: readonly (readonly number[])[], noise: number): number {
  let count = 0;
  let sum = 0;
  let within = 0;
  const means: { mean: number; n: number }[] = [];
  for (const group of groups) {
    const n = group.length;
    const mean = group.reduce((all, i) => all + cents[i]!, 0) / n;
    within += group.reduce((all, i) => all + (cents[i]! - mean) ** 2, 0);
    means.push({ mean, n });
    count += n;
    sum += n * mean;
  }
  const middle = sum / count;
  const between = means.reduce((all, { mean, n }) => all + n * (mean - middle) ** 2, 0) / count;
  return 0.5 * Math.log(1 + between / (within / count + noise));
}
