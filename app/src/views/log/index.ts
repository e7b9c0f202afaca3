export { HistoryView as default } from './HistoryView.tsx';
