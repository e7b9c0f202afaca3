import { driftOf, type Told } from '@rosefinch/core/drift';
import { type SettlingReport, settlingReport } from '@rosefinch/core/settling';
import { type Coupling, learnCoupling } from '@rosefinch/core/strings';
import { serve } from '../worker/serve.ts';
import type { FitRequest } from './protocol.ts';

/** Fits what readings tell of an instrument. */
serve((request: FitRequest): Coupling | SettlingReport | Told[] => {
  switch (request.fit) {
    case 'coupling':
      return learnCoupling(request.sittings, request.prior);
    case 'settling':
      return settlingReport(request);
    case 'drift':
      return request.tasks.map(driftOf);
  }
});
