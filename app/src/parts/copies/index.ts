export { AfterBadEnding } from './AfterBadEnding.tsx';
export { AutomaticCopies } from './AutomaticCopies.tsx';
export { saveBackup } from './backup.ts';
export { chooseFolder } from './folder.ts';
