export { HelpOfView } from './HelpOfView.tsx';
export { HelpPage } from './HelpPage.tsx';
export { HelpView as default } from './HelpView.tsx';
