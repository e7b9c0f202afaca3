import { loosen, type TightenDirection } from '../strings/index.ts';
import type { Cents } from '../units.ts';
import { fixed } from '../writing.ts';
import type { Sentence } from './sentence.ts';
import { turnInWords } from './turns.ts';

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
        say: found ? foundInWords(found) : 'The pegs are known.',
        more: 'All pegs were tried.',
      };
    case 'pluck':
      return found
        ? { say: foundInWords(found), more: `Now pluck string ${task.course}.` }
        : {
            say: `Pluck string ${task.course}.`,
            more: 'Then one small turn shows how its peg works.',
          };
    case 'turn':
      return turnTask(task, found);
  }
}

function turnTask({ turns, tighten }: Extract<PegTask, { kind: 'turn' }>, found: PegFound | null) {
  const size = turnInWords(turns);
  const more = 'It is thought to loosen that way. Should it go up, turn it back.';
  if (!found) return { say: `Turn its button ${size} ${loosen(tighten)}, then pluck.`, more };
  return turns < 0
    ? { say: `${foundInWords(found)} Once more ${size} ${loosen(tighten)}, then pluck.`, more: '' }
    : {
        say: `Now back: ${size} ${tighten}, then pluck.`,
        more: 'That shows what is lost when it goes back.',
      };
}

function foundInWords(found: PegFound): string {
  switch (found.kind) {
    case 'did not move':
      return 'It did not move. Trace the string to its peg with a finger.';
    case 'as thought':
      return `Down ${fixed(found.cents)} cents, as thought.`;
    case 'other way':
      return `It went up ${fixed(found.cents)} cents: turn it back. String ${found.course} tightens ${found.tighten}.`;
    case 'measured':
      return `String ${found.course}: ${rounded(found.centsPerTurn)} cents a turn, within ${fixed(100 * found.error)} %, ${playInWords(found.play)}.`;
  }
}

/** No finer than it was measured. */
function rounded(cents: Cents): string {
  return fixed(10 * Math.round(cents / 10));
}

function playInWords(turns: number): string {
  const degrees = Math.round(360 * turns);
  return degrees < 1 ? 'no play' : `play ${degrees}°`;
}
