import './listening.css';
import { signedCents } from '@rosefinch/core/words';
import type { ReactNode } from 'react';
import { Action, KEY_TABLE } from '../frame/index.ts';
import type { Hands } from './hands.ts';
import { Moves } from './Moves.tsx';

const KEYS = KEY_TABLE.bench;

interface Props {
  readonly hands: Hands;
  readonly course: number;
  /** What the view adds. */
  readonly children: ReactNode;
}

/** The practice instrument's strings and pegs, on screen. */
export function PracticePanel({ hands, course, children }: Props) {
  return (
    <section aria-label="Practice instrument">
      <Moves moves={hands} keys={KEYS} course={course} little=" a hair">
        <Action onAct={hands.mute} hotkey={KEYS.mute.shown}>
          Mute
        </Action>
        {children}
      </Moves>
    </section>
  );
}

/** Where the practice strings truly lie, for those who want to check their reading of the bench. */
export function Truth({ deviations }: { deviations: readonly number[] }) {
  const strings = deviations.map((cents, i) => `${i + 1}: ${signedCents(cents)}`).reverse();
  return (
    <span role="note" aria-label="Where the practice strings truly are">
      the strings truly are, from the highest number, {strings.join(' · ')} cents
    </span>
  );
}
