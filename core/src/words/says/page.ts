/** What the page itself says. */
export const PAGE_SAYS = {
  nothingLost: 'The address may be misspelt. Nothing was lost.',
} as const;
