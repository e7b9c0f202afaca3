/** What a link that was opened says. */
export const OPEN_SAYS = {
  notHere: 'It is not here yet.',
  here: 'You have it.',
  nothingTaken: 'Nothing was taken in.',
  taken: (name: string) => `${name} is taken in.`,
  replaces: (name: string) => `You have another form of it, ${name}, which it would replace.`,
} as const;
