import type { Cents, Semitones } from '../../units.ts';
import { fixed } from '../../writing.ts';
import { signedCents } from '../figures.ts';

/** What tunings says. */
export const TUNING_VIEW_SAYS = {
  noDescription: 'It has no description.',
  needsName: 'It needs a name.',
  noChord: 'The open strings make no common chord.',
  noInstrument: 'No instrument of this kind is known.',
  clickOne: 'Click a comparison to hear both strings.',
  searchBy: 'A name, an instrument, a chord, or notes such as D A D G A D.',
  noneFits: 'No tuning fits. Try fewer words.',
  pluckString: (course: number) => `Pluck string ${course}.`,
  playedNote: (course: number, note: string, cents: Cents) =>
    `String ${course}: ${note}, ${signedCents(cents)} cents.`,
  betweenNotes: 'It lies between two notes.',
  neckAsBefore: (problem: string) => `${problem}. The neck is as it was.`,
  offsetsAsBefore: (problem: string) => `${problem}. The offsets are as they were.`,
  pureOffsets: (strings: readonly (readonly [course: number, cents: Cents])[]) =>
    `${strings.map(([course, cents]) => `string ${course} ${signedCents(cents)}`).join(', ')} cents. Fretted chords pay for it.`,
  openChord: (chord: string) => `Open chord ${chord}.`,
  neckCarries: (
    instrument: string,
    force: string,
    tightest: { readonly course: number; readonly headroom: Semitones },
  ) =>
    `On ${instrument} the neck carries ${force}; string ${tightest.course} is nearest to breaking, ${fixed(tightest.headroom, 1)} semitones.`,
  sounding: (held: string, open: number) =>
    `Sounding: ${held}, then open string ${open}, then both.`,
} as const;
