export { saveBackup } from './backup.ts';
