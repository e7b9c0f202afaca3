import './listening.css';
import type { ReactNode } from 'react';
import { Action, type KEY_TABLE } from '../frame/index.ts';
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

/** What the hands do on a practice instrument, on screen. */
export function Moves({ moves, keys, course, little = '', children }: Props) {
  return (
    <div className="practice">
      <Action onAct={moves.pluck} hotkey={keys.pluck.shown}>
        Pluck string {course}
      </Action>
      <Action onAct={moves.up} hotkey={keys.up.shown}>
        Tighten{little}
      </Action>
      <Action onAct={moves.down} hotkey={keys.down.shown}>
        Loosen{little}
      </Action>
      <Action onAct={moves.upMore} hotkey={keys.upMore.shown}>
        Tighten more
      </Action>
      <Action onAct={moves.downMore} hotkey={keys.downMore.shown}>
        Loosen more
      </Action>
      {children}
    </div>
  );
}
