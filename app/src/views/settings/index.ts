export { DataPage as default } from './DataPage.tsx';
export { SettingsPage } from './SettingsPage.tsx';
