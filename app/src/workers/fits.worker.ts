import { settlingReport } from '@rosefinch/core/settling';
import { learnCoupling } from '@rosefinch/core/strings';
import type { FitReport, FitRequest } from './fits.ts';

/** Fits what readings tell of an instrument, and ends. */
self.onmessage = ({ data }: MessageEvent<FitRequest>) => {
  report({ type: 'here' });
  const answer =
    data.fit === 'coupling' ? learnCoupling(data.sittings, data.prior) : settlingReport(data);
  report({ type: 'answer', answer });
};

function report(message: FitReport): void {
  postMessage(message);
}
