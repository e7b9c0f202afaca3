/** What cards on paper says. */
export const PAPER_SAYS = {
  nothingFits: 'Nothing to print here yet: no instrument on the shelf fits what is chosen.',
  sameOnPhone: 'The same on a phone.',
  faceAway: 'A string under tension can snap: face away.',
} as const;
