import { driftOf, type Told } from '@rosefinch/core/drift';
import { type EarProgress, progressOf } from '@rosefinch/core/ear';
import { type SettlingReport, settlingReport } from '@rosefinch/core/settling';
import { type Coupling, learnCoupling } from '@rosefinch/core/strings';
import { serve } from '../worker/serve.ts';
import type { FitRequest } from './protocol.ts';

/** Fits what readings tell of an instrument. */
serve((request: FitRequest): Coupling | SettlingReport | EarProgress[] | Told[] => {
  switch (request.fit) {
    case 'coupling':
      return learnCoupling(request.sittings, request.prior);
    case 'settling':
      return settlingReport(request);
    case 'ear':
      return progressOf(request.runs);
    case 'drift':
      return request.tasks.map(driftOf);
  }
});
