/** What tunings says. */
export const TUNING_VIEW_SAYS = {
  noDescription: 'It has no description.',
  needsName: 'It needs a name.',
  noChord: 'The open strings make no common chord.',
  noInstrument: 'No instrument of this kind is known.',
  clickOne: 'Click a comparison to hear both strings.',
  searchBy: 'A name, an instrument, a chord, or notes such as D A D G A D.',
  noneFits: 'No tuning fits. Try fewer words.',
} as const;
