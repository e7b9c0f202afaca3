import { sentencesOf } from '@rosefinch/core/message';
import { knownSinceInWords, loadInWords, tuningName } from '@rosefinch/core/sentences';
import { useWords } from '../../parts/words/index.ts';
import './retune.css';
import { findTuning, type Tuning, targetsOf, tuningsFor } from '@rosefinch/core/music';
import { planRetune, planStrings } from '@rosefinch/core/retune';
import { homeTuning, type Instrument } from '@rosefinch/core/strings';
import { type ReactNode, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { type Repository, type Stock, useData, useLive } from '../../data/index.ts';
import { now } from '../../environment.ts';
import { WithInstrument } from '../../parts/instruments/index.ts';
import { useCoupling } from '../../parts/neck/index.ts';
import { asLinked, ShareLink } from '../../parts/share/index.ts';
import { Job } from '../../parts/stage/index.ts';
import { WireList } from '../../parts/wires/index.ts';
import { PlanChoices } from './PlanChoices.tsx';
import { PlanPrinted } from './PlanPrinted.tsx';
import { PlanStage } from './PlanStage.tsx';
import { planLines } from './planLines.tsx';
import { capoOf, type Way } from './way.ts';

/** From the tuning an instrument is in to another one, and back. */
export function RetuneView() {
  const t = useWords();
  return (
    <WithInstrument says={t('retune.about')}>
      {(instrument, stock) => (
        <RetuneOf key={instrument.id} instrument={instrument} stock={stock} />
      )}
    </WithInstrument>
  );
}

interface OfProps {
  readonly instrument: Instrument;
  readonly stock: Stock;
}

function RetuneOf({ instrument, stock }: OfProps) {
  const t = useWords();
  const [search, setSearch] = useSearchParams();
  const [capo, setCapo] = useState(instrument.capo ?? 0);
  const found = useWayTo(instrument, stock, { wanted: search.get('to'), capo });
  if (found === 'reading') return <p>{t('common.moment')}</p>;
  if (found === null)
    return (
      <p className="job-says">
        {t('retune.tuningUnknown', { instrument: instrument.name })}{' '}
        <Link to={`/shelf/${instrument.id}`}>{t('retune.chooseAnotherOneForIt')}</Link>
      </p>
    );
  const { way, choices } = found;
  return (
    <PlanOf
      key={way.target.id}
      way={way}
      stock={stock}
      choices={
        <PlanChoices
          settings={stock.settings}
          choices={choices}
          target={way.target}
          onTarget={(to) => setSearch({ to }, { replace: true })}
          capo={capo}
          onCapo={setCapo}
        />
      }
    />
  );
}

interface PlanProps {
  readonly way: Way;
  readonly stock: Stock;
  readonly choices: ReactNode;
}

/** The plan: its steps along the wires, the one in hand on the stage. */
function PlanOf({ way, stock, choices }: PlanProps) {
  const t = useWords();
  const { settings } = stock;
  const { plan, instrument } = way;
  const [sure, setSure] = useState(false);
  const [shown, setShown] = useState<number | null>(null);
  const [sharing, setSharing] = useState(false);
  const begin = useBegin(way);
  const capo = capoOf(way);
  const refused = plan.warnings.some((warning) => warning.kind === 'refused');
  const heavy = plan.warnings.some((warning) => warning.kind === 'load') && !sure;
  const step = plan.steps.find(({ course }) => course === shown) ?? plan.steps[0] ?? null;
  const lines = planLines(way, step);
  return (
    <Job
      view="retune"
      title={t('retune.retuneName', { name: instrument.name })}
      settings={settings}
      acts={{ begin: refused || heavy ? null : () => void begin() }}
      buttons={[
        {
          act: 'begin',
          label: t('retune.doItOnTheBench'),
          filled: !refused && !heavy && plan.steps.length > 0,
        },
        ...(capo === null
          ? []
          : [{ label: t('retune.capoAtFretCapoInstead', { capo }), act: () => void begin(capo) }]),
        { label: t('retune.printThePlan'), act: () => window.print() },
      ]}
      more={[{ label: t('retune.handThisPlanOnAs'), act: () => setSharing(true) }]}
      asleep={sharing}
      listening={null}
      says={[
        ...sentencesOf(loadInWords(way.plan)),
        knownSinceInWords(way.left, tuningName(way.from), now()),
      ]}
      stage={
        <PlanStage
          way={way}
          pegsSeen={settings.pegsSeen}
          step={step}
          onSure={heavy ? () => setSure(true) : null}
        />
      }
      wires={
        <WireList
          wide
          lines={settings.wires === 'asYouLookDown' ? lines : lines.reverse()}
          onChoose={setShown}
        />
      }
      line={choices}
    >
      <PlanPrinted way={way} />
      <ShareLink
        what={{ kind: 'plan', from: asLinked(way.from, t), to: asLinked(way.target, t) }}
        title={t('retune.nameToName2', {
          name: tuningName(way.from),
          name2: tuningName(way.target),
        })}
        opened={sharing}
        onClose={() => setSharing(false)}
      />
    </Job>
  );
}

/** Begins the way on the bench; or stays in the tuning it is in, with a capo at a fret. */
function useBegin({ instrument, from, target, capo, a4 }: Way) {
  const { repository } = useData();
  const navigate = useNavigate();
  return async (instead?: number) => {
    const to =
      instead === undefined ? { tuningId: target.id, capo } : { tuningId: from.id, capo: instead };
    await repository.retune(instrument.id, { ...to, a4 }, now());
    await navigate('/');
  };
}

interface Wish {
  /** The tuning that is asked for by the address. */
  readonly wanted: string | null;
  readonly capo: number;
}

/** The way from the strings as they were heard last; null where the present tuning is not known. */
function useWayTo(instrument: Instrument, stock: Stock, { wanted, capo }: Wish) {
  const { settings, tunings } = stock;
  const coupling = useCoupling(instrument, stock);
  const heard = useLive((data) => data.lastPitches(instrument), instrument.id);
  const left = useLive((data) => lastLeft(data, instrument), `left ${instrument.id}`);
  const from = findTuning(instrument.tuningId, tunings);
  const home = homeTuning(instrument, tunings);
  const choices = tuningsFor(instrument.kind, instrument.courses.length, tunings);
  const target = choices.find((t) => t.id === wanted) ?? defaultTarget(instrument, choices);
  if (!heard || left === undefined) return 'reading' as const;
  if (!from || !home || !target) return null;
  const { a4, planOrder, tolerance } = settings;
  const present = targetsOf(from, a4);
  // Those not heard yet stand as the present tuning has them.
  const nowHz = (course: number) => heard.get(course) ?? present[course - 1]?.hz ?? a4;
  const strings = planStrings({ instrument, home, target, a4, nowHz });
  const { bridge } = instrument;
  const manner = settings.aiming ? 'by display' : 'by ear';
  const plan = planRetune(strings, planOrder, tolerance, { bridge, coupling, manner });
  const way: Way = { instrument, from, target, strings, plan, capo, a4, left };
  return { way, choices };
}

/** When an instrument was on the bench last, as far as that tells of it. */
async function lastLeft(repository: Repository, { id }: Instrument): Promise<Way['left']> {
  const sessions = await repository.sessions();
  const last = sessions.find((one) => one.instrumentId === id && repository.tells(one));
  return last ? { at: last.endedAt ?? last.startedAt, zone: last.zone } : null;
}

/** Away from home: back. At home: the first other tuning, or its own where none else is known. */
function defaultTarget(instrument: Instrument, choices: readonly Tuning[]): Tuning | undefined {
  return (
    choices.find((tuning) => tuning.id === instrument.homeTuningId) ??
    choices.find((tuning) => tuning.id !== instrument.tuningId) ??
    choices[0]
  );
}
