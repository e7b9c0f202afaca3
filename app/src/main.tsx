import '@fontsource-variable/bricolage-grotesque';
import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/jetbrains-mono';
import '@mantine/core/styles.css';
import './ui/theme.css';
import { MantineProvider } from '@mantine/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { App } from './App.tsx';
import { DataProvider, Repository, RosefinchDatabase, type Shelf } from './data/index.ts';
import { theme } from './ui/index.ts';

const LAST_SHELF = 'rosefinch-shelf';

/** The server says which shelf it serves; offline the last answer holds. */
async function whichShelf(): Promise<Shelf> {
  try {
    const answer = await fetch('/shelf.json', { cache: 'no-store' });
    const { shelf } = (await answer.json()) as { shelf: Shelf };
    localStorage.setItem(LAST_SHELF, shelf);
    return shelf;
  } catch {
    return localStorage.getItem(LAST_SHELF) === 'demo' ? 'demo' : 'own';
  }
}

async function open(): Promise<void> {
  const shelf = await whichShelf();
  const repository = new Repository(new RosefinchDatabase(shelf));
  await repository.prepare(shelf);
  const root = document.getElementById('root');
  if (!root) throw new Error('the page has no root element');
  createRoot(root).render(
    <StrictMode>
      <MantineProvider theme={theme} defaultColorScheme="auto">
        <QueryClientProvider client={new QueryClient()}>
          <DataProvider value={{ repository, shelf }}>
            <BrowserRouter>
              <App />
            </BrowserRouter>
          </DataProvider>
        </QueryClientProvider>
      </MantineProvider>
    </StrictMode>,
  );
}

void open();
