import type { KeyMap } from '../../ui/index.ts';
import { type Hands, handKeys } from '../listening/index.ts';

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
  return { ...map, ...handKeys(hands), t: acts.truth };
}

/** What each key of the bench does, in words. */
export const KEY_WORDS: readonly (readonly [string, string])[] = [
  ['1 – 9', 'choose a string'],
  ['0 or Esc', 'back to automatic'],
  ['Space', 'accept and go on'],
  ['R', 'next pass'],
  ['H', 'hide the figures; then Space compares'],
  ['D', 'hear the target'],
  ['C', 'compare two strings by their beat'],
  ['F', 'hear a reference: fork, piano, another string'],
  ['G', 'peg test: begin, end'],
  ['P', 'practice guitar: pluck'],
  ['↑ ↓', 'practice guitar: tighten, loosen a hair; with Shift more'],
  ['M', 'practice guitar: mute'],
  ['T', 'practice instrument: where its strings truly are'],
  ['?', 'this list'],
];
