import type { Cents } from '../../units.ts';
import { counted, signedCents } from '../figures.ts';

/** What the shelf says. */
export const SHELF_SAYS = {
  sameName: 'Another one on the shelf has this name.',
  rollCall:
    'Each number is called; its child strums once; the next is called whatever was heard. At the end a sheet says who needs what.',
  anyOrder:
    'Each is strummed once. What is right is let go; of the others the strings that are off are put right. Take them in any order.',
  handOn:
    'A file with this instrument and nothing else. Whoever restores it keeps what they have; the same instrument is known again.',
  fieldAbove: 'A field above says what is wrong with it.',
  groups: 'A class, a lender, an owner: Enter after each.',
  setsFromMemory: 'Weights and cores are computed, or from memory: check them where it matters.',
  isBack: 'It is back on the shelf.',
  isOff: 'Taken off the shelf; its history stays.',
  notLookedAt: 'Not looked at yet: its sittings will stand here.',
  labels:
    'Stick one on each instrument. In a round the camera reads it; nothing but its name on this shelf stands in it.',
  noneChosen: 'None of them.',
  empty: 'The instruments that you keep in tune stand here. Put the first one on it.',
  noSuchRound: 'No such round is kept here.',
  noSuchInstrument: 'No such instrument stands here.',
  sittingInShort: (
    { passes, plucks }: { readonly passes: number; readonly plucks: number },
    most: { readonly course: number; readonly cents: Cents } | null,
  ) => {
    const rounds = counted(passes, 'pass', 'passes');
    return most
      ? `${rounds}; string ${most.course} moved most, ${signedCents(most.cents)} cents.`
      : `${rounds}, ${counted(plucks, 'pluck')}.`;
  },
  whereItIsKept: (address: string) =>
    `This is the shelf of ${address}, kept in this browser: nothing of it is sent there. The same page at another address has another one.`,
  sentFromRound: (round: string) => `Sent from the round ${round}.`,
} as const;
