export { DataPage as default } from './DataPage.tsx';
