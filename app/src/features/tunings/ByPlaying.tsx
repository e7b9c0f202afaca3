import { Button, Group } from '@mantine/core';
import { nearestNote, noteName, type Tuning, targetsOf } from '@rosefinch/core/music';
import type { Instrument } from '@rosefinch/core/strings';
import { useEffect, useRef, useState } from 'react';
import {
  type AnalysisReport,
  Ear,
  type MicrophoneProblem,
  type PracticeHands,
} from '../../audio/index.ts';
import type { Stock } from '../../data/index.ts';
import { newSeed } from '../../environment.ts';
import { Action, signedCents, useKeys } from '../../ui/index.ts';

const PRACTICE_RATE = 48_000;
const STRENGTH = 0.55;
/** A twentieth of a turn of the button, and four times that. */
const TURN = { little: 1 / 20, more: 1 / 5 } as const;
/** Beyond this a pitch lies as near to one note as to the next, in cents. */
const BETWEEN = 35;

interface Props {
  readonly instrument: Instrument;
  /** What the practice strings sound at first. */
  readonly tuning: Tuning;
  readonly stock: Stock;
  /** A string was played: the nearest note, and how far it lay from it. */
  readonly onNote: (course: number, midi: number, cents: number) => void;
}

/** Takes the notes of a tuning from the strings as they are plucked, the thickest first. */
export function ByPlaying({ instrument, tuning, stock, onNote }: Props) {
  const { settings } = stock;
  const [source, setSource] = useState<'practice' | 'microphone' | null>(null);
  const [course, setCourse] = useState(tuning.courses.length);
  const [hands, setHands] = useState<PracticeHands | null>(null);
  const [says, setSays] = useState('');
  const ear = useRef<Ear | null>(null);

  const hear = (report: AnalysisReport) => {
    if (report.type !== 'outcome') return;
    const { outcome } = report;
    if (outcome.kind !== 'reading') {
      setSays(`That gave no reading: ${outcome.kind}. Once more.`);
      return;
    }
    const { midi, cents } = nearestNote(outcome.hz, settings.a4);
    onNote(course, midi, cents);
    const heard = `String ${course}: ${noteName(midi)}, ${signedCents(cents)} cents.`;
    setSays(Math.abs(cents) > BETWEEN ? `${heard} It lies between two notes.` : heard);
    setCourse(course > 1 ? course - 1 : tuning.courses.length);
  };
  const latest = useRef(hear);
  latest.current = hear;

  useEffect(() => {
    const fail = (problem: MicrophoneProblem) => {
      setSays(`${problem.message} ${problem.wayOn}`);
      setSource(null);
    };
    const opened = new Ear({
      report: (report) => latest.current(report),
      problem: fail,
      truth: () => {},
      again: () => {
        setSays('Listening had stopped. Choose it once more.');
        setSource(null);
        setHands(null);
      },
    });
    ear.current = opened;
    return () => opened.close();
  }, []);

  const listen = (wanted: 'practice' | 'microphone') => {
    setSays('');
    setHands(null);
    if (source === wanted) {
      ear.current?.closeSource();
      setSource(null);
      return;
    }
    setSource(wanted);
    if (wanted === 'practice') {
      const targetsHz = targetsOf(tuning, settings.a4).map(({ hz }) => hz);
      const detuneCents = targetsHz.map(() => 0);
      const start = {
        instrument,
        targetsHz,
        detuneCents,
        seed: newSeed(),
        sampleRate: PRACTICE_RATE,
      };
      setHands(ear.current?.openPractice(start, settings.practiceSound) ?? null);
      return;
    }
    const wish = {
      channel: settings.channel,
      ...(settings.microphoneId !== null && { deviceId: settings.microphoneId }),
    };
    ear.current?.openMicrophone(wish).catch((problem: MicrophoneProblem) => {
      setSays(`${problem.message} ${problem.wayOn}`);
      setSource(null);
    });
  };

  const moves = hands && {
    p: () => hands.pluck(course, STRENGTH),
    ArrowUp: () => hands.turn(course, TURN.little),
    ArrowDown: () => hands.turn(course, -TURN.little),
    'Shift+ArrowUp': () => hands.turn(course, TURN.more),
    'Shift+ArrowDown': () => hands.turn(course, -TURN.more),
  };
  useKeys(moves ?? {}, settings.keysOn);

  return (
    <section className="card narrow" aria-label="By playing">
      <Group>
        <strong>By playing</strong>
        <Button.Group>
          <Button
            variant={source === 'practice' ? 'filled' : 'default'}
            aria-pressed={source === 'practice'}
            onClick={() => listen('practice')}
          >
            Practice {instrument.kind}
          </Button>
          <Button
            variant={source === 'microphone' ? 'filled' : 'default'}
            aria-pressed={source === 'microphone'}
            onClick={() => listen('microphone')}
          >
            Microphone
          </Button>
        </Button.Group>
      </Group>
      <p role="status">
        {says} {source && `Pluck string ${course}.`}
      </p>
      {source && (
        <Group gap={6} aria-label="String to be played" role="group">
          {tuning.courses
            .map((_, i) => (
              <Button
                // Courses have no other name, and their order never changes.
                // biome-ignore lint/suspicious/noArrayIndexKey: see above
                key={i}
                size="compact-md"
                variant={course === i + 1 ? 'filled' : 'default'}
                aria-pressed={course === i + 1}
                onClick={() => setCourse(i + 1)}
              >
                {i + 1}
              </Button>
            ))
            .reverse()}
        </Group>
      )}
      {moves && (
        <div className="practice">
          <Action onAct={moves.p} hotkey="P">
            Pluck string {course}
          </Action>
          <Action onAct={moves.ArrowUp} hotkey="↑">
            Tighten
          </Action>
          <Action onAct={moves.ArrowDown} hotkey="↓">
            Loosen
          </Action>
          <Action onAct={moves['Shift+ArrowUp']} hotkey="⇧↑">
            Tighten more
          </Action>
          <Action onAct={moves['Shift+ArrowDown']} hotkey="⇧↓">
            Loosen more
          </Action>
        </div>
      )}
    </section>
  );
}
