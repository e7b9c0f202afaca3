export { OpenView as default } from './OpenView.tsx';
