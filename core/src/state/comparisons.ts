import { type CrossCheck, crossChecks, type NeckCourse, neckOf } from '../fretboard/index.ts';
import { nth } from '../maths/index.ts';
import { centsBetween, midiToHz, type Target, type Tuning } from '../music/index.ts';
import type { Instrument } from '../strings/index.ts';
import type { Cents, Hz } from '../units.ts';
import type { StringState } from './strings.ts';

/** A comparison that an ear can make now: both sound the same when the string in hand is where it is to be brought. */
export interface Comparison extends CrossCheck {
  /** The string compared with. */
  readonly course: number;
  /** How far above that place the string in hand ends when the two agree, as far as is known. */
  readonly offsetCents: Cents;
  /** One standard deviation of that. */
  readonly errorCents: Cents;
  /** What it is good for: the last cent, or to come near. */
  readonly good: 'exact' | 'about';
}

/** A string as comparisons see it. */
export interface Compared extends NeckCourse {
  /** How far its target lies above its note: what the tuning's own offsets say. */
  readonly temperCents: Cents;
  readonly state: StringState;
}

/** Comparisons lie at or below this fret: above it the hand stops in the body's way. */
const HIGHEST_FRET = 12;
/** An ear sets two strings alike; what is off by more than this it would set wrong. */
const EXACT: Cents = 2;
/** The other string must be known this well for a comparison to be called exact, in standard deviations within the limit beyond. */
const SURE = { sigmas: 2, within: 3 } as const;
/** Good enough to come near by. */
const ABOUT: Cents = 10;

/** The strings of a tuning with where each stands now. */
export function comparedStrings(
  tuning: Tuning,
  instrument: Instrument,
  { targets, a4, state }: { targets: readonly Target[]; a4: Hz; state: readonly StringState[] },
): Compared[] {
  return neckOf(tuning, instrument).flatMap((neck) => {
    const target = targets[neck.course - 1];
    const now = state[neck.course - 1];
    if (!target || !now) return [];
    return { ...neck, temperCents: centsBetween(midiToHz(target.midi, a4), target.hz), state: now };
  });
}

/**
 * What a string can be compared with now, the best first. Exact ones only with strings that were
 * read in this session and stand so near that an ear is not asked to hear a difference; those to come near by
 * only where that is wanted.
 * @param aim where the string in hand is to be brought, in cents from its target
 * @param about whether comparisons that only bring it near are wanted too
 */
export function comparisonsFor(
  course: number,
  strings: readonly Compared[],
  { aim = 0, about = false }: { readonly aim?: Cents; readonly about?: boolean } = {},
): Comparison[] {
  const own = strings.find((string) => string.course === course);
  if (!own) return [];
  return crossChecks(strings, HIGHEST_FRET)
    .flatMap((check) => {
      if (check.held.course !== course && check.open !== course) return [];
      const other = check.held.course === course ? check.open : check.held.course;
      const compared = compare(
        own,
        nth(
          strings.filter((s) => s.course === other),
          0,
        ),
        aim,
      );
      return compared ? { ...check, course: other, ...compared } : [];
    })
    .filter(({ good }) => about || good === 'exact')
    .sort((a, b) => rankOf(a, course) - rankOf(b, course));
}

function compare(
  own: Compared,
  { state, temperCents }: Compared,
  aim: Cents,
): Pick<Comparison, 'offsetCents' | 'errorCents' | 'good'> | null {
  if (state.cents === null || state.from !== 'this sitting') return null;
  const offsetCents = state.cents + temperCents - own.temperCents - aim;
  const { errorCents } = state;
  const off = Math.abs(offsetCents);
  if (off <= EXACT && off + SURE.sigmas * errorCents <= SURE.within)
    return { offsetCents, errorCents, good: 'exact' };
  return off + errorCents <= ABOUT ? { offsetCents, errorCents, good: 'about' } : null;
}

/**
 * Exact before about; open before fretted, for it leaves a hand for the peg; fretting the other
 * string before the one that is turned; unison before octave; near neighbours and low frets first.
 */
function rankOf({ good, held, open, octaves }: Comparison, course: number): number {
  const kind =
    (good === 'exact' ? 0 : 8) + (held.fret === 0 ? 0 : 4) + (held.course === course ? 2 : 0);
  const apart = Math.abs(held.course - open) - 1;
  return 10_000 * kind + 1000 * Math.abs(octaves) + 20 * apart + held.fret;
}
