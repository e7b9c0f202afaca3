/** What a recording’s report says. */
export const RECORDING_SAYS = {
  otherBrowser: 'It may have been read in another browser.',
  noPluck: 'No pluck was found in it.',
} as const;
