import { settlingReport } from '@rosefinch/core/settling';
import { learnCoupling } from '@rosefinch/core/strings';
import type { FitRequest } from './fits.ts';

/** Fits what readings tell of an instrument, and ends. */
self.onmessage = ({ data }: MessageEvent<FitRequest>) => {
  if (data.fit === 'coupling') postMessage(learnCoupling(data.sittings, data.prior));
  else postMessage(settlingReport(data));
};
