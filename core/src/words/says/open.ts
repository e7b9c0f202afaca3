/** What a link that was opened says. */
export const OPEN_SAYS = {
  notHere: 'It is not here yet.',
  here: 'You have it.',
} as const;
