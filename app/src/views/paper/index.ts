export { PaperPage as default } from './PaperPage.tsx';
