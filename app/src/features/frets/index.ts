export { FretsView as default } from './FretsView.tsx';
