export { WithInstrument } from './WithInstrument.tsx';
