import { Button, Group } from '@mantine/core';
import { errorOf } from '@rosefinch/core/intonation';
import { targetName } from '@rosefinch/core/music';
import { type Instrument, startFret } from '@rosefinch/core/strings';
import {
  fretNoticeInWords,
  fretTaskInWords,
  placeInWords,
  signedCents,
} from '@rosefinch/core/words';
import { BigFigure, SentenceLine } from '../../parts/listening/index.ts';
import type { FretChecking } from './useFretCheck.ts';

interface Props {
  readonly checking: FretChecking;
  readonly instrument: Instrument;
}

/** The last reading, what to sound now, and a question about a pitch that was not asked for. */
export function FretSide(props: Props) {
  return (
    <section className="bench-side" aria-label="What to do">
      <Last {...props} />
      <Ask {...props} />
      <OtherPlace {...props} />
    </section>
  );
}

/** The last reading, readable from two metres. */
function Last({ checking: { talk, targets, stored }, instrument }: Props) {
  const { check } = talk;
  const last = check.readings.findLast(({ struckOut }) => !struckOut);
  if (!last) return <BigFigure name="nothing read yet" figure="–" stored={stored} note=" " />;
  const { course, place, errorCents } = last;
  const cents = errorOf(check, last);
  const note =
    place.kind === 'open'
      ? `cents from the mean of ${targetName(targets[course - 1])} open`
      : `cents against its open string, ±${errorCents.toFixed(1)}`;
  return (
    <BigFigure
      name={`string ${course} · ${placeInWords(place, startFret(instrument, course))}`}
      figure={cents === null ? '–' : signedCents(cents)}
      stored={stored}
      note={note}
    />
  );
}

function Ask({ checking: { asked, talk }, instrument }: Props) {
  const { notice, check } = talk;
  const begins = asked ? startFret(instrument, asked.course) : 0;
  const sentence = notice
    ? fretNoticeInWords(notice)
    : fretTaskInWords(asked, begins, check.doneAt !== null);
  return <SentenceLine sentence={sentence} />;
}

function OtherPlace({ checking: { talk, send } }: Props) {
  const { other } = talk;
  if (!other) return null;
  return (
    <section className="card" aria-label="Question">
      <p className="plan-head">
        That sounded like {other.heard === 0 ? 'the open string' : `fret ${other.heard}`}
        {other.string !== null && `, or string ${other.string} open`}, not{' '}
        {placeInWords(other.asked.place, 0)}.
      </p>
      <Group>
        {other.heard >= 0 && (
          <Button onClick={() => send({ type: 'take other' })}>It was (Y)</Button>
        )}
        <Button variant="default" onClick={() => send({ type: 'drop other' })}>
          Pluck it again
        </Button>
      </Group>
    </section>
  );
}
