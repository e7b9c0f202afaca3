/** What a recording’s report says. */
export const RECORDING_SAYS = {
  otherBrowser: 'It may have been read in another browser.',
  noPluck: 'No pluck was found in it.',
  keptAsSitting: (instrument: string) => `Kept as a sitting of ${instrument}.`,
  keptAside: (instrument: string) => `Kept as a recording; it does not count for ${instrument}.`,
  whose: (instrument: string) => `Is this ${instrument}, as it is now?`,
  nothingKept: 'Nothing was kept.',
} as const;
