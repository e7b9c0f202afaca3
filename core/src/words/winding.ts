import type { Sentence } from './sentence.ts';

/** What to do with a string that is wound up from slack. */
export type WindingTask =
  | { readonly kind: 'pluck'; readonly course: number }
  /** Semitones from its note. */
  | { readonly kind: 'go on'; readonly course: number; readonly semitones: number }
  | { readonly kind: 'stop'; readonly course: number }
  | { readonly kind: 'above'; readonly course: number; readonly semitones: number }
  /** One turn more and it may break, and it is not at its note yet. */
  | { readonly kind: 'near breaking'; readonly course: number }
  /** Its note itself lies too near to where it breaks. */
  | { readonly kind: 'too high'; readonly course: number }
  /** Strings that were left as they are. */
  | { readonly kind: 'over'; readonly left: readonly number[] };

const NUMBERS = [
  'no',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
] as const;
/** From here on a hand winds slowly. */
const SLOWLY = 2;

function semitonesInWords(semitones: number): string {
  const number = NUMBERS[semitones] ?? String(semitones);
  return `${number} semitone${semitones === 1 ? '' : 's'}`;
}

/** What to do now with a string that is wound up. */
export function windingInWords(task: WindingTask): Sentence {
  switch (task.kind) {
    case 'pluck':
      return {
        say: `Pluck string ${task.course}, and wind.`,
        more: 'Pluck it again now and then: its note is followed from slack. Keep your face away from it.',
      };
    case 'go on':
      return {
        say: `String ${task.course}: ${semitonesInWords(task.semitones)} to go.`,
        more:
          task.semitones <= SLOWLY
            ? 'Slowly now.'
            : 'See that it lies in its slot and winds down its post.',
      };
    case 'stop':
      return {
        say: `Stop: string ${task.course} is near its note.`,
        more: 'Fine tuning comes once all are up.',
      };
    case 'above':
      return {
        say: `Let string ${task.course} down by ${semitonesInWords(task.semitones)}.`,
        more: 'It stands above its note.',
      };
    case 'near breaking':
      return {
        say: `Stop: string ${task.course} may break.`,
        more: 'Less than two semitones are left to where such a string breaks. Is it the right string for this place?',
      };
    case 'too high':
      return {
        say: `String ${task.course} is not wound to its note.`,
        more: 'That lies within two semitones of where it breaks. Put on a thinner one, or choose a lower tuning.',
      };
    case 'over':
      return {
        say:
          task.left.length === 0
            ? 'All of them are near their notes.'
            : `Left as they are: string ${task.left.join(', ')}.`,
        more: 'Now tune them, thickest first. New ones go on giving way: Settle knows when they hold.',
      };
  }
}
