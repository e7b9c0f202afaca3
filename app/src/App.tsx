import { Button } from '@mantine/core';
import { problemOf } from '@rosefinch/core/errors';
import { lazy, Suspense, use } from 'react';
import { NavLink, Route, Routes } from 'react-router';
import { inHandOf, useData, useStock } from './data/index.ts';
import { InstrumentInHand } from './parts/finder/index.ts';
import { NoticeLine, Shell, useNotices, View } from './parts/frame/index.ts';
import { Unstored } from './parts/listening/index.ts';
import { useWords } from './parts/words/index.ts';
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
  { path: '/', title: 'views.bench', Shown: BenchView, job: true },
  { path: '/retune', title: 'views.retune', Shown: RetuneView, job: true },
  { path: '/settle', title: 'views.settle', Shown: SettleView, job: true },
  { path: '/frets', title: 'views.frets', Shown: FretsView, job: true },
  { path: '/log', title: 'views.log', Shown: LogView, job: true },
  { path: '/shelf', title: 'views.shelf', Shown: ShelfView, inHead: true },
  { path: '/shelf/:instrument', title: 'views.instrument', Shown: InstrumentPage },
  { path: '/labels', title: 'views.labels', Shown: LabelsPage },
  { path: '/rounds/:id', title: 'views.round', Shown: RoundsPage },
  { path: '/year', title: 'views.theYear', Shown: YearSheet },
  { path: '/tunings', title: 'views.tunings', Shown: TuningsView, inHead: true },
  { path: '/tunings/new', title: 'views.newTuning', Shown: TuningEditor },
  { path: '/tunings/:tuning', title: 'views.tuning', Shown: TuningPage },
  { path: '/tunings/:tuning/edit', title: 'views.changeATuning', Shown: TuningEditor },
  { path: '/paper', title: 'views.onPaper', Shown: PaperPage },
  { path: '/ear', title: 'views.ear', Shown: EarView, inHead: true },
  { path: '/ear/progress', title: 'views.earProgress', Shown: EarProgressPage },
  { path: '/ear/:exercise', title: 'views.earExercise', Shown: ExercisePage },
  { path: '/settings', title: 'views.settings', Shown: SettingsPage, inHead: true },
  { path: '/data', title: 'views.backupAndRestore', Shown: DataPage },
  { path: '/open', title: 'views.aLink', Shown: OpenView },
  { path: '/help', title: 'views.guide', Shown: HelpView },
  { path: '/help/for/*', title: 'views.guide', Shown: HelpOfView },
  { path: '/help/:page', title: 'views.guide', Shown: HelpPage },
  { path: '/recordings/:id', title: 'views.recording', Shown: RecordingView },
  { path: '*', title: 'views.noSuchPage', Shown: NotFound },
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
  const t = useWords();
  const inHand = (
    <Suspense>
      <InHand ready={ready} />
    </Suspense>
  );
  const about = (
    <Suspense>
      <About ready={ready} />
    </Suspense>
  );
  return (
    <Shell inHand={inHand} about={about} jobs={JOBS} others={OTHERS}>
      <div className="notices">
        <NoticeLine />
        <Unstored />
      </div>
      <Suspense fallback={<p>{t('common.moment')}</p>}>
        <Views ready={ready} />
      </Suspense>
    </Shell>
  );
}

function InHand({ ready }: Props) {
  use(ready);
  return <InstrumentInHand views={PLACES} />;
}

/** To the page of the instrument in hand. */
function About({ ready }: Props) {
  use(ready);
  const t = useWords();
  const stock = useStock();
  const id = stock && inHandOf(stock)?.id;
  return id === undefined ? null : <NavLink to={`/shelf/${id}`}>{t('views.instrument')}</NavLink>;
}

function Views({ ready }: { ready: Promise<void> }) {
  const t = useWords();
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
              <View title={t(title)} rescue={<Rescue />}>
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
  const t = useWords();
  const { repository } = useData();
  const notices = useNotices();
  const save = () =>
    import('./parts/copies/index.ts')
      .then(({ saveBackup }) => saveBackup(repository).done)
      .catch((error: Error) => notices.say({ message: problemOf(error) }));
  return <Button onClick={() => void save()}>{t('views.writeABackup')}</Button>;
}
