import { type SettlingReport, settlingReport } from '@rosefinch/core/settling';
import { type Coupling, learnCoupling } from '@rosefinch/core/strings';
import { serve } from '../worker/serve.ts';
import type { FitRequest } from './protocol.ts';

/** Fits what readings tell of an instrument. */
serve((request: FitRequest): Coupling | SettlingReport =>
  request.fit === 'coupling'
    ? learnCoupling(request.sittings, request.prior)
    : settlingReport(request),
);
