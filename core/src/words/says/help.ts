/** What the guide’s list says. */
export const HELP_SAYS = {
  noPage: 'No page has all these words. Try fewer.',
  noSuchPage: 'The guide has no such page.',
} as const;
