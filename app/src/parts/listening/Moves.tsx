import { useWords } from '../words/index.ts';
import './listening.css';
import {
  IconChevronDown,
  IconChevronsDown,
  IconChevronsUp,
  IconChevronUp,
  IconHandFinger,
} from '@tabler/icons-react';
import type { ReactNode } from 'react';
import { IconAction, type KEY_TABLE } from '../frame/index.ts';
import type { Hands } from './hands.ts';

interface Props {
  readonly moves: Omit<Hands, 'mute'>;
  /** The keys of the view that shows them. */
  readonly keys: (typeof KEY_TABLE)['bench' | 'playing'];
  readonly course: number;
  /** By how much the small turns go. */
  readonly little?: string;
  readonly children?: ReactNode;
}

const SIZE = 20;

/** What the hands do on a practice instrument, on one line of small buttons. */
export function Moves({ moves, keys, course, little, children }: Props) {
  const t = useWords();
  return (
    <section className="moves" aria-label={t('common.practiceInstrument')}>
      <IconAction
        label={t('common.pluckStringCourse', { course })}
        hotkey={keys.pluck.shown}
        onAct={moves.pluck}
      >
        <IconHandFinger size={SIZE} /> {t('common.pluckCourse', { string: course })}
      </IconAction>
      <IconAction
        label={little === undefined ? t('common.tighten') : t('common.tightenBy', { little })}
        hotkey={keys.up.shown}
        onAct={moves.up}
      >
        <IconChevronUp size={SIZE} />
      </IconAction>
      <IconAction
        label={little === undefined ? t('common.loosen') : t('common.loosenBy', { little })}
        hotkey={keys.down.shown}
        onAct={moves.down}
      >
        <IconChevronDown size={SIZE} />
      </IconAction>
      <IconAction label={t('common.tightenMore')} hotkey={keys.upMore.shown} onAct={moves.upMore}>
        <IconChevronsUp size={SIZE} />
      </IconAction>
      <IconAction
        label={t('common.loosenMore')}
        hotkey={keys.downMore.shown}
        onAct={moves.downMore}
      >
        <IconChevronsDown size={SIZE} />
      </IconAction>
      {children}
    </section>
  );
}
