import { useEffect } from 'react';
import { useSearchParams } from 'react-router';
import type { Bench } from './useBench.ts';

/** An address that ends in ?listen=practice or ?listen=microphone begins to listen, once; ?by=ear hides the figures. */
export function useByAddress({ sitting, listening, send }: Bench): void {
  const [search, setSearch] = useSearchParams();
  const source = search.get('listen');
  const ear = search.get('by') === 'ear';
  const ready = sitting.loaded && (source !== null || ear);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once per address, not per render
  useEffect(() => {
    if (!ready) return;
    setSearch({}, { replace: true });
    if (ear) send({ type: 'by ear' });
    if (source === 'practice' || source === 'microphone') listening.listen(source);
  }, [ready]);
}
