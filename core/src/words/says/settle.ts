import type { Cents } from '../../units.ts';
import { signedCents } from '../figures.ts';
import { ALL_KEPT } from '../troubles.ts';

/** What settling says. */
export const SETTLE_SAYS = {
  oldWouldTell: 'A string that is not new would tell: read one at every look.',
  broughtIn: 'Just brought in: let it take the room’s warmth first, half an hour or more.',
  about:
    'New strings fall as soon as they are tuned. This view reads by how much, and says how many rounds of pulling are left, whether they hold a lesson, and when to look again.',
  notAfterNow: 'The strings cannot have been fitted after now.',
  howItGoes:
    'Tune a new string, pull it gently, read how far it dropped, bring it up again: each time it drops less. From that follows how long it is sure to hold, and when to look again.',
  caution: 'A string under tension can snap: face away, wear glasses, cut the ends.',
  whichNew: 'Which strings are new?',
  roomOrCreep:
    'What all new strings do alike may be the room as well as creep: a string that is not new, read at every look, or a thermometer tells them apart.',
  readAll: 'Read every new string, and bring up what has dropped.',
  oldMoved: (cents: Cents) =>
    `The old strings moved by ${signedCents(cents)} cents since the look before: that is the room, not settling.`,
  allMoved: (cents: Cents) =>
    `All strings moved alike, by ${signedCents(cents)} cents: that points to the room.`,
  fitFailed: (reason: string) => `The fit failed: ${reason}. ${ALL_KEPT}`,
} as const;
