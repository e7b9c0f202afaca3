import { counted } from '../figures.ts';

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
  nothingOf: (file: string) => `Nothing of ${file} was taken in.`,
  airRead: (lines: number, file: string, days: number) =>
    `${counted(lines, 'line')} of ${file} read: ${counted(days, 'day')} kept.`,
  daysKnown: (days: number) => `${counted(days, 'day is', 'days are')} known.`,
  whatAirTells: 'It tells what the air does to an instrument from what its pegs do.',
  since: (day: string) => `since ${day}.`,
  between: (first: string, last: string) => `${first} to ${last}.`,
} as const;
