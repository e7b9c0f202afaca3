export { AfterBadEnding } from './AfterBadEnding.tsx';
export { AutomaticCopies } from './AutomaticCopies.tsx';
export { DataPage as default } from './DataPage.tsx';
export { SettingsPage } from './SettingsPage.tsx';
