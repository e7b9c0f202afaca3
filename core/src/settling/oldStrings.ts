import { median, nth } from '../maths/index.ts';
import type { Cents, EpochMs } from '../units.ts';
import type { Taken } from './steps.ts';

/** A string that was left alone is moved by the room alone, once it has settled. */
const BY_ITSELF: ReadonlySet<Taken['step']> = new Set(['waited', 'again', 'room']);

interface Place {
  readonly at: EpochMs;
  readonly moved: Cents;
}

/**
 * Takes off what the room did to the new strings, as strings that are not new tell it. Without
 * such a string nothing is taken off: what all new ones do alike may be creep.
 */
export function withRoom(
  taken: ReadonlyMap<number, readonly Taken[]>,
  isNew: (course: number) => boolean,
): Map<number, readonly Taken[]> {
  const paths = [...taken].flatMap(([course, looks]) => {
    const path = isNew(course) ? [] : pathOf(looks);
    return path.length > 1 ? [path] : [];
  });
  if (paths.length === 0) return new Map(taken);
  const room = (at: EpochMs) => median(paths.map((path) => placeAt(path, at)));
  return new Map(
    [...taken].map(([course, looks]) => [
      course,
      isNew(course) ? looks.map((look) => ({ ...look, room: room(look.really) })) : looks,
    ]),
  );
}

function pathOf(looks: readonly Taken[]): Place[] {
  const counted = looks.filter(({ step }) => step !== 'left out');
  let moved = 0;
  return counted.map((look, i) => {
    if (i > 0 && BY_ITSELF.has(look.step)) moved += look.cents - nth(counted, i - 1).cents;
    return { at: look.really, moved };
  });
}

/** Between two readings of an old string the room is taken to have gone straight. */
function placeAt(path: readonly Place[], at: EpochMs): Cents {
  const after = path.findIndex((place) => place.at >= at);
  if (after < 0) return nth(path, path.length - 1).moved;
  if (after === 0) return nth(path, 0).moved;
  const [from, to] = [nth(path, after - 1), nth(path, after)];
  return from.moved + ((to.moved - from.moved) * (at - from.at)) / (to.at - from.at);
}
