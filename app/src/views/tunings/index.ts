export { TuningEditor } from './TuningEditor.tsx';
export { TuningPage } from './TuningPage.tsx';
export { TuningsView as default } from './TuningsView.tsx';
