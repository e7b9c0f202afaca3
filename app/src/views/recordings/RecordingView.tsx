import { counted, RECORDING_SAYS, signedCents } from '@rosefinch/core/words';
import { fixed } from '@rosefinch/core/writing';
import './recordings.css';
import { Anchor, Button, Group, Stack, Text, Title } from '@mantine/core';
import { nearestNote, noteName } from '@rosefinch/core/music';
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
  const { id = '' } = useParams();
  const answer = useLive(async (r) => {
    const recording = await r.recording(id);
    const session = recording?.sessionId ? await r.session(recording.sessionId) : undefined;
    const instrument = (await r.instruments()).find(({ id: of }) => of === session?.instrumentId);
    return { recording, session, instrument };
  }, `recording ${id}`);
  if (!answer) return <p>One moment …</p>;
  if (!answer.recording)
    return (
      <Stack align="flex-start">
        <Title order={1}>This recording is not here</Title>
        <Text>{RECORDING_SAYS.otherBrowser}</Text>
        <Anchor component={Link} to="/">
          To the bench
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
  const { repository } = useData();
  if (session.adopted !== undefined)
    return (
      <Text role="status">
        {session.adopted ? RECORDING_SAYS.keptAsSitting(of) : RECORDING_SAYS.keptAside(of)}
      </Text>
    );
  return (
    <section className="card medium" aria-label="Whose recording">
      <p className="plan-head">{RECORDING_SAYS.whose(of)}</p>
      <Group>
        <Button onClick={() => void repository.adopt(session.id, true)}>
          Yes, count it for {of}
        </Button>
        <Button variant="default" onClick={() => void repository.adopt(session.id, false)}>
          No, only look at it
        </Button>
      </Group>
    </section>
  );
}

function Report({ recording, whose }: { recording: Recording; whose: ReactNode }) {
  const first = recording.plucks.findIndex((p) => p.outcome.kind === 'reading');
  const [chosen, setChosen] = useState(Math.max(0, first));
  const pluck = recording.plucks[chosen];
  return (
    <Stack>
      <div>
        <ViewHead title={recording.name} />
        <Text className="soft">
          {fixed(recording.duration, 1)} s at {recording.sampleRate} Hz ·{' '}
          {counted(recording.plucks.length, 'pluck')} · its sound is not kept
        </Text>
        {recording.warnings.map((warning) => (
          <Text key={warning}>{warning}</Text>
        ))}
      </div>
      {whose}
      <Wave recording={recording} chosen={chosen} />
      {recording.plucks.length === 0 && <Text>{RECORDING_SAYS.noPluck}</Text>}
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
  return (
    <Wide label="Plucks">
      <table className="ledger">
        <caption className="unseen">Plucks</caption>
        <thead>
          <tr>
            <th scope="col">pluck</th>
            <th scope="col">at, s</th>
            <th scope="col">note</th>
            <th scope="col">cents</th>
            <th scope="col">±, cents</th>
            <th scope="col">Hz</th>
            <th scope="col">spread, cents</th>
            <th scope="col">outcome</th>
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
                  pluck {i + 1}
                </button>
              </th>
              <td>{fixed(pluck.start, 2)}</td>
              <OutcomeCells pluck={pluck} />
            </tr>
          ))}
        </tbody>
      </table>
    </Wide>
  );
}

function OutcomeCells({ pluck: { outcome, clipped } }: { pluck: RecordedPluck }) {
  if (outcome.kind !== 'reading')
    return (
      <>
        <td /> <td /> <td /> <td /> <td />
        <td>{outcome.kind === 'not sure' ? `not sure: ${outcome.reason}` : outcome.kind}</td>
      </>
    );
  const { midi, cents } = nearestNote(outcome.hz);
  return (
    <>
      <td>{noteName(midi)}</td>
      <td>{signedCents(cents)}</td>
      <td>{fixed(outcome.errorCents, 2)}</td>
      <td>{fixed(outcome.hz, 2)}</td>
      <td>{fixed(outcome.spreadCents, 1)}</td>
      <td>{clipped ? 'reading, clipped' : outcome.moving ? 'still moving' : 'reading'}</td>
    </>
  );
}
