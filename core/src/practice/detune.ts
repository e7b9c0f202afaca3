import { centsBetween, shiftHz, type Target, type Tuning, targetsOf } from '../music/index.ts';
import { FROM_ANOTHER_TUNING, type LastPitches } from '../sitting/index.ts';
import type { Cents, Hz } from '../units.ts';

/** Practice strings start this far out, course 1 first and round again. */
const OUT_OF_TUNE: readonly Cents[] = [-31, -12, -38, 11, -9.5, -23];

/**
 * Where the practice strings start, in cents from their targets: a little out of tune, or, where
 * they come from another tuning, where they were heard last or where that tuning has them.
 */
export function practiceDetune(
  home: Tuning | undefined,
  targets: readonly Target[],
  { a4, capo, last }: { readonly a4: Hz; readonly capo: number; readonly last: LastPitches },
): Cents[] {
  const homeTargets = home ? targetsOf(home, a4) : [];
  return targets.map(({ course, hz }, i) => {
    const own = OUT_OF_TUNE[i % OUT_OF_TUNE.length] ?? 0;
    const usual = homeTargets[i]?.hz;
    const open = last.get(course) ?? (usual === undefined ? undefined : shiftHz(usual, own));
    const heard = open === undefined ? shiftHz(hz, own) : shiftHz(open, 100 * capo);
    const cents = centsBetween(hz, heard);
    return Math.abs(cents) > FROM_ANOTHER_TUNING ? cents : own;
  });
}
