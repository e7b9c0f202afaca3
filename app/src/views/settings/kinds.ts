import type { LabelId } from '@rosefinch/core/message';
import type { TABLE_NAMES } from '@rosefinch/core/records';

/** What the records of each table are called. */
export const KINDS: Readonly<Record<(typeof TABLE_NAMES)[number], LabelId>> = {
  settings: 'settings.kindSettings',
  instruments: 'settings.kindInstruments',
  tunings: 'settings.kindTunings',
  restringings: 'settings.kindRestringings',
  fretChecks: 'settings.kindFretChecks',
  sessions: 'settings.kindSessions',
  events: 'settings.kindEvents',
  measurements: 'settings.kindMeasurements',
  recordings: 'settings.kindRecordings',
  rounds: 'settings.kindRounds',
  marks: 'settings.kindMarks',
  climate: 'settings.kindClimate',
  learners: 'settings.kindLearners',
  earRuns: 'settings.kindEarRuns',
};
