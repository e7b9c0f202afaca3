export { FIRST_MODULES, LoadedTexts } from './catalogue.ts';
export { useWords, WordsProvider } from './context.tsx';
