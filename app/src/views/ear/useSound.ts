import { problemOf } from '@rosefinch/core/errors';
import type { Value } from '@rosefinch/core/message';
import type { EarNote } from '@rosefinch/core/practice';
import { useEffect, useRef } from 'react';
import { useNotices } from '../../parts/frame/index.ts';
import { SoundPlayer } from '../../sound/index.ts';

/** Sounds the notes of a question, and tells when they begin; silent when the view is left. */
export function useSound(volume: number): (notes: readonly EarNote[], begun?: () => void) => void {
  const player = useRef(new SoundPlayer());
  const notices = useNotices();
  useEffect(() => {
    const { current } = player;
    return () => current.stop();
  }, []);
  return (notes, begun = () => {}) => {
    const failed = (why: Value) => notices.say({ message: why });
    player.current
      .play({ type: 'notes', notes }, volume, { failed, begun })
      .catch((error: Error) => failed(problemOf(error)));
  };
}
