export { saltmarshLibrary } from './saltmarsh.ts';
export { saltmarshYear, type Year } from './year.ts';
