import { nextOf, type Round, type Standing } from '@rosefinch/core/rounds';
import type { Words } from '@rosefinch/words';
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
  t: Words,
): Promise<boolean> {
  const { chronicle } = repository;
  const { inHand: instrumentId } = round;
  const open = await chronicle.openRound();
  // Another tab that heard the same was quicker.
  if (instrumentId === null || open?.id !== round.id || open.inHand !== instrumentId) return false;
  const next = await nextThere(repository, round);
  if (sessionId !== undefined) await repository.endSession(sessionId, now());
  const told = sessionId === undefined ? {} : { sessionId };
  await chronicle.changeRound(round.id, { type: 'book', instrumentId, standing, ...told });
  if (standing === 'toRepairer')
    await chronicle.saveMark({
      id: newId(),
      instrumentId,
      kind: 'repair',
      at: now(),
      until: null,
      zone: zone(),
      text: t('shelf.sentFromRound', { round: round.name }),
    });
  if (next === null) await chronicle.changeRound(round.id, { type: 'end' });
  else await takeOfRound(repository, round, next);
  return next === null;
}

/** The one in hand waits until the others are done with. */
export async function putBackInRound(repository: Repository, round: Round): Promise<void> {
  const { inHand } = round;
  if (inHand === null) return;
  const next = (await nextThere(repository, round)) ?? inHand;
  await repository.chronicle.changeRound(round.id, { type: 'put back', instrumentId: inHand });
  await takeOfRound(repository, round, next);
}

/** The next one that waits and is still on the shelf; null where none is. */
async function nextThere(repository: Repository, round: Round): Promise<string | null> {
  const there = new Set((await repository.shelf()).map(({ id }) => id));
  const entries = round.entries.filter(({ instrumentId }) => there.has(instrumentId));
  return nextOf({ ...round, entries }, round.inHand);
}
