import { knowledgeOf, type Refusal, whoSounded } from '../listen/index.ts';
import type { Target } from '../music/index.ts';

/** The two strings that sounded at once, as far as they are told; null where they are not. */
export function soundedTogether(
  refusal: Refusal,
  targets: readonly Target[],
): readonly [number, number] | null {
  if (refusal.kind !== 'more than one string') return null;
  const [one, other] = refusal.hz.map((hz) => {
    const identity = whoSounded({ hz }, knowledgeOf(targets, []), null);
    return identity.kind === 'known' ? identity.course : null;
  });
  return one && other && one !== other ? [one, other] : null;
}
