import type { Random } from '../maths/index.ts';
import { normal, nth64 } from '../maths/index.ts';
import type { Dbfs, Hz } from '../units.ts';

/** The noise of a room: low-heavy hiss and mains hum with its harmonics. */
export class Room {
  private readonly hiss: number;
  private readonly hum: number;
  private slow = 0;
  private phase = 0;
  private readonly step: number;

  constructor(
    sampleRate: Hz,
    noise: Dbfs,
    hum: Dbfs,
    private readonly random: Random,
    mains: Hz = 50,
  ) {
    this.hiss = 10 ** (noise / 20);
    this.hum = 10 ** (hum / 20) * Math.SQRT2;
    this.step = (2 * Math.PI * mains) / sampleRate;
  }

  /** Adds `length` samples to `out`. */
  render(out: Float64Array, length: number): void {
    for (let k = 0; k < length; k++) {
      const white = normal(this.random);
      this.slow = 0.97 * this.slow + 0.243 * white;
      out[k] = nth64(out, k) + this.hiss * (0.7 * this.slow + 0.7 * white);
      this.phase += this.step;
      out[k] =
        nth64(out, k) +
        this.hum *
          (0.85 * Math.sin(this.phase) +
            0.45 * Math.sin(2 * this.phase) +
            0.27 * Math.sin(3 * this.phase));
    }
    this.phase %= 2 * Math.PI;
  }
}
