import { nth64, RealFft } from '../maths/index.ts';

/** Samples of a frame at about 12 kHz, 43 ms, and from one to the next. */
const SIZE = 512;
const HOP = 128;
/** A bin is held against its loudest of these frames before: clear of the present one, a tenth of a second long. */
const PAST = { from: 4, to: 12 } as const;
/** A bin is new when it holds so many times the power of before, its neighbours' included. */
const TIMES = 5;
/** New tones hold at least this share of the sound, in so many frames running. */
const SHARE = 0.4;
const FRAMES = 3;

/**
 * Notices another note that begins while one is damped: no energy rises, but it stands at
 * places of the spectrum where nothing stood a moment ago, and stays there.
 */
export class NewTones {
  private readonly fft = new RealFft(SIZE);
  private readonly recent = new Float64Array(SIZE);
  private readonly frame = new Float64Array(SIZE);
  private readonly window = Float64Array.from(
    { length: SIZE },
    (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * (i + 0.5)) / SIZE),
  );
  /** Powers of the last frames, the newest at `frames % rows`. */
  private readonly past = Array.from({ length: PAST.to + 2 }, () => new Float64Array(SIZE / 2 + 1));
  private samples = 0;
  private frames = 0;
  private running = 0;

  /** Samples from the first new frame's middle to the moment when it is believed. */
  readonly late = SIZE / 2 + (FRAMES - 1) * HOP;

  /** A note has begun: what it brings is new to nobody. */
  begin(): void {
    this.frames = 0;
    this.running = 0;
  }

  /** Takes one sample; true at the moment when other tones are believed to have begun. */
  push(sample: number, rings: boolean): boolean {
    this.recent[this.samples++ % SIZE] = sample;
    if (!rings || this.samples % HOP !== 0) return false;
    this.analyse();
    if (this.frames <= PAST.to) return false;
    this.running = this.newShare() > SHARE ? this.running + 1 : 0;
    return this.running >= FRAMES;
  }

  private analyse(): void {
    const { fft, frame, recent, window } = this;
    for (let i = 0; i < SIZE; i++)
      frame[i] = nth64(recent, (this.samples + i) % SIZE) * nth64(window, i);
    fft.transform(frame);
    const powers = this.pastFrame(0);
    for (let k = 0; k < powers.length; k++)
      powers[k] = nth64(fft.re, k) ** 2 + nth64(fft.im, k) ** 2;
    this.frames++;
  }

  /** Powers of so many frames ago; before the newest is analysed, its own place. */
  private pastFrame(ago: number): Float64Array {
    const rows = this.past.length;
    return this.past[(this.frames - ago + rows) % rows]!;
  }

  /** Share of the newest frame's power that stands where little stood before. */
  private newShare(): number {
    const now = this.pastFrame(1);
    let all = 0;
    let fresh = 0;
    for (let k = 1; k < now.length - 1; k++) {
      const power = nth64(now, k);
      all += power;
      let before = 0;
      for (let ago = PAST.from; ago <= PAST.to && power > TIMES * before; ago++) {
        const then = this.pastFrame(ago + 1);
        before = Math.max(before, nth64(then, k - 1), nth64(then, k), nth64(then, k + 1));
      }
      if (power > TIMES * before) fresh += power;
    }
    return fresh / (all + Number.MIN_VALUE);
  }
}
