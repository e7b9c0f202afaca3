import { between, type Random } from '@rosefinch/core/maths';
import type { Cents, Seconds } from '@rosefinch/core/units';

/** One ring of a string while a hand is on its peg. */
export interface TurnedRing {
  /** Cents from where the string stood, by seconds since the pluck. */
  readonly moved: (t: Seconds) => Cents;
  /** When the first movement begins and the last one ends; equal where nothing is turned. */
  readonly from: Seconds;
  readonly to: Seconds;
  /** When the note ends: a finger comes back to the string. */
  readonly until: Seconds;
}

interface Move {
  readonly from: Seconds;
  readonly lasts: Seconds;
  readonly cents: Cents;
}

/** A hand starts and stops a peg softly: the share of a movement that is done. */
const eased = (share: number) => 0.5 - 0.5 * Math.cos(Math.PI * Math.min(1, Math.max(0, share)));

function ringOf(moves: readonly Move[], until: Seconds): TurnedRing {
  const last = moves.at(-1);
  return {
    moved: (t) =>
      moves.reduce((sum, { from, lasts, cents }) => sum + cents * eased((t - from) / lasts), 0),
    from: moves[0]?.from ?? 0,
    to: last ? last.from + last.lasts : 0,
    until,
  };
}

/** A single movement at 30 to 600 cents a second. */
function move(random: Random, from: Seconds, cents: Cents): Move {
  const pace = 30 * 20 ** random();
  return { from, lasts: Math.max(0.06, Math.abs(cents) / pace), cents };
}

/** Up or down by 4 to 150 cents, small turns as often as large ones. */
function distance(random: Random): Cents {
  return (random() < 0.75 ? 1 : -1) * 4 * 37.5 ** random();
}

/** The movements of one ring: one, several with pauses, or past the note and back. */
function movements(random: Random): Move[] {
  const first = move(random, between(random, 0.12, 1), distance(random));
  const kind = random();
  const end = ({ from, lasts }: Move) => from + lasts;
  if (kind < 0.5) return [first];
  if (kind < 0.75) {
    const back = move(
      random,
      end(first) + between(random, 0.05, 0.35),
      -first.cents * between(random, 0.1, 0.4),
    );
    return [first, back];
  }
  const second = move(random, end(first) + between(random, 0.1, 0.6), distance(random) / 3);
  if (kind < 0.9) return [first, second];
  return [
    first,
    second,
    move(random, end(second) + between(random, 0.1, 0.4), distance(random) / 4),
  ];
}

/** Turned while it rings, then left alone for at least 0.28 s. */
export function turnedThenStill(random: Random): TurnedRing {
  const moves = movements(random);
  const last = moves.at(-1)!;
  return ringOf(moves, last.from + last.lasts + 0.28 + 1.2 * random());
}

/** Turned until the note ends. */
export function turnedToTheEnd(random: Random): TurnedRing {
  const moves = movements(random);
  const last = moves.at(-1)!;
  const cut = last.from + last.lasts * between(random, 0.4, 0.9);
  return { ...ringOf(moves, Math.max(0.5, cut)), to: cut };
}

/** Left alone. */
export function notTurned(random: Random): TurnedRing {
  return ringOf([], between(random, 0.5, 3.5));
}
