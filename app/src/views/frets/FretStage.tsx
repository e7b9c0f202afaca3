import { Button, Group } from '@mantine/core';
import { errorOf, type FretPlace, isBridgeCheck, semitonesOf } from '@rosefinch/core/intonation';
import type { Sentence, Value } from '@rosefinch/core/message';
import { type Target, targetNote } from '@rosefinch/core/music';
import {
  fretNoticeInWords,
  fretTaskInWords,
  otherPlaceInWords,
  placeInWords,
  stringInWords,
} from '@rosefinch/core/sentences';
import { type Instrument, startFret } from '@rosefinch/core/strings';
import { Sized } from '../../parts/charts/index.ts';
import { Stage, StageFigure } from '../../parts/stage/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { octavesSaid, verdictSaid } from './Findings.tsx';
import { FretRow } from './FretRow.tsx';
import type { FretChecking } from './useFretCheck.ts';

interface Props {
  readonly checking: FretChecking;
  readonly instrument: Instrument;
  /** What to say of it all. */
  readonly sentence: Sentence;
}

/** The string that is asked for, what was read of it last, and what to sound. */
export function FretStage({ checking, instrument, sentence }: Props) {
  const { talk, targets, asked, listening, judgement } = checking;
  const { explanations } = judgement;
  const { check } = talk;
  const last = check.readings.findLast(({ struckOut }) => !struckOut);
  const course = asked?.course ?? last?.course ?? check.courses[0] ?? 1;
  const begins = startFret(instrument, course);
  const problem =
    listening.problem ?? (checking.problem ? { say: checking.problem, more: null } : null);
  return (
    <Stage
      name={noteAt(targets[course - 1], asked?.place ?? { kind: 'open' })}
      under={[
        stringInWords(instrument, course),
        ...(asked ? [placeInWords(asked.place, begins)] : []),
      ]}
      wire={
        <Sized>
          {(width, height) => (
            <FretRow {...{ check, targets, explanations, asked, course, width, height }} />
          )}
        </Sized>
      }
      figure={<Last {...{ checking, instrument }} />}
      sentence={sentence}
      problem={problem}
      aside={talk.other && <Answers checking={checking} />}
    />
  );
}

/** The last reading, readable from two metres. */
function Last({ checking: { talk, targets, stored }, instrument }: Omit<Props, 'sentence'>) {
  const t = useWords();
  const { check } = talk;
  const last = check.readings.findLast(({ struckOut }) => !struckOut);
  if (!last) return <StageFigure figure="–" note={t('frets.nothingReadYet')} stored={stored} />;
  const { course, place, errorCents } = last;
  const cents = errorOf(check, last);
  const target = targets[course - 1];
  return (
    <StageFigure
      figure={cents === null ? '–' : t.signed(cents)}
      past={t('frets.justRead', {
        note: noteAt(target, place),
        string: course,
        where: placeInWords(place, startFret(instrument, course)),
      })}
      note={
        place.kind === 'open'
          ? t('frets.centsFromOpen', { note: targetNote(target) })
          : t('frets.centsOfPlace', { error: errorCents })
      }
      stored={stored}
    />
  );
}

/** The note that sounds at a place of a string. */
function noteAt(target: Target | undefined, place: FretPlace): Value {
  return target ? targetNote({ ...target, midi: target.midi + semitonesOf(place) }) : '';
}

/** The one sentence of a check, shown and spoken. A place that another note was heard for is asked about first. */
export function fretSentence(
  { talk, asked, judgement }: FretChecking,
  instrument: Instrument,
): Sentence {
  const { notice, check, other } = talk;
  const begins = startFret(instrument, asked?.course ?? 1);
  if (other) return otherPlaceInWords(other);
  if (notice) return fretNoticeInWords(notice);
  if ((check.led || check.proves) && !asked) return verdictSaid(judgement, instrument, check);
  const octaves = !asked && isBridgeCheck(check) ? octavesSaid(instrument, check) : null;
  if (octaves) return octaves;
  const last = check.readings.at(-1)?.place;
  const capoOn = last?.kind === 'fret' && last.capo === true;
  return fretTaskInWords(asked, begins, check.doneAt !== null, capoOn);
}

function Answers({ checking: { talk, send } }: { readonly checking: FretChecking }) {
  const t = useWords();
  const heard = talk.other?.heard ?? -1;
  return (
    <Group gap="xs" role="group" aria-label={t('frets.answers')}>
      {heard >= 0 && (
        <Button onClick={() => send({ type: 'take other' })}>{t('frets.itWasY')}</Button>
      )}
      <Button variant="default" onClick={() => send({ type: 'drop other' })}>
        {t('frets.pluckItAgain')}
      </Button>
    </Group>
  );
}
