import { median, nth } from '../maths/index.ts';
import type { Cents, Seconds } from '../units.ts';
import { type Draw, roomIn } from './creeping.ts';
import type { SettlingReading, StringHistory } from './history.ts';
import { outlookOf, type Wanted } from './outlook.ts';
import { decayAfter, waited } from './spectrum.ts';
import { isVouchedFor, watchedHold } from './watch.ts';

const MINUTE: Seconds = 60;
/** Watches that may be asked for, in minutes. */
const MINUTES = [2, 3, 5, 8, 10, 12, 15, 20, 25, 30, 40, 50, 60] as const;
/** The expected reading leaves at least so many of the draws: fewer tell no chance. */
const LEFT = 80;

/**
 * The shortest watch, from its last reading on, after which one more pluck would make the
 * lesson sure, if the string falls as expected: by the draws which that reading would leave,
 * and by the watch as it would be then. Null where no watch within the hour would.
 */
export function watchNeeded(
  draws: readonly Draw[],
  history: StringHistory,
  wanted: Wanted,
): Seconds | null {
  const last = history.events.at(-1);
  if (last?.kind !== 'reading') return null;
  const enough = MINUTES.find((minutes) =>
    isEnough(minutes * MINUTE, last, draws, history, wanted),
  );
  return enough === undefined ? null : enough * MINUTE;
}

function isEnough(
  wait: Seconds,
  last: SettlingReading,
  draws: readonly Draw[],
  { events, aside }: StringHistory,
  wanted: Wanted,
): boolean {
  const { material, tolerance, lesson } = wanted;
  const places = placesAfter(draws, wait);
  const expected = median(places);
  const read = {
    kind: 'reading',
    at: last.at + wait,
    // As the events have it: without what neck and room do to it.
    cents: expected - aside,
    errorCents: last.errorCents,
  } as const;
  const error = Math.hypot(last.errorCents, roomIn(wait, material));
  const left = leftBy(draws, places, expected, error);
  const { lesson: chance } = outlookOf(left, { wait, lifted: true }, wanted);
  return isVouchedFor(chance, watchedHold([...events, read], material, tolerance), lesson);
}

function placesAfter(draws: readonly Draw[], wait: Seconds): Cents[] {
  const decay = decayAfter(wait);
  return draws.map(({ rest, cents }) => cents - waited(rest.slice(), decay));
}

/** The draws that a reading at that place leaves. */
function leftBy(
  draws: readonly Draw[],
  places: readonly Cents[],
  at: Cents,
  error: Cents,
): readonly Draw[] {
  const off = (i: number) => Math.abs(nth(places, i) - at);
  const nearest = draws.map((_, i) => i).sort((a, b) => off(a) - off(b));
  return nearest.filter((i, rank) => rank < LEFT || off(i) <= error).map((i) => nth(draws, i));
}
