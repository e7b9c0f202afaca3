import { inTestLanguage } from '@rosefinch/words/expected';
import { createElement, type ReactElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { WordsContext } from './context.tsx';

/** What a test draws, as markup with English words. */
export function drawnInWords(element: ReactElement): string {
  return renderToStaticMarkup(
    createElement(WordsContext, { value: inTestLanguage }, element),
  ).replaceAll('<!-- -->', '');
}
