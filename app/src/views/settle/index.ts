export { SettleView as default } from './SettleView.tsx';
export { StringAges } from './StringAges.tsx';
