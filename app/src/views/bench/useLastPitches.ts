import type { Instrument } from '@rosefinch/core/strings';
import { useQuery } from '@tanstack/react-query';
import { useData } from '../../data/index.ts';

/** What the open strings were heard at last, in Hz, when the bench was opened; undefined until it is read. */
export function useLastPitches(instrument: Instrument): ReadonlyMap<number, number> | undefined {
  const { repository } = useData();
  const { data } = useQuery({
    queryKey: ['last pitches', instrument.id, instrument.tuningId],
    queryFn: () => repository.lastPitches(instrument),
    // What is heard from now on is in the session itself.
    staleTime: Number.POSITIVE_INFINITY,
    // On the way back the strings are no longer where they were before the way there.
    gcTime: 0,
  });
  return data;
}
