import type { Message, MessageId, Text, Value } from '@rosefinch/core/message';
import { sentencesOf } from '@rosefinch/core/message';

/** What a sentence of the bench asks of two hands, for players who do literally what is said. */
export type Asked =
  | { readonly do: 'turn'; readonly way: 'tighten' | 'loosen'; readonly turns: number }
  | { readonly do: 'pluck'; readonly course: number | null }
  | {
      readonly do: 'next pass' | 'go on' | 'turn back' | 'press' | 'below' | 'name' | 'again';
    }
  | { readonly do: 'over' };

/** A hand that turns as little as it can, in turns of the button: common practice, no source. */
export const LEAST = 2 / 360;

/** A sixteenth of a turn, and what “nearly” or “a little over” adds to eighths, in turns of the button. */
const SIXTEENTH = 1 / 16;
const NOT_QUITE = 0.3 / 8;

/**
 * The size of a turn that a sentence names, in turns of the button; the least that a hand can do where it names none.
 * @example turnsOf(message('common.turnDegrees', { degrees: 18 })) // => 0.05
 */
export function turnsOf(size: Value | null | undefined): number {
  if (!isMessage(size)) return LEAST;
  const { id, args = {} } = size;
  switch (id) {
    case 'common.turnGuessed':
    case 'common.turnAndMore':
      return turnsOf(args.size);
    case 'common.turn':
      return turnsOf(args.size) + { nearly: -NOT_QUITE, exactly: 0, over: NOT_QUITE }[about(args)];
    case 'common.turnDegrees':
      return Number(args.degrees) / 360;
    case 'common.turnSixteenth':
      return SIXTEENTH;
    case 'common.turnEighths':
      return Number(args.eighths) / 8;
    case 'common.turnWhole':
      return Number(args.whole) + Number(args.part) / 8;
    default:
      return LEAST;
  }
}

const about = ({ about }: Args) => String(about) as 'nearly' | 'exactly' | 'over';

type Args = NonNullable<Message['args']>;

/** By the side that a string is on. */
const byTurning = ({ side, turn }: Args): Asked => ({
  do: 'turn',
  way: side === 'low' ? 'tighten' : 'loosen',
  turns: turnsOf(turn),
});
const loosening = ({ turn }: Args): Asked => ({
  do: 'turn',
  way: 'loosen',
  turns: turnsOf(turn),
});

/** What each message asks for; one that is not among them, a pluck of the string in hand. */
const ASKS: Partial<Record<MessageId, (args: Args, more: Text | null) => Asked>> = {
  'bench.inTune': () => ({ do: 'over' }),
  'bench.goOn': ({ next }) => ({ do: 'pluck', course: courseOf(next) }),
  'bench.pluck': ({ string }) => ({ do: 'pluck', course: courseOf(string) }),
  'bench.whichString': () => ({ do: 'name' }),
  'bench.roundAgain': () => ({ do: 'next pass' }),
  'bench.turn': byTurning,
  'bench.turnBold': byTurning,
  'bench.farOff': byTurning,
  'bench.tooFar': (_, more) => {
    const back = sentencesOf(more).find(({ id }) => id === 'bench.tooFar.more');
    return { do: 'turn', way: 'loosen', turns: turnsOf(back?.args?.turn) + LEAST };
  },
  'advice.semitoneOff': byTurning,
  'advice.toAndFro': loosening,
  'advice.toAndFroNoTurn': loosening,
  'advice.noArrival': () => ({ do: 'go on' }),
  'advice.wrongWay': () => ({ do: 'turn back' }),
  'advice.doesNotMove': () => ({ do: 'press' }),
  'advice.sticksAtNut': () => ({ do: 'below' }),
  'advice.slipsBack': () => ({ do: 'below' }),
};

/** The messages that ask for something, and those that name the size of a turn back. */
export const ASKING: readonly MessageId[] = [
  ...(Object.keys(ASKS) as MessageId[]),
  'bench.tooFar.more',
];

/** What a sentence asks for; a pluck of the string in hand where it asks for nothing else. */
export function askedBy({ say, more }: { readonly say: Text; readonly more: Text | null }): Asked {
  for (const { id, args = {} } of sentencesOf(say)) {
    const asked = ASKS[id]?.(args, more);
    if (asked) return asked;
  }
  return { do: 'again' };
}

function isMessage(value: Value | null | undefined): value is Message {
  return typeof value === 'object' && value !== null && 'id' in value;
}

/** The number of the string that an argument names. */
function courseOf(named: Value | undefined): number | null {
  const string = isMessage(named) ? named.args?.string : named;
  return string === undefined ? null : Number(string);
}
