import { Button, Group } from '@mantine/core';
import { signed } from '@rosefinch/core/message';
import { nearestNote, type Tuning, targetsOf } from '@rosefinch/core/music';
import { refusalInWords } from '@rosefinch/core/sentences';
import type { Instrument } from '@rosefinch/core/strings';
import type { Cents, Hz, Midi } from '@rosefinch/core/units';
import { useState } from 'react';
import type { Stock } from '../../data/index.ts';
import { newSeed } from '../../environment.ts';
import { KEY_TABLE, keysOf, useKeys } from '../../parts/frame/index.ts';
import { ListeningProblem, Moves, useListening } from '../../parts/listening/index.ts';
import { ListeningPart } from '../../parts/stage/index.ts';
import { useWords } from '../../parts/words/index.ts';
import type { AnalysisReport, PracticeHands } from '../../sound/index.ts';

const KEYS = KEY_TABLE.playing;

const PRACTICE_RATE: Hz = 48_000;
const STRENGTH = 0.55;
/** A twentieth of a turn of the button, and four times that. */
const TURN = { little: 1 / 20, more: 1 / 5 } as const;
/** Beyond this a pitch lies nearly as near to one note as to the next. */
const BETWEEN: Cents = 35;

interface Props {
  readonly instrument: Instrument;
  /** What the practice strings sound at first. */
  readonly tuning: Tuning;
  readonly stock: Stock;
  /** A string was played: the nearest note, and how far it lay from it. */
  readonly onNote: (course: number, midi: Midi, cents: Cents) => void;
}

/** Takes the notes of a tuning from the strings as they are plucked, the thickest first. */
export function ByPlaying(props: Props) {
  const t = useWords();
  const { instrument, tuning, stock } = props;
  const { listening, course, setCourse, says } = useByPlaying(props);
  const moves = listening.hands && movesOn(listening.hands, course);
  useKeys(moves ? keysOf('playing', moves) : {}, stock.settings.keysOn);
  return (
    <section className="card narrow" aria-label={t('tunings.byPlaying')}>
      <Group>
        <strong>{t('tunings.byPlaying')}</strong>
        <ListeningPart here={{ listening, kind: instrument.kind }} settings={stock.settings} />
      </Group>
      <ListeningProblem problem={listening.problem} />
      <p role="status">
        {says} {listening.source && t('tunings.pluckString', { string: course })}
      </p>
      {listening.source && (
        <StringButtons count={tuning.courses.length} course={course} onChoose={setCourse} />
      )}
      {moves && <Moves moves={moves} keys={KEYS} course={course} />}
    </section>
  );
}

/** Nothing is known of strings whose notes are still to be found. */
const UNKNOWN = [] as const;

function useByPlaying({ instrument, tuning, stock, onNote }: Props) {
  const t = useWords();
  const { settings } = stock;
  const [course, setCourse] = useState(tuning.courses.length);
  const [says, setSays] = useState('');
  const hear = (report: AnalysisReport, asked: number) => {
    if (report.type !== 'outcome') return;
    const { outcome } = report;
    if (outcome.kind !== 'reading') return setSays(t(refusalInWords(outcome).say));
    const { midi, cents } = nearestNote(outcome.hz, settings.a4);
    onNote(asked, midi, cents);
    const heard = t('tunings.playedNote', {
      string: asked,
      note: t.note(midi),
      cents: signed(cents),
    });
    setSays(Math.abs(cents) > BETWEEN ? `${heard} ${t('tunings.betweenNotes')}` : heard);
    setCourse(asked > 1 ? asked - 1 : tuning.courses.length);
  };
  const listening = useListening<number>({
    settings,
    strings: UNKNOWN,
    asked: course,
    intended: (asked) => asked,
    practice: async () => {
      const targetsHz = targetsOf(tuning, settings.a4).map(({ hz }) => hz);
      const detuneCents = targetsHz.map(() => 0);
      const seed = newSeed();
      return { instrument, targetsHz, detuneCents, seed, sampleRate: PRACTICE_RATE };
    },
    hear,
  });
  return { listening, course, setCourse, says };
}

function movesOn(hands: PracticeHands, course: number) {
  return {
    pluck: () => hands.pluck(course, STRENGTH),
    up: () => hands.turn(course, TURN.little),
    down: () => hands.turn(course, -TURN.little),
    upMore: () => hands.turn(course, TURN.more),
    downMore: () => hands.turn(course, -TURN.more),
  };
}

interface StringProps {
  readonly count: number;
  readonly course: number;
  readonly onChoose: (course: number) => void;
}

function StringButtons({ count, course, onChoose }: StringProps) {
  const t = useWords();
  const courses = Array.from({ length: count }, (_, i) => count - i);
  return (
    <Group gap={6} aria-label={t('tunings.stringToBePlayed')} role="group">
      {courses.map((one) => (
        <Button
          key={one}
          size="compact-md"
          variant={course === one ? 'filled' : 'default'}
          aria-pressed={course === one}
          onClick={() => onChoose(one)}
        >
          {one}
        </Button>
      ))}
    </Group>
  );
}
