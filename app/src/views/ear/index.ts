export { EarView as default } from './EarView.tsx';
export { ExercisePage } from './ExercisePage.tsx';
export { ProgressPage } from './ProgressPage.tsx';
