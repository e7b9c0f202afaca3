import {
  type Candidate,
  candidateOf,
  type HeardString,
  type Round,
  waitingOf,
  whoseIsIt,
} from '@rosefinch/core/rounds';
import type { Instrument } from '@rosefinch/core/strings';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { type Life, type Repository, type Stock, useData } from '../../data/index.ts';
import { now } from '../../environment.ts';
import type { Heard as Line } from '../../parts/listening/index.ts';

/** B is known from the plucks of so many sessions. */
const SITTINGS = 6;

/** Another instrument of the same kind that was heard, by how its strings were left and how stiff they are; null for none. */
export function useWhose(
  round: Round | null,
  instrument: Instrument,
  { shelf }: Stock,
  log: readonly Line[],
): string | null {
  const { repository } = useData();
  const alike = useMemo(() => {
    const waiting = new Set(round ? waitingOf(round).map(({ instrumentId }) => instrumentId) : []);
    return shelf.filter(
      (one) =>
        (waiting.has(one.id) || one.id === instrument.id) &&
        one.tuningId === instrument.tuningId &&
        one.courses.length === instrument.courses.length,
    );
  }, [round, shelf, instrument]);
  const { data: known } = useQuery({
    queryKey: ['whose', round?.id, alike.map(({ id }) => id)],
    queryFn: () => candidates(repository, alike),
    enabled: round !== null && alike.length > 1,
    staleTime: Number.POSITIVE_INFINITY,
  });
  return useMemo(() => {
    const mine = known?.find(({ instrumentId }) => instrumentId === instrument.id);
    const others = known?.filter(({ instrumentId }) => instrumentId !== instrument.id) ?? [];
    const id = mine ? whoseIsIt(heardIn(log), mine, others) : null;
    return shelf.find((one) => one.id === id)?.name ?? null;
  }, [known, log, instrument, shelf]);
}

/** The first reading of every string: what was done to it since tells nothing of whose it is. */
function heardIn(log: readonly Line[]): HeardString[] {
  const first = new Map<number, HeardString>();
  for (const { event, measurement } of log) {
    if (event.type !== 'reading' || first.has(event.reading.course)) continue;
    const { course, cents, errorCents } = event.reading;
    const reading = measurement?.reading;
    const stiffness = reading && (reading.freeInharmonicity ?? reading.inharmonicity);
    first.set(course, { course, cents, errorCents, ...(stiffness && { stiffness }) });
  }
  return [...first.values()];
}

async function candidates(
  { chronicle, log }: Repository,
  alike: readonly Instrument[],
): Promise<Candidate[]> {
  const lives = await chronicle.lives();
  return Promise.all(
    alike.map(async ({ id, courses, tuningId }) => {
      const sittings = (lives.get(id)?.sittings ?? []).filter(
        // What is read just now is what it is compared with.
        ({ session }) => session.tuningId === tuningId && session.endedAt !== null,
      );
      const last = sittings.at(-1);
      const stiffness = await stiffnessIn(log, sittings.slice(-SITTINGS));
      const numbers = courses.map(({ number }) => number);
      return candidateOf(id, numbers, last?.summary ?? null, stiffness, now());
    }),
  );
}

/** ln B of every pluck of some sessions, by course. */
async function stiffnessIn(
  log: Repository['log'],
  sittings: Life['sittings'],
): Promise<Map<number, number[]>> {
  const all = new Map<number, number[]>();
  for (const { session } of sittings) {
    const entries = await log.of(session.id);
    const courses = new Map(
      entries.flatMap(({ id, event }) =>
        event.type === 'reading' ? [[id, event.reading.course] as const] : [],
      ),
    );
    for (const { id, reading } of await log.measurements([...courses.keys()])) {
      const b = reading.freeInharmonicity ?? reading.inharmonicity;
      const course = courses.get(id);
      if (course !== undefined && b > 0) all.set(course, [...(all.get(course) ?? []), Math.log(b)]);
    }
  }
  return all;
}
