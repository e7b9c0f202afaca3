import { targetsOf } from '@rosefinch/core/music';
import {
  type Coupling,
  expectedCoupling,
  homeTuning,
  type Instrument,
  stringLoad,
} from '@rosefinch/core/strings';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { type Stock, useData } from '../../data/index.ts';
import { learnCouplingAside } from '../../fits/index.ts';

/**
 * How the strings of an instrument move each other, as its earlier sessions tell; what is
 * usual for its bridge until they have been read, or where there are none.
 */
export function useCoupling(instrument: Instrument, stock: Stock): Coupling {
  const { repository } = useData();
  const prior = useMemo(() => {
    const home = homeTuning(instrument, stock.tunings);
    // Tensions of another tuning differ by less than single strings depart from the rule.
    const targets = home ? targetsOf(home, stock.settings.a4) : [];
    const tensions = targets.flatMap(
      ({ course, hz }) => stringLoad(instrument, course, hz)?.tension ?? [],
    );
    return { tensions, bridge: instrument.bridge };
  }, [instrument, stock.tunings, stock.settings.a4]);
  const learned = useQuery({
    queryKey: ['coupling', instrument.id, prior],
    queryFn: async () =>
      learnCouplingAside({ sittings: await repository.heard(instrument.id), prior }),
    // One session is not aimed by what is still being heard in it.
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 0,
  });
  return useMemo(() => learned.data ?? expectedCoupling(prior), [learned.data, prior]);
}
