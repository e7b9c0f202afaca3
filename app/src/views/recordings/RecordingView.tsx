import type { Refusal } from '@rosefinch/core/listen';
import type { Words } from '@rosefinch/words';
import { useWords } from '../../parts/words/index.ts';
import './recordings.css';
import { Anchor, Button, Group, Stack, Text, Title } from '@mantine/core';
import { nearestNote } from '@rosefinch/core/music';
import type { RecordedPluck, Recording } from '@rosefinch/core/records';
import type { Session } from '@rosefinch/core/sitting';
import { type ReactNode, useState } from 'react';
import { Link, useParams } from 'react-router';
import { useData, useLive } from '../../data/index.ts';
import { ViewHead, Wide } from '../../parts/frame/index.ts';
import { Partials } from './Partials.tsx';
import { Track } from './Track.tsx';
import { Wave } from './Wave.tsx';

/** The report of one recording: wave, plucks, and the chosen one's track and partials. */
export function RecordingView() {
  const t = useWords();
  const { id = '' } = useParams();
  const answer = useLive(async (r) => {
    const recording = await r.recording(id);
    const session = recording?.sessionId ? await r.session(recording.sessionId) : undefined;
    const instrument = (await r.instruments()).find(({ id: of }) => of === session?.instrumentId);
    return { recording, session, instrument };
  }, `recording ${id}`);
  if (!answer) return <p>{t('common.moment')}</p>;
  if (!answer.recording)
    return (
      <Stack align="flex-start">
        <Title order={1}>{t('recording.thisRecordingIsNotHere')}</Title>
        <Text>{t('recording.otherBrowser')}</Text>
        <Anchor component={Link} to="/">
          {t('parts.toTheBench')}
        </Anchor>
      </Stack>
    );
  const { recording, session, instrument } = answer;
  return (
    <Report
      recording={recording}
      whose={
        session && instrument && <Whose key={session.id} session={session} of={instrument.name} />
      }
    />
  );
}

/** Whether a recording tells of its instrument only the teacher can say: asked once. */
function Whose({ session, of }: { session: Session; of: string }) {
  const t = useWords();
  const { repository } = useData();
  if (session.adopted !== undefined)
    return (
      <Text role="status">
        {session.adopted
          ? t('recording.keptAsSitting', { instrument: of })
          : t('recording.keptAside', { instrument: of })}
      </Text>
    );
  return (
    <section className="card medium" aria-label={t('recording.whoseRecording')}>
      <p className="plan-head">{t('recording.whose', { instrument: of })}</p>
      <Group>
        <Button onClick={() => void repository.adopt(session.id, true)}>
          {t('recording.yesCountItForOf', { of })}
        </Button>
        <Button variant="default" onClick={() => void repository.adopt(session.id, false)}>
          {t('recording.noOnlyLookAtIt')}
        </Button>
      </Group>
    </section>
  );
}

function Report({ recording, whose }: { recording: Recording; whose: ReactNode }) {
  const t = useWords();
  const first = recording.plucks.findIndex((p) => p.outcome.kind === 'reading');
  const [chosen, setChosen] = useState(Math.max(0, first));
  const pluck = recording.plucks[chosen];
  return (
    <Stack>
      <div>
        <ViewHead title={recording.name} />
        <Text className="soft">
          {t('recording.durationSAtSampleRateHz', {
            duration: t.number(recording.duration, 1),
            sampleRate: recording.sampleRate,
            length: t('recording.plucksCounted', { plucks: recording.plucks.length }),
          })}
        </Text>
        {recording.warnings.map((warning) => (
          <Text key={warning}>{warning}</Text>
        ))}
      </div>
      {whose}
      <Wave recording={recording} chosen={chosen} />
      {recording.plucks.length === 0 && <Text>{t('recording.noPluck')}</Text>}
      <PluckTable plucks={recording.plucks} chosen={chosen} onChoose={setChosen} />
      {pluck?.outcome.kind === 'reading' && (
        <div className="pair">
          <Track pluck={pluck} reading={pluck.outcome} />
          <Partials reading={pluck.outcome} />
        </div>
      )}
    </Stack>
  );
}

interface TableProps {
  readonly plucks: readonly RecordedPluck[];
  readonly chosen: number;
  readonly onChoose: (index: number) => void;
}

function PluckTable({ plucks, chosen, onChoose }: TableProps) {
  const t = useWords();
  return (
    <Wide label={t('recording.plucks')}>
      <table className="ledger">
        <caption className="unseen">{t('recording.plucks')}</caption>
        <thead>
          <tr>
            <th scope="col">{t('recording.pluck')}</th>
            <th scope="col">{t('recording.atS')}</th>
            <th scope="col">{t('recording.note')}</th>
            <th scope="col">{t('recording.cents')}</th>
            <th scope="col">{t('recording.cents2')}</th>
            <th scope="col">{t('recording.hz')}</th>
            <th scope="col">{t('recording.spreadCents')}</th>
            <th scope="col">{t('recording.outcome')}</th>
          </tr>
        </thead>
        <tbody>
          {plucks.map((pluck, i) => (
            <tr key={pluck.start} data-active={i === chosen}>
              <th scope="row">
                <button
                  type="button"
                  className="link"
                  aria-pressed={i === chosen}
                  onClick={() => onChoose(i)}
                >
                  {t('recording.pluckValue', { value: i + 1 })}
                </button>
              </th>
              <td>{t.number(pluck.start, 2)}</td>
              <OutcomeCells pluck={pluck} />
            </tr>
          ))}
        </tbody>
      </table>
    </Wide>
  );
}

function OutcomeCells({ pluck: { outcome, clipped } }: { pluck: RecordedPluck }) {
  const t = useWords();
  if (outcome.kind !== 'reading')
    return (
      <>
        <td /> <td /> <td /> <td /> <td />
        <td>{outcomeInWords(outcome, t)}</td>
      </>
    );
  const { midi, cents } = nearestNote(outcome.hz);
  return (
    <>
      <td>{t.note(midi)}</td>
      <td>{t.signed(cents)}</td>
      <td>{t.number(outcome.errorCents, 2)}</td>
      <td>{t.number(outcome.hz, 2)}</td>
      <td>{t.number(outcome.spreadCents, 1)}</td>
      <td>
        {clipped
          ? t('recording.readingClipped')
          : outcome.moving
            ? t('recording.stillMoving')
            : t('recording.reading')}
      </td>
    </>
  );
}

const REASONS = {
  'too short': 'short',
  'no pitch': 'noPitch',
  'no pluck': 'noPluck',
  weak: 'weak',
  unsteady: 'unsteady',
} as const;

const REFUSALS = {
  'too quiet': 'quiet',
  'more than one string': 'several',
  interrupted: 'interrupted',
  'hum only': 'hum',
  turned: 'turned',
} as const;

/** Why a pluck gave no reading, in a word or two. */
function outcomeInWords(refusal: Refusal, t: Words): string {
  return refusal.kind === 'not sure'
    ? t('recording.notSure', { reason: REASONS[refusal.reason] })
    : t('recording.refused', { kind: REFUSALS[refusal.kind] });
}
