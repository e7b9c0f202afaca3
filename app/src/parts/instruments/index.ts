export { InstrumentChoice } from './InstrumentChoice.tsx';
export { WithInstrument } from './WithInstrument.tsx';
