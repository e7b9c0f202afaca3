import { type Catalogued, type Packed, type Texts, unpacked } from '@rosefinch/words';

/** The texts of a module as they come: plain words, or packed. */
type PackedTexts = Readonly<Record<string, string | Packed>>;

/** Every module of every language, each loaded when it is first asked for. */
const FILES = import.meta.glob<PackedTexts>('../../../../messages/*/*.json', { import: 'default' });

/** The modules of what the first look says. */
export const FIRST_MODULES = ['common', 'bench', 'names', 'views'] as const;

/** The language whose texts stretch those of English, to see that there is room for others. */
const PSEUDO = 'en-XA';

const placeOf = (language: string, module: string) =>
  `../../../../messages/${language === PSEUDO ? 'en' : language}/${module}.json`;

/** The texts of one language, module by module. */
export class LoadedTexts {
  private readonly modules: Record<string, Texts> = {};
  private readonly coming = new Map<string, Promise<void>>();

  constructor(readonly language: string) {}

  get texts(): Catalogued {
    return this.modules;
  }

  /** Loads modules that are not there yet. Rejects where one cannot be had. */
  load(modules: readonly string[]): Promise<void> {
    return Promise.all(modules.map((module) => this.loadOne(module))).then(() => undefined);
  }

  /** Loads every module. */
  loadAll(): Promise<void> {
    const start = placeOf(this.language, '').replace(/\.json$/, '');
    const modules = Object.keys(FILES)
      .filter((file) => file.startsWith(start))
      .map((file) => file.slice(start.length).replace('.json', ''));
    return this.load(modules);
  }

  private loadOne(module: string): Promise<void> {
    const begun = this.coming.get(module);
    if (begun) return begun;
    const coming = (FILES[placeOf(this.language, module)]?.() ?? Promise.reject(new Error(module)))
      .then(async (texts) => {
        this.modules[module] =
          this.language === PSEUDO
            ? (await import('@rosefinch/words/stretched')).stretched(textsOf(texts))
            : textsOf(texts);
      })
      .catch((error: unknown) => {
        // Asked for again, it is tried again.
        this.coming.delete(module);
        throw error;
      });
    this.coming.set(module, coming);
    return coming;
  }
}

function textsOf(texts: PackedTexts): Texts {
  return Object.fromEntries(
    Object.entries(texts).map(([key, text]) => [
      key,
      typeof text === 'string' ? text : unpacked(text),
    ]),
  );
}
