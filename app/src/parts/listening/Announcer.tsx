import type { Target } from '@rosefinch/core/music';
import { targetName } from '@rosefinch/core/music';
import type { StringReading } from '@rosefinch/core/sitting';
import type { Cents } from '@rosefinch/core/units';
import { deviationInWords, stepInWords } from '@rosefinch/core/words';
import { fixed } from '@rosefinch/core/writing';
import { useEffect, useRef, useState } from 'react';
import { monotonic, pulse } from '../../environment.ts';

const AT_MOST_EVERY_MS = 1000;

interface Props {
  /** The newest reading of this page, and which one it is. */
  readonly newest: { readonly reading: StringReading; readonly nth: number } | null;
  readonly targets: readonly Target[];
  readonly tolerance: Cents;
  readonly hidden: boolean;
  /** Says it aloud as well; null where that is not wanted. */
  readonly say: ((text: string, right: boolean) => void) | null;
  /** A phone gives a pulse when a string is at rest. */
  readonly pulses?: boolean;
  /** The whole instrument is in tune: said once. */
  readonly done?: boolean;
}

const DONE = stepInWords({ step: 'in tune' }).say;

/** Says each new reading in words to screen readers, politely, and aloud if it is wanted. */
export function Announcer(props: Props) {
  const { newest, targets, tolerance, hidden, say, pulses = false, done = false } = props;
  const [words, setWords] = useState('');
  const said = useRef(0);
  const last = useRef(Number.NEGATIVE_INFINITY);
  useEffect(() => {
    if (!newest || newest.nth === said.current) return;
    said.current = newest.nth;
    if (hidden) return;
    const { course, cents, aim = 0 } = newest.reading;
    const target = targets[course - 1];
    const place = deviationInWords(cents - aim, tolerance);
    const text = `String ${course}, ${target ? targetName(target) : ''}: ${fixed(Math.abs(cents))} cents, ${place}`;
    if (monotonic() - last.current >= AT_MOST_EVERY_MS) {
      last.current = monotonic();
      setWords(text);
    }
    const right = place === 'at rest';
    if (right && pulses) pulse();
    // The last string of all is not told beside the whole.
    if (!done) say?.(right ? 'At rest' : text, right);
  }, [newest, targets, tolerance, hidden, say, pulses, done]);
  const toldDone = useRef(done);
  useEffect(() => {
    if (done && !toldDone.current) {
      setWords(DONE);
      say?.(DONE, true);
    }
    toldDone.current = done;
  }, [done, say]);
  return (
    <div className="unseen" role="log" aria-live="polite" aria-label="Readings in words">
      {words}
    </div>
  );
}
