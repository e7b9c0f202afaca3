/** What the fret check says. */
export const FRET_VIEW_SAYS = {
  standsRight: 'By measure it stands right.',
  chooseChords: 'Choose or type the chords that are really played.',
  loosenFirst: 'Loosen the strings a little first; move it, tune, then check again.',
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
} as const;
