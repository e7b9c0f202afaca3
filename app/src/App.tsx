import { lazy, Suspense, use, useSyncExternalStore } from 'react';
import { Route, Routes } from 'react-router';
import { BenchView } from './features/bench/index.ts';
import { type Notices, Shell } from './ui/index.ts';

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
const NotFound = lazy(() => import('./NotFound.tsx'));

interface Props {
  readonly notices: Notices;
  /** Resolves when the database can be read. */
  readonly ready: Promise<void>;
}

export function App({ notices, ready }: Props) {
  const notice = useSyncExternalStore(notices.subscribe, () => notices.latest);
  return (
    <Shell>
      {notice && (
        <div className="problem" role="alert">
          {notice.message}{' '}
          {notice.action && (
            <button type="button" className="link" onClick={notice.action.act}>
              {notice.action.label}
            </button>
          )}
        </div>
      )}
      <Suspense fallback={<p>One moment …</p>}>
        <Views ready={ready} />
      </Suspense>
    </Shell>
  );
}

function Views({ ready }: { ready: Promise<void> }) {
  use(ready);
  return (
    <Routes>
      <Route path="/" element={<BenchView />} />
      <Route path="/retune" element={<RetuneView />} />
      <Route path="/settle" element={<SettleView />} />
      <Route path="/frets" element={<FretsView />} />
      <Route path="/shelf" element={<ShelfView />} />
      <Route path="/shelf/:instrument" element={<InstrumentPage />} />
      <Route path="/tunings" element={<TuningsView />} />
      <Route path="/tunings/new" element={<TuningEditor />} />
      <Route path="/tunings/:tuning" element={<TuningPage />} />
      <Route path="/tunings/:tuning/edit" element={<TuningEditor />} />
      <Route path="/history" element={<HistoryView />} />
      <Route path="/recordings/:id" element={<RecordingView />} />
      <Route path="/data" element={<DataPage />} />
      <Route path="*" element={<NotFound />} />
    </Routes>
  );
}
