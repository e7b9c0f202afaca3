export { RecordingView as default } from './RecordingView.tsx';
