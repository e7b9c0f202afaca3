import type { AirAt, Told } from '@rosefinch/core/drift';
import { homeTuning, type Instrument } from '@rosefinch/core/strings';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { type Life, type Stock, useLive } from '../../data/index.ts';
import { now as timeOfDay } from '../../environment.ts';
import { driftAside } from '../../fits/index.ts';
import { type Judged, judged, NO_LIFE } from './shelved.ts';
import { driftTask } from './task.ts';

/** All instruments with what is known of them, at once; what has to be worked out follows. Undefined until it is read. */
export function useJudged(
  instruments: readonly Instrument[],
  { tunings }: Pick<Stock, 'tunings'>,
): readonly Judged[] | undefined {
  const only = instruments.length === 1 ? instruments[0]?.id : undefined;
  const lives = useLive((r) => r.chronicle.lives(only), `lives ${only ?? 'all'}`);
  const air = useAir();
  const tasks = useMemo(
    () =>
      lives &&
      instruments.map((instrument) => {
        const tuning = homeTuning(instrument, tunings);
        const life = lives.get(instrument.id) ?? NO_LIFE;
        return tuning ? driftTask(instrument, tuning, life) : null;
      }),
    [lives, instruments, tunings],
  );
  const { data: told, isPending } = useQuery({
    // What the answer depends on: which sessions, sets and loans there are.
    queryKey: [
      'drift',
      instruments.map(({ id, tuningId }) => [id, tuningId, stampOf(lives?.get(id))]),
    ],
    queryFn: ({ signal }) =>
      driftAside(
        (tasks ?? []).flatMap((task) => task ?? []),
        signal,
      ),
    enabled: tasks !== undefined && tasks.length > 0,
    staleTime: Number.POSITIVE_INFINITY,
  });
  return useMemo(() => {
    if (!lives || !air || !tasks) return undefined;
    const answers = [...(told ?? [])];
    const now = timeOfDay();
    return instruments.map((instrument, i) => {
      const answer: Told | null = tasks[i] ? (answers.shift() ?? null) : null;
      const life = lives.get(instrument.id) ?? NO_LIFE;
      return judged(instrument, life, answer, { now, air }, isPending && tasks[i] !== null);
    });
  }, [lives, air, tasks, told, isPending, instruments]);
}

function stampOf(life: Life | undefined): string {
  if (!life) return '';
  const { sittings, restringings, marks } = life;
  const last = sittings.at(-1);
  return [
    sittings.length,
    last?.session.id,
    last?.summary.upTo,
    ...restringings.map(({ id, fittedAt }) => `${id} ${fittedAt}`),
    ...marks.map(({ id, at, until }) => `${id} ${at} ${until}`),
  ].join();
}

/** The air, day by day, each at its noon. */
function useAir(): readonly AirAt[] | undefined {
  const days = useLive((r) => r.chronicle.air(), 'air');
  return useMemo(
    () =>
      days?.map(({ id, celsius, humidity }) => ({
        at: Date.parse(`${id}T12:00:00Z`),
        celsius,
        humidity,
      })),
    [days],
  );
}
