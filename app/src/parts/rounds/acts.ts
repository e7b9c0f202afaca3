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
  const { inHand: instrumentId } = round;
  if (instrumentId === null) return false;
  const next = nextOf(round, instrumentId);
  if (sessionId !== undefined) await repository.endSession(sessionId, now());
  if (next !== null) await chronicle.endBefore(next, now());
  const told = sessionId === undefined ? {} : { sessionId };
  await chronicle.changeRound(round.id, { type: 'book', instrumentId, standing, ...told });
  if (standing === 'to the repairer')
    await chronicle.saveMark({
      id: newId(),
      instrumentId,
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

/** The one in hand waits until the others are done with. */
export async function putBackInRound(repository: Repository, round: Round): Promise<void> {
  const { chronicle } = repository;
  if (round.inHand === null) return;
  const next = nextOf(round, round.inHand) ?? round.inHand;
  await chronicle.endBefore(next, now());
  await chronicle.changeRound(round.id, { type: 'put back', instrumentId: round.inHand });
  await repository.saveSettings({ instrumentId: next });
}
