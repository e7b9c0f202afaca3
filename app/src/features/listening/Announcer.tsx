import type { Target } from '@rosefinch/core/music';
import { targetName } from '@rosefinch/core/music';
import { useEffect, useRef, useState } from 'react';
import { monotonic } from '../../environment.ts';
import { deviationInWords } from '../../ui/index.ts';
import type { Heard } from './openSitting.ts';

const AT_MOST_EVERY_MS = 1000;

interface Props {
  readonly log: readonly Heard[];
  readonly targets: readonly Target[];
  readonly tolerance: number;
  readonly hidden: boolean;
  readonly spoken: boolean;
}

/** Says each new reading in words to screen readers, politely, and aloud if it is wanted. */
export function Announcer({ log, targets, tolerance, hidden, spoken }: Props) {
  const [words, setWords] = useState('');
  const known = useRef(log.length);
  const last = useRef(Number.NEGATIVE_INFINITY);
  useEffect(() => {
    const entry = log.at(-1);
    const fresh = log.length > known.current;
    known.current = log.length;
    if (!fresh || hidden || entry?.event.type !== 'reading') return;
    const { course, cents, aim = 0 } = entry.event.reading;
    const target = targets[course - 1];
    const place = deviationInWords(cents - aim, tolerance);
    const text = `String ${course}, ${target ? targetName(target) : ''}: ${Math.abs(cents).toFixed(0)} cents, ${place}`;
    if (monotonic() - last.current >= AT_MOST_EVERY_MS) {
      last.current = monotonic();
      setWords(text);
    }
    if (spoken && 'speechSynthesis' in window) {
      speechSynthesis.cancel();
      speechSynthesis.speak(new SpeechSynthesisUtterance(place === 'at rest' ? 'At rest' : text));
    }
  }, [log, targets, tolerance, hidden, spoken]);
  return (
    <div className="unseen" role="log" aria-live="polite" aria-label="Readings in words">
      {words}
    </div>
  );
}
