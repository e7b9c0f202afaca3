import type { Target } from '@rosefinch/core/music';
import { targetNote } from '@rosefinch/core/music';
import { deviationInWords, sideOf, stepInWords } from '@rosefinch/core/sentences';
import type { StringReading } from '@rosefinch/core/sitting';
import type { Cents } from '@rosefinch/core/units';
import { useEffect, useRef, useState } from 'react';
import { monotonic, pulse } from '../../environment.ts';
import { useWords } from '../words/index.ts';

const AT_MOST_EVERY_MS = 1000;

interface Props {
  /** The newest reading of this page, and which one it is. */
  readonly newest: { readonly reading: StringReading; readonly nth: number } | null;
  readonly targets: readonly Target[];
  readonly tolerance: Cents;
  readonly hidden: boolean;
  /** Says it aloud as well; null where that is not wanted. */
  readonly say: ((text: string, right: boolean) => void) | null;
  /** A phone gives a pulse when a string is in tune. */
  readonly pulses?: boolean;
  /** The whole instrument is in tune: said once. */
  readonly done?: boolean;
}

const DONE = stepInWords({ step: 'in tune' }).say;

/** Says each new reading in words to screen readers, politely, and aloud if it is wanted. */
export function Announcer(props: Props) {
  const t = useWords();
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
    const text = t('common.announced', {
      string: course,
      note: target ? targetNote(target) : '',
      cents: Math.abs(cents),
      place: deviationInWords(cents - aim, tolerance),
    });
    if (monotonic() - last.current >= AT_MOST_EVERY_MS) {
      last.current = monotonic();
      setWords(text);
    }
    const right = sideOf(cents - aim, tolerance) === 'inTune';
    if (right && pulses) pulse();
    // The last string of all is not told beside the whole.
    if (!done) say?.(right ? t('common.arrived') : text, right);
  }, [newest, targets, tolerance, hidden, say, pulses, done, t]);
  const toldDone = useRef(done);
  useEffect(() => {
    if (done && !toldDone.current) {
      setWords(t(DONE));
      say?.(t(DONE), true);
    }
    toldDone.current = done;
  }, [done, say, t]);
  return (
    <div className="unseen" role="log" aria-live="polite" aria-label={t('common.readingsInWords')}>
      {words}
    </div>
  );
}
