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
export function Moves({ moves, keys, course, little = '', children }: Props) {
  return (
    <section className="moves" aria-label="Practice instrument">
      <IconAction label={`Pluck string ${course}`} hotkey={keys.pluck.shown} onAct={moves.pluck}>
        <IconHandFinger size={SIZE} /> Pluck {course}
      </IconAction>
      <IconAction label={`Tighten${little}`} hotkey={keys.up.shown} onAct={moves.up}>
        <IconChevronUp size={SIZE} />
      </IconAction>
      <IconAction label={`Loosen${little}`} hotkey={keys.down.shown} onAct={moves.down}>
        <IconChevronDown size={SIZE} />
      </IconAction>
      <IconAction label="Tighten more" hotkey={keys.upMore.shown} onAct={moves.upMore}>
        <IconChevronsUp size={SIZE} />
      </IconAction>
      <IconAction label="Loosen more" hotkey={keys.downMore.shown} onAct={moves.downMore}>
        <IconChevronsDown size={SIZE} />
      </IconAction>
      {children}
    </section>
  );
}
