import { translator, type Words } from '@rosefinch/words';
import { createContext, type ReactNode, use, useMemo } from 'react';
import { useSettings } from '../../data/index.ts';
import { locale, usualUnits } from '../../environment.ts';
import type { LoadedTexts } from './catalogue.ts';

/** The words of the page; only tests give them otherwise than by WordsProvider. */
export const WordsContext = createContext<Words | null>(null);

interface Props {
  readonly texts: LoadedTexts;
  readonly children: ReactNode;
}

/** Gives all below it the words of one language, written as the settings say. */
export function WordsProvider({ texts, children }: Props) {
  const settings = useSettings();
  const words = useMemo(() => {
    const {
      notes = 'english',
      signs = 'tuning',
      force,
      decimal,
      length,
    } = {
      ...usualUnits(),
      ...settings,
    };
    const { language } = texts;
    const reader = { language, notes, signs, force, decimal, length, dates: locale() };
    // A view whose module is not loaded yet waits for it.
    return translator(texts.texts, reader, (module) => {
      throw texts.load([module]);
    });
  }, [texts, settings]);
  return <WordsContext value={words}>{children}</WordsContext>;
}

/** Turns messages into the reader's words. */
export function useWords(): Words {
  const words = use(WordsContext);
  if (!words) throw new Error('useWords outside of WordsProvider');
  return words;
}
