/** What the ear’s views says. */
export const EAR_VIEW_SAYS = {
  softly: 'Headphones low: what is soft is heard as finely.',
  staysHere: 'It stays on this machine.',
  nothingYet: 'Nothing was practised yet: what is, stands here on one page to take home.',
  inCents:
    'In cents, hundredths of a half step; in brackets where the truth lies nine times in ten.',
  sing: 'Hear a note of an instrument and sing or hum it: you are told above, below or there.',
  touch: 'Hold one fret ten times: how evenly, and how far above the lightest touch.',
  whole:
    'Put an instrument out of tune and bring it back, by a tone for each string, by one tone, or from memory.',
  learnerGone: (name: string) => `${name} and all their answers are deleted.`,
  enterGoesOn: 'Enter goes on.',
} as const;
