import '@fontsource-variable/bricolage-grotesque';
import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/jetbrains-mono';
import { MantineProvider } from '@mantine/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, RouterProvider } from 'react-router';
import { App } from './App.tsx';
import { DataProvider, Repository, RosefinchDatabase, type Shelf } from './data/index.ts';
import { Notices, NoticesProvider, theme } from './parts/frame/index.ts';
import { watchForUpdates } from './updates.ts';

const LAST_SHELF = 'rosefinch-shelf';

/** The server says which shelf it serves; offline the last answer holds. */
async function whichShelf(): Promise<Shelf> {
  try {
    const answer = await fetch('/shelf.json', { cache: 'no-store' });
    const { shelf } = (await answer.json()) as { shelf: Shelf };
    remember(shelf);
    return shelf;
  } catch {
    return remembered() ?? 'own';
  }
}

/** A browser may forbid even this: then the server is asked every time. */
function remember(shelf: Shelf): void {
  try {
    localStorage.setItem(LAST_SHELF, shelf);
  } catch {
    // Nothing is lost: offline the shelf of one's own is opened.
  }
}

function remembered(): Shelf | null {
  try {
    return localStorage.getItem(LAST_SHELF) === 'demo' ? 'demo' : null;
  } catch {
    return null;
  }
}

async function open(): Promise<void> {
  const shelf = await whichShelf();
  const notices = new Notices();
  const database = new RosefinchDatabase(shelf, (message) => notices.say({ message }));
  const repository = new Repository(database, shelf);
  // The notices must show even while an older tab holds the database.
  const ready = repository.prepare().catch((error: Error) => {
    notices.say({ message: error.message });
    return new Promise<void>(() => {});
  });
  watchForUpdates(notices);
  const root = document.getElementById('root');
  if (!root) throw new Error('the page has no root element');
  // One route for all: the views are chosen below it, and forms can ask before they are left.
  const router = createBrowserRouter([{ path: '*', element: <App ready={ready} /> }]);
  createRoot(root).render(
    <StrictMode>
      <MantineProvider theme={theme} defaultColorScheme="auto">
        <QueryClientProvider client={new QueryClient()}>
          <DataProvider value={{ repository, shelf }}>
            <NoticesProvider value={notices}>
              <RouterProvider router={router} />
            </NoticesProvider>
          </DataProvider>
        </QueryClientProvider>
      </MantineProvider>
    </StrictMode>,
  );
}

void open();
