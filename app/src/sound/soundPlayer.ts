import type { Value } from '@rosefinch/core/message';
import { type EarNote, LOUDNESS_RATE, type SoundedCheck } from '@rosefinch/core/practice';
import { Speaker } from './speaker.ts';
import { startPractice } from './workers.ts';

/** Something to be heard: both sides of a comparison, or the notes of a question. */
type ToSound =
  | { readonly type: 'check'; readonly check: SoundedCheck }
  | { readonly type: 'notes'; readonly notes: readonly EarNote[] };

/** Lets something be heard that is made beside the page. */
export class SoundPlayer {
  private speaker: Speaker | null = null;
  private close = () => {};

  /** Sounds it, and tells when it begins; what still sounds is cut off. Must follow a click or key. */
  async play(
    what: ToSound,
    volume: number,
    { failed, begun }: { readonly failed: (why: Value) => void; readonly begun?: () => void },
  ): Promise<void> {
    this.stop();
    const speaker = new Speaker(LOUDNESS_RATE);
    this.speaker = speaker;
    await speaker.start(volume);
    const line = startPractice((report) => {
      if (report.type !== 'sounded') return;
      speaker.play(report.samples);
      line.close();
      begun?.();
    }, failed);
    this.close = line.close;
    line.send(what);
  }

  stop(): void {
    this.close();
    this.speaker?.stop();
    this.speaker = null;
  }
}
