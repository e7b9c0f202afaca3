import type { EpochMs } from '../units.ts';
import type { Round, RoundEntry, RoundInput } from './types.ts';

/** A round over these instruments, in their order; the first is in hand. */
export function newRound(
  of: Pick<Round, 'id' | 'name' | 'way' | 'madeAt' | 'zone' | 'by'>,
  instruments: readonly { readonly instrumentId: string; readonly minutes: number }[],
): Round {
  const entries = instruments.map(
    (one, i): RoundEntry => ({ ...one, number: i + 1, standing: 'waiting' }),
  );
  return { ...of, entries, inHand: null, endedAt: null };
}

/** The round after an input at a moment. What does not fit it changes nothing. */
export function roundAfter(round: Round, input: RoundInput, at: EpochMs): Round {
  if (round.endedAt !== null) return round;
  switch (input.type) {
    case 'take':
      return taken(round, input.instrumentId, at);
    case 'book': {
      const { instrumentId, standing, sessionId } = input;
      if (round.inHand !== instrumentId) return round;
      const booked = changed(round, instrumentId, (entry) => ({
        ...entry,
        standing,
        to: at,
        ...(sessionId !== undefined && { sessionId }),
      }));
      return taken({ ...booked, inHand: null }, nextOf(booked, instrumentId), at);
    }
    case 'put back': {
      const waits = changed(round, input.instrumentId, waiting);
      if (round.inHand === null) return taken(waits, input.instrumentId, at);
      if (round.inHand !== input.instrumentId) return waits;
      return taken(waits, nextOf(waits, round.inHand) ?? round.inHand, at);
    }
    case 'end':
      return { ...round, inHand: null, endedAt: at };
  }
}

/** The next one that waits after one of a round, and round again; null where none is left. */
export function nextOf({ entries }: Round, after: string | null): string | null {
  const from = entries.findIndex(({ instrumentId }) => instrumentId === after);
  for (let step = 1; step <= entries.length; step++) {
    const entry = entries[(from + step) % entries.length];
    if (entry?.standing === 'waiting' && entry.instrumentId !== after) return entry.instrumentId;
  }
  return null;
}

/** Those that still wait, in their order. */
export function waitingOf({ entries }: Round): readonly RoundEntry[] {
  return entries.filter(({ standing }) => standing === 'waiting');
}

export function entryOf({ entries }: Round, instrumentId: string | null): RoundEntry | undefined {
  return entries.find((entry) => entry.instrumentId === instrumentId);
}

function taken(round: Round, instrumentId: string | null, at: EpochMs): Round {
  const entry = entryOf(round, instrumentId);
  if (!entry) return { ...round, inHand: null };
  const begun = changed(round, entry.instrumentId, (one) => ({ ...waiting(one), from: at }));
  return { ...begun, inHand: entry.instrumentId };
}

/** As it was before anything was done with it. */
function waiting({ instrumentId, number, minutes }: RoundEntry): RoundEntry {
  return {
    instrumentId,
    number,
    standing: 'waiting',
    ...(minutes !== undefined && { minutes }),
  };
}

function changed(
  round: Round,
  instrumentId: string,
  change: (entry: RoundEntry) => RoundEntry,
): Round {
  const entries = round.entries.map((entry) =>
    entry.instrumentId === instrumentId ? change(entry) : entry,
  );
  return { ...round, entries };
}
