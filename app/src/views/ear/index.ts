export { EarView as default } from './EarView.tsx';
