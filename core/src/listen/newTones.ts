import { nth64, RealFft } from '../maths/index.ts';

/**
 * Samples of a frame at about 12 kHz, and of how many steps before a bin is held against the loudest: clear of the
 * present frame, so it begins four quarters of a frame ago. Partials of a low string lie closer than a short frame tells.
 */
const FRAME = {
  usual: { size: 512, past: 12 },
  low: { size: 2048, past: 8 },
} as const;
/** From one frame to the next it is a quarter of one. */
const STEPS = 4;
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
  private readonly size: number;
  private readonly longest: number;
  private readonly fft: RealFft;
  private readonly recent: Float64Array;
  private readonly frame: Float64Array;
  private readonly window: Float64Array;
  /** Powers of the last frames, the newest at `frames % rows`. */
  private readonly past: readonly Float64Array[];
  private samples = 0;
  private frames = 0;
  private running = 0;

  /** Samples from the first new frame's middle to the moment when it is believed. */
  readonly late: number;

  constructor(readonly strings: keyof typeof FRAME) {
    const { size, past } = FRAME[strings];
    this.size = size;
    this.longest = past;
    this.fft = new RealFft(size);
    this.recent = new Float64Array(size);
    this.frame = new Float64Array(size);
    this.window = Float64Array.from(
      { length: size },
      (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * (i + 0.5)) / size),
    );
    this.past = Array.from({ length: past + 2 }, () => new Float64Array(size / 2 + 1));
    this.late = size / 2 + ((FRAMES - 1) * size) / STEPS;
  }

  /** A note has begun: what it brings is new to nobody. */
  begin(): void {
    this.frames = 0;
    this.running = 0;
  }

  /** Takes one sample; true at the moment when other tones are believed to have begun. */
  push(sample: number, rings: boolean): boolean {
    this.recent[this.samples++ % this.size] = sample;
    if (!rings || this.samples % (this.size / STEPS) !== 0) return false;
    this.analyse();
    if (this.frames <= this.longest) return false;
    this.running = this.newShare() > SHARE ? this.running + 1 : 0;
    return this.running >= FRAMES;
  }

  private analyse(): void {
    const { fft, frame, recent, window, size } = this;
    for (let i = 0; i < size; i++)
      frame[i] = nth64(recent, (this.samples + i) % size) * nth64(window, i);
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
      for (let ago = STEPS; ago <= this.longest && power > TIMES * before; ago++) {
        const then = this.pastFrame(ago + 1);
        before = Math.max(before, nth64(then, k - 1), nth64(then, k), nth64(then, k + 1));
      }
      if (power > TIMES * before) fresh += power;
    }
    return fresh / (all + Number.MIN_VALUE);
  }
}
