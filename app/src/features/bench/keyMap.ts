import type { KeyMap } from '../../ui/index.ts';
import type { Hands } from './hands.ts';

/** What the bench's keys and buttons do. */
export interface Acts {
  readonly accept: () => void;
  readonly nextPass: () => void;
  readonly choose: (course: number | null) => void;
  readonly hide: () => void;
  readonly hear: () => void;
  readonly truth: () => void;
  readonly keys: () => void;
  readonly pegs: () => void;
  readonly reference: () => void;
  readonly pair: () => void;
}

/** The keys of the bench; those of the practice guitar only while it is played. */
export function keyMap(acts: Acts, hands: Hands | null, order: readonly number[]): KeyMap {
  const map: Record<string, () => void> = {
    ' ': acts.accept,
    r: acts.nextPass,
    h: acts.hide,
    d: acts.hear,
    c: acts.pair,
    f: acts.reference,
    g: acts.pegs,
    '?': acts.keys,
    '0': () => acts.choose(null),
    Escape: () => acts.choose(null),
  };
  for (const course of order) map[String(course)] = () => acts.choose(course);
  if (!hands) return map;
  return {
    ...map,
    p: hands.pluck,
    m: hands.mute,
    t: acts.truth,
    ArrowUp: hands.up,
    ArrowDown: hands.down,
    'Shift+ArrowUp': hands.upMore,
    'Shift+ArrowDown': hands.downMore,
  };
}
