import { Button } from '@mantine/core';
import { lazy, Suspense, use } from 'react';
import { Route, Routes } from 'react-router';
import { useData } from './data/index.ts';
import { InstrumentInHand } from './parts/finder/index.ts';
import { NoticeLine, Shell, useNotices, View } from './parts/frame/index.ts';
import { Unstored } from './parts/listening/index.ts';
import { BenchView } from './views/bench/index.ts';

// What keeps records safe is not what a first pluck waits for.
const AutomaticCopies = lazy(() =>
  import('./parts/copies/index.ts').then(({ AutomaticCopies }) => ({ default: AutomaticCopies })),
);
const AfterBadEnding = lazy(() =>
  import('./parts/copies/index.ts').then(({ AfterBadEnding }) => ({ default: AfterBadEnding })),
);
const FretsView = lazy(() => import('./views/frets/index.ts'));
const EarView = lazy(() => import('./views/ear/index.ts'));
const ExercisePage = lazy(() =>
  import('./views/ear/index.ts').then(({ ExercisePage: Shown }) => ({ default: Shown })),
);
const EarProgressPage = lazy(() =>
  import('./views/ear/index.ts').then(({ ProgressPage: Shown }) => ({ default: Shown })),
);
const HelpView = lazy(() => import('./views/help/index.ts'));
const HelpPage = lazy(() =>
  import('./views/help/index.ts').then(({ HelpPage }) => ({ default: HelpPage })),
);
const HelpOfView = lazy(() =>
  import('./views/help/index.ts').then(({ HelpOfView }) => ({ default: HelpOfView })),
);
const LogView = lazy(() => import('./views/log/index.ts'));
const YearSheet = lazy(() =>
  import('./views/log/index.ts').then(({ YearSheet: Shown }) => ({ default: Shown })),
);
const OpenView = lazy(() => import('./views/open/index.ts'));
const PaperPage = lazy(() => import('./views/paper/index.ts'));
const RecordingView = lazy(() => import('./views/recordings/index.ts'));
const RoundsPage = lazy(() => import('./views/rounds/index.ts'));
const RetuneView = lazy(() => import('./views/retune/index.ts'));
const SettleView = lazy(() => import('./views/settle/index.ts'));
const ShelfView = lazy(() => import('./views/shelf/index.ts'));
const InstrumentPage = lazy(() =>
  import('./views/shelf/index.ts').then(({ InstrumentPage }) => ({ default: InstrumentPage })),
);
const LabelsPage = lazy(() =>
  import('./views/shelf/index.ts').then(({ LabelsPage }) => ({ default: LabelsPage })),
);
const TuningsView = lazy(() => import('./views/tunings/index.ts'));
const TuningPage = lazy(() =>
  import('./views/tunings/index.ts').then(({ TuningPage }) => ({ default: TuningPage })),
);
const TuningEditor = lazy(() =>
  import('./views/tunings/index.ts').then(({ TuningEditor }) => ({ default: TuningEditor })),
);
const SettingsPage = lazy(() =>
  import('./views/settings/index.ts').then(({ SettingsPage }) => ({ default: SettingsPage })),
);
const DataPage = lazy(() => import('./views/settings/index.ts'));
const NotFound = lazy(() => import('./NotFound.tsx'));

/** Every view: where it is, what it is called, and in which part of the head it stands. */
const VIEWS = [
  { path: '/', title: 'Bench', Shown: BenchView, job: true },
  { path: '/retune', title: 'Retune', Shown: RetuneView, job: true },
  { path: '/settle', title: 'Settle', Shown: SettleView, job: true },
  { path: '/frets', title: 'Frets', Shown: FretsView, job: true },
  { path: '/log', title: 'Log', Shown: LogView, job: true },
  { path: '/shelf', title: 'Shelf', Shown: ShelfView, inHead: true },
  { path: '/shelf/:instrument', title: 'Instrument', Shown: InstrumentPage },
  { path: '/labels', title: 'Labels', Shown: LabelsPage },
  { path: '/rounds/:id', title: 'Round', Shown: RoundsPage },
  { path: '/year', title: 'The year', Shown: YearSheet },
  { path: '/tunings', title: 'Tunings', Shown: TuningsView, inHead: true },
  { path: '/tunings/new', title: 'New tuning', Shown: TuningEditor },
  { path: '/tunings/:tuning', title: 'Tuning', Shown: TuningPage },
  { path: '/tunings/:tuning/edit', title: 'Change a tuning', Shown: TuningEditor },
  { path: '/paper', title: 'On paper', Shown: PaperPage },
  { path: '/ear', title: 'Ear', Shown: EarView, inHead: true },
  { path: '/ear/progress', title: 'Ear: progress', Shown: EarProgressPage },
  { path: '/ear/:exercise', title: 'Ear exercise', Shown: ExercisePage },
  { path: '/settings', title: 'Settings', Shown: SettingsPage, inHead: true },
  { path: '/data', title: 'Backup and restore', Shown: DataPage },
  { path: '/open', title: 'A link', Shown: OpenView },
  { path: '/help', title: 'Guide', Shown: HelpView },
  { path: '/help/for/*', title: 'Guide', Shown: HelpOfView },
  { path: '/help/:page', title: 'Guide', Shown: HelpPage },
  { path: '/recordings/:id', title: 'Recording', Shown: RecordingView },
  { path: '*', title: 'No such page', Shown: NotFound },
] as const;

const JOBS = VIEWS.filter((view) => 'job' in view);
const OTHERS = VIEWS.filter((view) => 'inHead' in view);
/** All that can be gone to by name. */
const PLACES = VIEWS.filter(({ path }) => !/[:*]/.test(path));

interface Props {
  /** Resolves when the database can be read. */
  readonly ready: Promise<void>;
}

export function App({ ready }: Props) {
  const inHand = (
    <Suspense>
      <InHand ready={ready} />
    </Suspense>
  );
  return (
    <Shell inHand={inHand} jobs={JOBS} others={OTHERS}>
      <div className="notices">
        <NoticeLine />
        <Unstored />
      </div>
      <Suspense fallback={<p>One moment …</p>}>
        <Views ready={ready} />
      </Suspense>
    </Shell>
  );
}

function InHand({ ready }: Props) {
  use(ready);
  return <InstrumentInHand views={PLACES} />;
}

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
    import('./parts/copies/index.ts')
      .then(({ saveBackup }) => saveBackup(repository).done)
      .catch((error: Error) => notices.say({ message: error.message }));
  return <Button onClick={() => void save()}>Write a backup</Button>;
}
