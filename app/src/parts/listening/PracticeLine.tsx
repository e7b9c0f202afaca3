import { IconHandStop } from '@tabler/icons-react';
import type { ReactNode } from 'react';
import { IconAction, KEY_TABLE } from '../frame/index.ts';
import { useWords } from '../words/index.ts';
import type { Hands } from './hands.ts';
import { Moves } from './Moves.tsx';

const KEYS = KEY_TABLE.bench;

interface Props {
  readonly hands: Hands;
  readonly course: number;
  /** What the view adds. */
  readonly children: ReactNode;
}

/** The practice instrument's strings and pegs, on the line above the foot. */
export function PracticeLine({ hands, course, children }: Props) {
  const t = useWords();
  return (
    <Moves moves={hands} keys={KEYS} course={course} little={t('common.aHair')}>
      <IconAction label={t('common.mute')} hotkey={KEYS.mute.shown} onAct={hands.mute}>
        <IconHandStop size={20} />
      </IconAction>
      {children}
    </Moves>
  );
}

/** Where the practice strings truly lie, for those who want to check their reading of the bench. */
export function Truth({ deviations }: { deviations: readonly number[] }) {
  const t = useWords();
  const strings = deviations.map((cents, i) => `${i + 1}: ${t.signed(cents)}`).reverse();
  return (
    <span role="note" aria-label={t('common.whereThePracticeStringsTruly')}>
      {t('common.theStringsTrulyAreFrom', { value: strings.join(' · ') })}
    </span>
  );
}
