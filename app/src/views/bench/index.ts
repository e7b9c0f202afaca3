export { BenchView } from './BenchView.tsx';
