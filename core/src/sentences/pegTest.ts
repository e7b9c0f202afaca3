import { type Message, message, type Sentence } from '../message.ts';
import { loosen, type TightenDirection } from '../strings/index.ts';
import type { Cents } from '../units.ts';
import { directionInWords, turnInWords } from './turns.ts';

/** What the last turn of a peg showed. */
export type PegFound =
  | { readonly kind: 'did not move' }
  | { readonly kind: 'as thought'; readonly course: number; readonly cents: Cents }
  | {
      readonly kind: 'other way';
      readonly course: number;
      readonly cents: Cents;
      /** The way it tightens after all. */
      readonly tighten: TightenDirection;
    }
  | {
      readonly kind: 'measured';
      readonly course: number;
      readonly centsPerTurn: Cents;
      /** As a share. */
      readonly error: number;
      /** Turns of the button that are lost when it goes back. */
      readonly play: number;
    };

/** What is to be done next in a round over the pegs. */
export type PegTask =
  | { readonly kind: 'pluck'; readonly course: number }
  /** Turn by so much, positive to tighten as far as is known, then pluck. */
  | { readonly kind: 'turn'; readonly turns: number; readonly tighten: TightenDirection }
  | { readonly kind: 'over' };

/** What to do now in a round over the pegs, after what was found. */
export function pegTestInWords(task: PegTask, found: PegFound | null): Sentence {
  switch (task.kind) {
    case 'over':
      return {
        say: found ? foundInWords(found) : message('advice.pegsKnown'),
        more: message('advice.pegsKnown.more'),
      };
    case 'pluck':
      return found
        ? {
            say: foundInWords(found),
            more: message('advice.pegPluckNext', { string: task.course }),
          }
        : {
            say: message('advice.pegPluck', { string: task.course }),
            more: message('advice.pegPluck.more'),
          };
    case 'turn':
      return turnTask(task, found);
  }
}

function turnTask(
  { turns, tighten }: Extract<PegTask, { kind: 'turn' }>,
  found: PegFound | null,
): Sentence {
  const turn = turnInWords(turns);
  if (!found)
    return {
      say: message('advice.pegTurn', { turn, way: directionInWords(loosen(tighten)) }),
      more: message('advice.pegTurn.more'),
    };
  return turns < 0
    ? {
        say: [
          foundInWords(found),
          message('advice.pegTurnAgain', { turn, way: directionInWords(loosen(tighten)) }),
        ],
        more: null,
      }
    : {
        say: message('advice.pegTurnBack', { turn, way: directionInWords(tighten) }),
        more: message('advice.pegTurnBack.more'),
      };
}

function foundInWords(found: PegFound): Message {
  switch (found.kind) {
    case 'did not move':
      return message('advice.pegDidNotMove');
    case 'as thought':
      return message('advice.pegAsThought', { cents: found.cents });
    case 'other way':
      return message('advice.pegOtherWay', {
        cents: found.cents,
        string: found.course,
        way: directionInWords(found.tighten),
      });
    case 'measured':
      return message('advice.pegMeasured', {
        string: found.course,
        // No finer than it was measured.
        cents: 10 * Math.round(found.centsPerTurn / 10),
        percent: 100 * found.error,
        degrees: Math.max(0, Math.round(360 * found.play)),
      });
  }
}
