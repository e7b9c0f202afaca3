import type { SoundedCheck } from '@rosefinch/core/practice';
import { Speaker } from './speaker.ts';
import { startPractice } from './workers.ts';

const RATE = 48_000;

/** Lets a practice instrument sound both sides of a comparison. */
export class CheckPlayer {
  private speaker: Speaker | null = null;
  private close = () => {};

  /** Sounds the comparison; one that still sounds is cut off. Must follow a click or key. */
  async play(check: SoundedCheck, volume: number, failed: (why: string) => void): Promise<void> {
    this.stop();
    const speaker = new Speaker(RATE);
    this.speaker = speaker;
    await speaker.start(volume);
    const line = startPractice((report) => {
      if (report.type !== 'check') return;
      speaker.play(report.samples);
      line.close();
    }, failed);
    this.close = line.close;
    line.send({ type: 'check', check, sampleRate: RATE });
  }

  stop(): void {
    this.close();
    this.speaker?.stop();
    this.speaker = null;
  }
}
