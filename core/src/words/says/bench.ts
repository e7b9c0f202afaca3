/** What the bench says. */
export const BENCH_SAYS = {
  whatStands: 'What stands in front of you?',
  howMany: 'How many of them?',
  whatItDoes:
    'Pluck a string. Rosefinch says how far it lies from its note, which way to turn, and when to stop. It keeps every reading on this machine.',
  caution: 'Caution: a string under tension can snap. Keep your face away; children with an adult.',
  notInRound: 'This one is not in the round.',
  noCamera: 'No camera can be used here. Type the number that stands on the label.',
  strum: 'Strum all strings slowly, and let them ring.',
  noStrum: 'That was no strum I could name. Once more, slowly.',
  whichOne: 'Which one is it?',
  afresh: 'A new sitting begins. The one before is kept.',
} as const;
