import { list, message, type Sentence } from '../message.ts';

/** What to do with a string that is wound up from slack. */
export type WindingTask =
  | { readonly kind: 'pluck'; readonly course: number }
  /** Semitones from its note. */
  | { readonly kind: 'go on'; readonly course: number; readonly semitones: number }
  /** The last one is plucked again and read; another one follows otherwise. */
  | { readonly kind: 'stop'; readonly course: number; readonly last: boolean }
  | { readonly kind: 'above'; readonly course: number; readonly semitones: number }
  /** One turn more and it may break, and it is not at its note yet. */
  | { readonly kind: 'near breaking'; readonly course: number }
  /** Its note itself lies too near to where it breaks. */
  | { readonly kind: 'too high'; readonly course: number }
  /** Strings that were left as they are. */
  | { readonly kind: 'over'; readonly left: readonly number[] };

/** From here on a hand winds slowly. */
const SLOWLY = 2;

/** What to do now with a string that is wound up. */
export function windingInWords(task: WindingTask): Sentence {
  switch (task.kind) {
    case 'pluck':
      return {
        say: message('advice.wind', { string: task.course }),
        more: message('advice.wind.more'),
      };
    case 'go on':
      return {
        say: message('advice.windToGo', { string: task.course, semitones: task.semitones }),
        more:
          task.semitones <= SLOWLY ? message('advice.windSlowly') : message('advice.windToGo.more'),
      };
    case 'stop':
      return {
        say: message('advice.windStop', { string: task.course }),
        more: message(task.last ? 'advice.windStopPluck.more' : 'advice.windStop.more'),
      };
    case 'above':
      return {
        say: message('advice.windAbove', { string: task.course, semitones: task.semitones }),
        more: message('advice.windAbove.more'),
      };
    case 'near breaking':
      return {
        say: message('advice.windNearBreaking', { string: task.course }),
        more: message('advice.windNearBreaking.more'),
      };
    case 'too high':
      return {
        say: message('advice.windTooHigh', { string: task.course }),
        more: message('advice.windTooHigh.more'),
      };
    case 'over':
      return {
        say:
          task.left.length === 0
            ? message('advice.windOver')
            : message('advice.windLeft', { strings: list(task.left) }),
        more: message('advice.windOver.more'),
      };
  }
}
