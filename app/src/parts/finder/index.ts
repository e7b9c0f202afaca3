export { Finder } from './Finder.tsx';
export { InstrumentInHand } from './InstrumentInHand.tsx';
