import {
  capoWayInWords,
  forceFigure,
  forceInWords,
  signedCents,
  TUNING_VIEW_SAYS,
} from '@rosefinch/core/words';
import { fixed } from '@rosefinch/core/writing';
import './tunings.css';
import { Button, Group, NativeSelect, Stack, Switch, Text, TextInput } from '@mantine/core';
import { neckOf } from '@rosefinch/core/fretboard';
import {
  capoWays,
  findTuning,
  singleTuningId,
  TUNINGS,
  type Tuning,
  targetsOf,
} from '@rosefinch/core/music';
import { homeTuning, type Instrument, MODELS, stringLoad } from '@rosefinch/core/strings';
import { useEffect, useRef, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { type Stock, useData, useStock } from '../../data/index.ts';
import {
  type Card,
  type CardCheck,
  cardOf,
  checkInWords,
  comparisonsOf,
  HIGHEST_FRET,
  heldInWords,
  NeighbourMap,
} from '../../parts/cards/index.ts';
import { download, ViewHead, Wide } from '../../parts/frame/index.ts';
import { asLinked, ShareLink } from '../../parts/share/index.ts';
import { SoundPlayer } from '../../sound/index.ts';
import { ChainChart } from './ChainChart.tsx';
import { scaleText } from './draft.ts';
import { NeckChart } from './NeckChart.tsx';
import { NeckTemper } from './NeckTemper.tsx';

const CHOICES_OF_FRET = [5, 7, 9, 12];

/** One tuning: its strings and their load, its chord, and how to check it by ear. */
export function TuningPage() {
  const { tuning: id = '' } = useParams();
  const stock = useStock();
  if (!stock) return <p>One moment …</p>;
  const tuning = findTuning(id, stock.tunings);
  if (!tuning)
    return (
      <p>
        There is no tuning called “{id}”. <Link to="/tunings">All tunings</Link>
      </p>
    );
  const own = instrumentFor(tuning, stock);
  const instrument =
    own ??
    MODELS.map((model) => model.build(model.id, model.name)).find((entry) => takes(entry, tuning));
  if (!instrument) return <p>{TUNING_VIEW_SAYS.noInstrument}</p>;
  const card = cardOf(tuning, instrument, stock);
  return (
    <Stack>
      <Head tuning={tuning} card={card} canPlan={own !== undefined} />
      <Phrase key={tuning.id} tuning={tuning} stock={stock} />
      <Load card={card} tuning={tuning} instrument={instrument} stock={stock} />
      {card.way && <Way way={card.way} />}
      <Checks card={card} tuning={tuning} instrument={instrument} stock={stock} />
      {instrument.frets > 0 && (
        <NeckTemper key={`temper ${tuning.id}`} {...{ tuning, instrument }} />
      )}
      <SameNotes tuning={tuning} tunings={stock.tunings} />
      <Neighbours tuning={tuning} tunings={stock.tunings} />
    </Stack>
  );
}

function takes(instrument: Instrument, tuning: Tuning): boolean {
  return instrument.kind === tuning.kind && instrument.courses.length === tuning.courses.length;
}

/** The instrument on the bench if it can take the tuning, else the first of the shelf that can. */
function instrumentFor(tuning: Tuning, { shelf, settings }: Stock): Instrument | undefined {
  const fitting = shelf.filter((entry) => takes(entry, tuning));
  return fitting.find((entry) => entry.id === settings.instrumentId) ?? fitting[0];
}

interface HeadProps {
  readonly tuning: Tuning;
  readonly card: Card;
  readonly canPlan: boolean;
}

function Head({ tuning, card, canPlan }: HeadProps) {
  // One in pairs is made from that of single strings, and changes with it.
  const own = !findTuning(tuning.id, TUNINGS) && singleTuningId(tuning.id) === tuning.id;
  const saveSvg = async () => {
    // Only whoever wants the file loads what writes it.
    const [{ renderToStaticMarkup }, { CardSvg }] = await Promise.all([
      import('react-dom/server'),
      import('./CardSvg.tsx'),
    ]);
    download(`${tuning.name}.svg`, renderToStaticMarkup(<CardSvg card={card} />), 'image/svg+xml');
  };
  return (
    <ViewHead title={card.title} align="baseline">
      <span className="soft">{card.about}</span>
      {canPlan && (
        <Button component={Link} to={`/retune?to=${tuning.id}`}>
          Plan the way there
        </Button>
      )}
      <Button variant="default" onClick={() => window.print()}>
        Print this page
      </Button>
      <Button variant="default" component={Link} to={`/paper?tuning=${tuning.id}`}>
        Cards to print
      </Button>
      <Button variant="default" onClick={() => void saveSvg()}>
        Card as SVG
      </Button>
      <Button variant="default" onClick={() => download(`${tuning.name}.scl`, scaleText(tuning))}>
        Scale file (.scl)
      </Button>
      <HandOn tuning={tuning} />
      <Button variant="default" component={Link} to={`/tunings/new?from=${tuning.id}`}>
        New one from this
      </Button>
      {own && <OwnButtons tuning={tuning} />}
    </ViewHead>
  );
}

/** The tuning as a link, or as a code for a camera. */
function HandOn({ tuning }: { readonly tuning: Tuning }) {
  const [opened, setOpened] = useState(false);
  return (
    <>
      <Button variant="default" onClick={() => setOpened(true)}>
        Hand it on
      </Button>
      <ShareLink
        what={{ kind: 'tuning', tuning: asLinked(tuning) }}
        title={tuning.name}
        opened={opened}
        onClose={() => setOpened(false)}
      />
    </>
  );
}

/** A tuning of the teacher's own can be changed, or thrown away. */
function OwnButtons({ tuning }: { tuning: Tuning }) {
  const { repository } = useData();
  const navigate = useNavigate();

  const [problem, setProblem] = useState<string | null>(null);
  const remove = async () => {
    try {
      await repository.deleteTuning(tuning.id);
      await navigate('/tunings', { state: { deleted: tuning } });
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <>
      <Button variant="default" component={Link} to={`/tunings/${tuning.id}/edit`}>
        Change
      </Button>
      <Button variant="default" onClick={() => void remove()}>
        Delete
      </Button>
      {problem && (
        <div className="problem" role="alert">
          {problem}
        </div>
      )}
    </>
  );
}

/** What the teacher remembers the tuning by; kept when the field is left. */
function Phrase({ tuning, stock }: { tuning: Tuning; stock: Stock }) {
  const { repository } = useData();
  const { phrases } = stock.settings;
  const [text, setText] = useState(phrases[tuning.id] ?? '');
  const keep = () => {
    const { [tuning.id]: _, ...others } = phrases;
    const phrase = text.trim();
    void repository.saveSettings({
      phrases: phrase === '' ? others : { ...others, [tuning.id]: phrase },
    });
  };
  const kept = text.trim() !== '' && text.trim() === phrases[tuning.id];
  return (
    <div className="phrase" data-empty={text.trim() === ''}>
      <TextInput
        label="Remember it by"
        description={
          kept
            ? 'Kept; it is printed on the card'
            : 'A sentence of your own; it is printed on the card'
        }
        maw={520}
        maxLength={120}
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
        onBlur={keep}
      />
    </div>
  );
}

interface LoadProps {
  readonly card: Card;
  readonly tuning: Tuning;
  readonly instrument: Instrument;
  readonly stock: Stock;
}

/** What each string carries in this tuning, and the neck in all against the instrument's own tuning. */
function Load({ card, tuning, instrument, stock }: LoadProps) {
  const { force, a4 } = stock.settings;
  const home = homeTuning(instrument, stock.tunings);
  const total = (of: Tuning) =>
    targetsOf(of, a4).reduce(
      (sum, { course, hz }) => sum + (stringLoad(instrument, course, hz)?.tension ?? 0),
      0,
    );
  const carried = total(tuning);
  const offset = card.strings.some((string) => Math.abs(string.offset) >= 0.05);
  return (
    <section className="card medium" aria-label="Strings">
      <strong>On {instrument.name}</strong>
      <Wide label="What each string carries">
        <table className="ledger">
          <thead>
            <tr>
              <th scope="col">string</th>
              <th scope="col">note</th>
              {offset && <th scope="col">offset, cents</th>}
              <th scope="col">peg, from the nut</th>
              <th scope="col">tighten</th>
              <th scope="col">Hz</th>
              <th scope="col">tension, {force}</th>
              <th scope="col">to breaking, semitones</th>
            </tr>
          </thead>
          <tbody>
            {card.strings.map((string) => (
              <LoadRow key={string.course} {...{ string, offset, instrument, force }} />
            ))}
          </tbody>
        </table>
      </Wide>
      <Text size="sm" mt={8}>
        The neck carries {forceInWords(carried, force)}
        {home && `, ${fixed((100 * carried) / total(home))} % of its usual load`}.
      </Text>
    </section>
  );
}

interface LoadRowProps {
  readonly string: Card['strings'][number];
  /** The tuning sets some of its notes off. */
  readonly offset: boolean;
  readonly instrument: Instrument;
  readonly force: Stock['settings']['force'];
}

function LoadRow({ string, offset, instrument, force }: LoadRowProps) {
  const load = stringLoad(instrument, string.course, string.hz);
  return (
    <tr>
      <th scope="row">{string.course}</th>
      <td>{string.note}</td>
      {offset && <td>{signedCents(string.offset)}</td>}
      <td>{string.peg}</td>
      <td>{string.tighten}</td>
      <td>{fixed(string.hz, 2)}</td>
      <td>{load && forceFigure(load.tension, force)}</td>
      <td>{load && fixed(load.headroom, 1)}</td>
    </tr>
  );
}

/** How to get here from the tuning that the instrument is kept in. */
function Way({ way }: { way: NonNullable<Card['way']> }) {
  return (
    <section className="card medium" aria-label="The way there">
      <strong>From {way.from}</strong>
      <ol className="way">
        {way.steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
      {way.warnings.map((say) => (
        <Text size="sm" key={say}>
          {say}
        </Text>
      ))}
    </section>
  );
}

/** Comparisons by fret and by harmonic, with what the latter are out by; a click sounds one. */
function Checks({ card, tuning, instrument, stock }: LoadProps) {
  const { sounding, sound } = useSounding(tuning, instrument, stock);
  const [highestFret, setHighestFret] = useState(HIGHEST_FRET);
  const [octaves, setOctaves] = useState(false);
  const checks = comparisonsOf(tuning, instrument, highestFret, octaves);
  return (
    <section className="card" aria-label="Checks by ear">
      <Group align="center">
        <strong>Checks by ear</strong>
        <NativeSelect
          aria-label="Up to fret"
          data={CHOICES_OF_FRET.map((fret) => ({
            value: String(fret),
            label: `up to fret ${fret}`,
          }))}
          value={highestFret}
          onChange={(event) => setHighestFret(Number(event.currentTarget.value))}
        />
        <Switch
          label="octaves too"
          checked={octaves}
          onChange={(event) => setOctaves(event.currentTarget.checked)}
        />
      </Group>
      <NeckChart
        neck={neckOf(tuning, instrument)}
        checks={checks}
        frets={highestFret}
        leftHanded={instrument.leftHanded === true}
      />
      <CheckList {...{ checks, sounding }} onSound={sound} />
      {card.harmonics && <Text size="sm">{card.harmonics}</Text>}
      {card.chain.length > 0 && <ChainChart chain={card.chain} />}
    </section>
  );
}

/** Sounds comparisons on the practice instrument, and says which it is. */
function useSounding(tuning: Tuning, instrument: Instrument, stock: Stock) {
  const player = useRef(new SoundPlayer());
  const [sounding, setSounding] = useState('');
  useEffect(() => {
    const { current } = player;
    return () => current.stop();
  }, []);
  const sound = (check: CardCheck) => {
    const { a4, referenceVolume } = stock.settings;
    const openHz = targetsOf(tuning, a4).map(({ hz }) => hz);
    setSounding(TUNING_VIEW_SAYS.sounding(heldInWords(check), check.open));
    void player.current.play(
      { type: 'check', check: { instrument, openHz, held: check.held, open: check.open } },
      referenceVolume,
      { failed: setSounding },
    );
  };
  return { sounding, sound };
}

interface CheckListProps {
  readonly checks: readonly CardCheck[];
  readonly sounding: string;
  readonly onSound: (check: CardCheck) => void;
}

function CheckList({ checks, sounding, onSound }: CheckListProps) {
  return (
    <>
      <ul className="checks" data-printed>
        {checks.map((check) => (
          <li key={checkInWords(check)}>
            <button
              type="button"
              className="link"
              title="Hear both on the practice instrument"
              onClick={() => onSound(check)}
            >
              {checkInWords(check)}
            </button>
          </li>
        ))}
      </ul>
      <div role="status" className="soft screen-only">
        {sounding || TUNING_VIEW_SAYS.clickOne}
      </div>
    </>
  );
}

/** Other tunings that sound the same with a capo. */
function SameNotes({ tuning, tunings }: { tuning: Tuning; tunings: readonly Tuning[] }) {
  const ways = capoWays(tuning, tunings);
  if (ways.length === 0) return null;
  return (
    <section aria-label="The same notes with a capo">
      {ways.map(({ tuning: other, fret }) => (
        <div key={other.id}>
          <Link to={`/tunings/${other.id}`}>{capoWayInWords(other.name, fret)}</Link>
        </div>
      ))}
    </section>
  );
}

function Neighbours({ tuning, tunings }: { tuning: Tuning; tunings: readonly Tuning[] }) {
  return (
    <section aria-label="Tunings near by">
      <NeighbourMap tuning={tuning} tunings={tunings} />
    </section>
  );
}
