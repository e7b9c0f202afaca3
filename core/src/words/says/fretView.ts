import type { Millimetres } from '../../units.ts';
import { lengthInWords } from '../../writing.ts';

/** What the fret check says. */
export const FRET_VIEW_SAYS = {
  standsRight: 'By measure it stands right.',
  chooseChords: 'Choose or type the chords that are really played.',
  loosenFirst:
    'Loosen the strings a little first; move it, mark the place, tune, then check again.',
  octavesOfStrings: 'The octaves of the strings tell it, once all are read.',
  pitchOfThread: 'Two threads counted on a rule tell it; often 0.5 or 0.7.',
  compromiseBelow: 'A compromise of the open strings, where it helps: below.',
  moveBridge: 'Move the bridge, mark its place, tune, then check again.',
  repairer:
    'To a qualified repairer, with this page: how it is done is the repairer’s. Too low a slot or string buzzes.',
  octavesOfEnds: 'The octaves of both outer strings tell it, once both are read.',
  octavesOpen: 'The octaves are not all read yet.',
  about:
    'In tune and still wrong: this view measures the fretted notes against the open strings, tells the causes apart, and says what to do about them.',
  isItRight: 'Is it put right? About ten plucks',
  endsWhenDecided: 'It ends once it is decided: 20 to 60 plucks.',
  bridgeMoves: (mm: Millimetres) =>
    `By measure: move the bridge ${lengthInWords(Math.abs(mm), 1)} ${mm > 0 ? 'away from' : 'towards'} the nut.`,
  aimsNow: (instrument: string) => `The bench now aims ${instrument} at it.`,
  aimsAgain: (instrument: string, tuning: string) =>
    `The bench aims ${instrument} at ${tuning} again.`,
  newString: (course: number) => `A new string ${course}, then read it again.`,
  noFrets: (instrument: string) =>
    `${instrument} has no frets: every note is where the finger puts it, and there is nothing to check.`,
  howItGoes:
    'Every fretted note is measured against its own open string, so the instrument need not be in tune. You are led from note to note; the pitch says whether it was the right fret.',
  fromCapo: (capo: number) => `Frets are counted from the capo at fret ${capo}.`,
  noted: (notes: readonly string[]) => `Noted: ${notes.join('; ')}.`,
} as const;
