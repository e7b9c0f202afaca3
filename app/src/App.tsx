import { Button } from '@mantine/core';
import { lazy, Suspense, use } from 'react';
import { Route, Routes } from 'react-router';
import { saveBackup } from './backup.ts';
import { useData } from './data/index.ts';
import { BenchView } from './features/bench/index.ts';
import { Unstored } from './features/listening/index.ts';
import { NoticeLine, Shell, useNotices, View } from './ui/index.ts';

const FretsView = lazy(() => import('./features/frets/index.ts'));
const HistoryView = lazy(() => import('./features/history/index.ts'));
const RecordingView = lazy(() => import('./features/report/index.ts'));
const RetuneView = lazy(() => import('./features/retune/index.ts'));
const SettleView = lazy(() => import('./features/settle/index.ts'));
const ShelfView = lazy(() => import('./features/shelf/index.ts'));
const InstrumentPage = lazy(() =>
  import('./features/shelf/index.ts').then(({ InstrumentPage }) => ({ default: InstrumentPage })),
);
const TuningsView = lazy(() => import('./features/tunings/index.ts'));
const TuningPage = lazy(() =>
  import('./features/tunings/index.ts').then(({ TuningPage }) => ({ default: TuningPage })),
);
const TuningEditor = lazy(() =>
  import('./features/tunings/index.ts').then(({ TuningEditor }) => ({ default: TuningEditor })),
);
const DataPage = lazy(() => import('./features/data/index.ts'));
const AutomaticCopies = lazy(() =>
  import('./features/data/index.ts').then(({ AutomaticCopies }) => ({ default: AutomaticCopies })),
);
const AfterBadEnding = lazy(() =>
  import('./features/data/index.ts').then(({ AfterBadEnding }) => ({ default: AfterBadEnding })),
);
const NotFound = lazy(() => import('./NotFound.tsx'));

interface Props {
  /** Resolves when the database can be read. */
  readonly ready: Promise<void>;
}

export function App({ ready }: Props) {
  return (
    <Shell>
      <NoticeLine />
      <Unstored />
      <Suspense fallback={<p>One moment …</p>}>
        <Views ready={ready} />
      </Suspense>
    </Shell>
  );
}

const VIEWS = [
  { path: '/', title: 'Bench', Shown: BenchView },
  { path: '/retune', title: 'Retune', Shown: RetuneView },
  { path: '/settle', title: 'Settle', Shown: SettleView },
  { path: '/frets', title: 'Frets', Shown: FretsView },
  { path: '/shelf', title: 'Shelf', Shown: ShelfView },
  { path: '/shelf/:instrument', title: 'Instrument', Shown: InstrumentPage },
  { path: '/tunings', title: 'Tunings', Shown: TuningsView },
  { path: '/tunings/new', title: 'New tuning', Shown: TuningEditor },
  { path: '/tunings/:tuning', title: 'Tuning', Shown: TuningPage },
  { path: '/tunings/:tuning/edit', title: 'Change a tuning', Shown: TuningEditor },
  { path: '/history', title: 'History', Shown: HistoryView },
  { path: '/recordings/:id', title: 'Recording', Shown: RecordingView },
  { path: '/data', title: 'Data', Shown: DataPage },
  { path: '*', title: 'No such page', Shown: NotFound },
] as const;

function Views({ ready }: { ready: Promise<void> }) {
  use(ready);
  return (
    <>
      <Suspense>
        <AutomaticCopies />
        <AfterBadEnding />
      </Suspense>
      <Routes>
        {VIEWS.map(({ path, title, Shown }) => (
          <Route
            key={path}
            path={path}
            element={
              <View title={title} rescue={<Rescue />}>
                <Shown />
              </View>
            }
          />
        ))}
      </Routes>
    </>
  );
}

/** What can be done beside a view that has failed. */
function Rescue() {
  const { repository } = useData();
  const notices = useNotices();
  const save = () =>
    saveBackup(repository).done.catch((error: Error) => notices.say({ message: error.message }));
  return <Button onClick={() => void save()}>Write a backup</Button>;
}
