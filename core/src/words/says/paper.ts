/** What cards on paper says. */
export const PAPER_SAYS = {
  nothingFits: 'Nothing to print here yet: no instrument on the shelf fits what is chosen.',
} as const;
