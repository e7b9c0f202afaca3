import { commonShapes } from '../intonation/index.ts';
import type { StrumTuning } from '../listen/index.ts';
import { message } from '../message.ts';
import { pairingOf, shiftHz, type Tuning, targetsOf, tuningsFor } from '../music/index.ts';
import { tuningName } from '../sentences/index.ts';
import type { Instrument } from '../strings/index.ts';

/** A capo is looked for up to this fret. */
const HIGHEST_CAPO = 5;

/**
 * What a strum of this instrument may be instead of its open strings in tune: another tuning, a
 * capo that was left on, a chord held by habit.
 */
export function strumTunings(
  { kind, courses }: Pick<Instrument, 'kind' | 'courses'>,
  own: Tuning,
  tunings: readonly Tuning[],
  { a4, capo }: { readonly a4: number; readonly capo: number },
): StrumTuning[] {
  const hzOf = (tuning: Tuning) => targetsOf(tuning, a4, capo).map(({ hz }) => hz);
  const open = hzOf(own);
  // The strings of a pair share their partials: a strum tells nothing of them.
  if (pairingOf(kind, courses.length)) return [];
  const fitting = tuningsFor(kind, courses.length, tunings);
  const capos = Array.from({ length: HIGHEST_CAPO }, (_, i) => ({
    id: `capo ${capo + i + 1}`,
    name: message('bench.tuningWithCapo', { tuning: tuningName(own), fret: capo + i + 1 }),
    hz: open.map((hz) => shiftHz(hz, 100 * (i + 1))),
  }));
  const chords = commonShapes(own.id).flatMap(({ name, frets }) => {
    // Strings that the hand leaves out do not sound.
    const hz = frets.flatMap((fret, i) => {
      const string = open[i];
      return fret === null || string === undefined ? [] : [shiftHz(string, 100 * fret)];
    });
    return frets.some(Boolean)
      ? [{ id: `chord ${name}`, name: message('bench.chordNotOpen', { chord: name }), hz }]
      : [];
  });
  return [
    { id: own.id, name: tuningName(own), hz: open },
    ...fitting.map((tuning) => ({ id: tuning.id, name: tuningName(tuning), hz: hzOf(tuning) })),
    ...chords,
    ...capos,
  ];
}
