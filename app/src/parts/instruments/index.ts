export { modelChoices } from './modelChoices.ts';
export { WithInstrument } from './WithInstrument.tsx';
