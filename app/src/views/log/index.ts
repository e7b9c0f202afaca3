export { LogView as default } from './LogView.tsx';
