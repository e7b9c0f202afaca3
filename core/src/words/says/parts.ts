import type { Cents } from '../../units.ts';
import { counted, distanceInWords, signedCents } from '../figures.ts';

/** What what stands in many views says. */
export const PARTS_SAYS = {
  byTone: 'By the reference tone.',
  noSuchName: 'Nothing of that name.',
  leave: 'Leave without saving?',
  notSaved: 'What was changed here is not saved yet.',
  stopped: 'This view has stopped.',
  notListening: 'Not listening yet.',
  toneSounds: 'Not listening while the tone sounds. Wait for it to end, then pluck.',
  usualNeck: 'Not heard yet: what is usual for such a bridge.',
  cancelled: 'Cancelled; nothing is kept. The browser may be busy with the file a little longer.',
  linkHolds:
    'It stands in the link itself: nothing is sent anywhere. Whoever opens it sees what it holds before it is taken in.',
  notCopied: 'The browser does not let it be copied: mark the link and copy it.',
  helperSilent: 'A helper process does not answer.',
  restKept: (reason: string) =>
    `All that was stored is kept; the other views work on. It said: ${reason}`,
  putOneFirst: 'Put an instrument on the bench first.',
  neckLearned: (turns: number, error: number) =>
    `Learned from ${counted(turns, 'turn')}; a figure may be off by ${Math.round(100 * error)} %.`,
  neckRows: (turn: Cents) =>
    `Each row: one string raised by ${turn} cents, and what the others do, in cents.`,
  underEachName: 'Under each: the strings that move, and by how many semitones.',
  notDrawn: (left: number) => `${counted(left, 'more is', 'more are')} not drawn.`,
  onePegMoves: (course: number, cents: Cents, compare: string) =>
    `String ${course} ${cents < 0 ? 'down' : 'up'} ${distanceInWords(cents)}. ${compare}`,
  byHarmonics: (
    all: readonly {
      readonly low: { readonly course: number; readonly fret: number };
      readonly high: { readonly course: number; readonly fret: number };
    }[],
    error: Cents,
  ) =>
    `Harmonics serve too: ${all.map(({ low, high }) => `string ${low.course} at fret ${low.fret} with string ${high.course} at fret ${high.fret}`).join(', ')}. They set pure fourths, so the higher string comes out ${signedCents(error)} cents, and in a row they add up.`,
} as const;
