export { FretSummary } from './FretSummary.tsx';
export { FretsView as default } from './FretsView.tsx';
export { falseStrings } from './falseStrings.ts';
