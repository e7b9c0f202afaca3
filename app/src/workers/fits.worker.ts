import { learnCoupling } from '@rosefinch/core/strings';
import type { CouplingRequest } from './fits.ts';

/** Fits what readings tell of an instrument, and ends. */
self.onmessage = ({ data: { sittings, prior } }: MessageEvent<CouplingRequest>) =>
  postMessage(learnCoupling(sittings, prior));
