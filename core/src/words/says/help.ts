/** What the guide’s list says. */
export const HELP_SAYS = {
  noPage: 'No page has all these words. Try fewer.',
} as const;
