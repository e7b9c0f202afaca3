export { LogView as default } from './LogView.tsx';
export { YearSheet } from './YearSheet.tsx';
