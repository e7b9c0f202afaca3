export { RetuneView as default } from './RetuneView.tsx';
