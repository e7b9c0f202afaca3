import { problemOf } from '@rosefinch/core/errors';
import type { Message } from '@rosefinch/core/message';
import { STORE_TROUBLES } from '@rosefinch/core/sentences';
import '@fontsource-variable/bricolage-grotesque';
import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/jetbrains-mono';
import { MantineProvider } from '@mantine/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { type ReactNode, StrictMode, Suspense } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, createHashRouter, RouterProvider } from 'react-router';
import { App } from './App.tsx';
import {
  canKeep,
  DataProvider,
  inMemory,
  Repository,
  RosefinchDatabase,
  type Shelf,
} from './data/index.ts';
import { base, language, nameViewsByHash, ownName } from './environment.ts';
import { watchForInstall } from './install.ts';
import { Notices, NoticesProvider, theme } from './parts/frame/index.ts';
import { FIRST_MODULES, LoadedTexts, WordsProvider } from './parts/words/index.ts';
import { watchForUpdates } from './updates.ts';

const LAST_SHELF = ownName('rosefinch-shelf');

/** What the server says of itself: which shelf it serves, and whether it answers for every address of a view. */
interface Served {
  readonly shelf: Shelf;
  readonly routes: 'path' | 'hash';
}

/** Nothing is said where files are all there is. */
const FILES_ALONE: Served = { shelf: 'own', routes: 'hash' };

/** The server says which shelf it serves; offline the last answer holds. A folder of files serves one of its own. */
async function whatIsServed(): Promise<Served> {
  try {
    const answer = await fetch(`${base}shelf.json`, { cache: 'no-store' });
    const served = asServed(await answer.text());
    if (served) remember(served);
    return served ?? FILES_ALONE;
  } catch {
    return remembered() ?? FILES_ALONE;
  }
}

/** A browser may forbid even this: then the server is asked every time. */
function remember(served: Served): void {
  try {
    localStorage.setItem(LAST_SHELF, JSON.stringify(served));
  } catch {
    // Nothing is lost: offline the shelf of one's own is opened.
  }
}

function remembered(): Served | null {
  try {
    return asServed(localStorage.getItem(LAST_SHELF) ?? '');
  } catch {
    return null;
  }
}

/** What was said, if it can be; versions before this one remembered the shelf alone, and had a server of their own. */
function asServed(text: string): Served | null {
  if (text === 'own' || text === 'demo') return { shelf: text, routes: 'path' };
  try {
    const { shelf, routes } = JSON.parse(text) as Partial<Served>;
    if (shelf !== 'own' && shelf !== 'demo') return null;
    return { shelf, routes: routes === 'hash' ? 'hash' : 'path' };
  } catch {
    return null;
  }
}

/** One route for all: the views are chosen below it, and forms can ask before they are left. */
function routerFor({ routes }: Served, page: ReactNode) {
  const all = [{ path: '*', element: page }];
  nameViewsByHash(routes === 'hash');
  if (routes === 'hash') return createHashRouter(all);
  // Shortcuts and links of a copy that has no server of its own lead here too.
  if (location.hash.startsWith('#/')) history.replaceState(null, '', base + location.hash.slice(2));
  return createBrowserRouter(all, { basename: base });
}

async function open(): Promise<void> {
  const texts = new LoadedTexts(language());
  // What the first look says comes while the server is asked; the rest once that is painted.
  const [served, isKept] = await Promise.all([
    whatIsServed(),
    canKeep(),
    texts.load(FIRST_MODULES),
  ]);
  const { shelf } = served;
  const notices = new Notices();
  const trouble = (problem: Message) => notices.say({ message: problem });
  // Strings can be read all the same; what is read is gone with the page, and that is said.
  if (!isKept) trouble(STORE_TROUBLES.none);
  const memory = isKept ? {} : await inMemory();
  const database = new RosefinchDatabase(shelf, trouble, memory);
  const repository = new Repository(database, shelf);
  // The notices must show even while an older tab holds the database.
  const ready = repository.prepare().catch((error: Error) => {
    notices.say({ message: problemOf(error) });
    return new Promise<void>(() => {});
  });
  watchForUpdates(notices);
  watchForInstall(notices);
  const root = document.getElementById('root');
  if (!root) throw new Error('the page has no root element');
  const router = routerFor(served, <App ready={ready} />);
  // A shortcut of an open page changes nothing but what stands behind the #.
  window.addEventListener('hashchange', () => {
    if (served.routes === 'path' && location.hash.startsWith('#/'))
      void router.navigate(location.hash.slice(1), { replace: true });
  });
  createRoot(root).render(
    <StrictMode>
      <MantineProvider theme={theme} defaultColorScheme="auto">
        <QueryClientProvider client={new QueryClient()}>
          <DataProvider value={{ repository, shelf }}>
            <WordsProvider texts={texts}>
              <NoticesProvider value={notices}>
                <Suspense>
                  <RouterProvider router={router} />
                </Suspense>
              </NoticesProvider>
            </WordsProvider>
          </DataProvider>
        </QueryClientProvider>
      </MantineProvider>
    </StrictMode>,
  );
  // What an event says must be there by then; a view that is quicker waits for its own.
  // However busy the page: until they are there a view may have to wait for one.
  requestIdleCallback(() => void texts.loadAll().catch(() => {}), { timeout: 1000 });
}

void open();
