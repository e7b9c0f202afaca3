export { RoundPage as default } from './RoundPage.tsx';
