export { FretSummary } from './FretSummary.tsx';
export { FretsView as default } from './FretsView.tsx';
export { stringsIn } from './stringsIn.ts';
