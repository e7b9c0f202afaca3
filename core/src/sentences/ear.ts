import type { EarVerdict } from '../coach/index.ts';
import { message, type Sentence } from '../message.ts';

/** The sentence shown while the figures are hidden. */
export function byEarInWords(course: number): Sentence {
  return {
    say: message('advice.byEar', { string: course }),
    more: message('advice.byEar.more'),
  };
}

/** How near the ear came. */
export function earVerdictInWords({ off, agrees, movement }: EarVerdict): Sentence {
  return {
    say: agrees
      ? message('advice.earAgrees')
      : message('advice.earLeft', { side: off < 0 ? 'low' : 'high', cents: Math.abs(off) }),
    more: message('advice.earMovement', { movement }),
  };
}
