import { nextOf, type Round, type Standing } from '@rosefinch/core/rounds';
import type { Repository } from '../../data/index.ts';
import { newId, now, zone } from '../../environment.ts';

/** Takes an instrument of a round in hand: what was open of it from another day is over. */
export async function takeOfRound(
  repository: Repository,
  { id }: Round,
  instrumentId: string,
): Promise<void> {
  await repository.chronicle.endBefore(instrumentId, now());
  await repository.chronicle.changeRound(id, { type: 'take', instrumentId });
  await repository.saveSettings({ instrumentId });
}

/** The one in hand is over with, and the next one is taken; the round is over where none is left: answers whether it is. */
export async function bookInRound(
  repository: Repository,
  round: Round,
  standing: Exclude<Standing, 'waiting'>,
  sessionId: string | undefined,
): Promise<boolean> {
  const { chronicle } = repository;
  const next = nextOf(round, round.inHand);
  if (sessionId !== undefined) await repository.endSession(sessionId, now());
  if (next !== null) await chronicle.endBefore(next, now());
  const told = sessionId === undefined ? {} : { sessionId };
  await chronicle.changeRound(round.id, { type: 'book', standing, ...told });
  if (standing === 'to the repairer' && round.inHand !== null)
    await chronicle.saveMark({
      id: newId(),
      instrumentId: round.inHand,
      kind: 'repair',
      at: now(),
      until: null,
      zone: zone(),
      text: `Sent from the round ${round.name}.`,
    });
  if (next === null) await chronicle.changeRound(round.id, { type: 'end' });
  else await repository.saveSettings({ instrumentId: next });
  return next === null;
}
