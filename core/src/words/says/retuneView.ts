/** What the plan says. */
export const RETUNE_VIEW_SAYS = {
  about:
    'The way from one tuning to another: which strings move, in which order, and what to compare each one with.',
  tuningUnknown: (instrument: string) => `The tuning of ${instrument} is not known here.`,
} as const;
