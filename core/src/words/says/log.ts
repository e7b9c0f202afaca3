/** What the log says. */
export const LOG_SAYS = {
  airKept: 'Today’s air is kept.',
  different: 'These are two different instruments.',
  markGone: 'It is taken out of the log.',
  nothingYet:
    'Every sitting at the bench is kept here: what each string was found at, and where it was left.',
  deleted: 'The sitting is deleted.',
  noneChosen: 'None of them.',
  spares: 'Enough for three months nine times in ten, from what was put on in the last twelve.',
} as const;
