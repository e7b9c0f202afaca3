export { RecordingButton } from './RecordingButton.tsx';
