import { partialHz } from '../listen/index.ts';
import type { Random } from '../maths/index.ts';
import { between, normal, nth, nth64 } from '../maths/index.ts';
import { shiftHz } from '../music/index.ts';
import type { Cents, Hz, Seconds } from '../units.ts';

/** Frequencies move in steps of this many samples, too short to be heard or measured. */
export const CONTROL_BLOCK = 32;
const MAX_MODES = 36;
const SILENCE = 3e-6;

/** How one string sounds, apart from its pitch. */
export interface Timbre {
  readonly inharmonicity: number;
  /** Decay time of the first partial to 1/e. */
  readonly decay: Seconds;
  /** Body resonances: each partial's shift in cents and gain. */
  readonly shifts: Float64Array;
  readonly gains: Float64Array;
}

/** A string's timbre drawn at random: partials shifted by 1.5 cents rms, now and then by 10. */
export function drawTimbre(
  random: Random,
  inharmonicity: number,
  decay: Seconds,
  shiftCents: Cents = 1.5,
): Timbre {
  const shifts = new Float64Array(MAX_MODES + 1);
  const gains = new Float64Array(MAX_MODES + 1);
  for (let n = 1; n <= MAX_MODES; n++) {
    const far = random() < 0.03 ? 10 / 1.5 : 1;
    shifts[n] = normal(random) * shiftCents * far;
    gains[n] = 10 ** ((normal(random) * 2.5) / 20);
  }
  return { inharmonicity, decay, shifts, gains };
}

/** How a string is plucked. */
export interface PluckGesture {
  /** 0 (barely) to 1 (hard). */
  readonly strength: number;
  /** Place of the finger as a share of the string's length from the bridge. */
  readonly position: number;
}

/** How far a pluck starts sharp, and how fast that goes, in cents and seconds. */
const GLIDE_TIME: Seconds = 0.09;
function glideStart(strength: number): Cents {
  return 14 * strength * strength;
}

/** Mean of the glide over a window after the onset, in cents: what an exact reading of it contains. */
export function glideMean(strength: number, from: Seconds, to: Seconds): Cents {
  const area = GLIDE_TIME * (Math.exp(-from / GLIDE_TIME) - Math.exp(-to / GLIDE_TIME));
  return (glideStart(strength) * area) / (to - from);
}

/** One ringing note: damped modes of a stiff string, with the attack's glide and noise. */
export class Voice {
  private readonly modes: number;
  private readonly re: Float64Array;
  private readonly im: Float64Array;
  private readonly decay: Float64Array;
  private readonly ratio: Float64Array;
  private age = 0;
  private attack: number;
  private damping = 1;
  private loudness = 1;

  constructor(
    private readonly sampleRate: Hz,
    timbre: Timbre,
    f0: Hz,
    private readonly gesture: PluckGesture,
    private readonly random: Random,
  ) {
    let modes = 0;
    const top = 0.45 * sampleRate;
    while (modes < MAX_MODES && partialHz(f0, timbre.inharmonicity, modes + 1) < top) modes++;
    this.modes = modes;
    this.re = new Float64Array(modes);
    this.im = new Float64Array(modes);
    this.decay = new Float64Array(modes);
    this.ratio = new Float64Array(modes);
    this.attack = 0.25 * gesture.strength;
    const brightness = 3 + 14 * gesture.strength;
    for (let i = 0; i < modes; i++) {
      const n = i + 1;
      const size =
        (gesture.strength * 0.5 * Math.sin(n * Math.PI * gesture.position) * nth(timbre.gains, n)) /
        (n * Math.hypot(1, n / brightness));
      const phase = between(random, -0.4, 0.4);
      this.re[i] = size * Math.sin(phase);
      this.im[i] = -size * Math.cos(phase);
      const lifetime = timbre.decay / (1 + 0.06 * n + 0.004 * n * n);
      this.decay[i] = Math.exp(-1 / (lifetime * sampleRate));
      this.ratio[i] = shiftHz(partialHz(1, timbre.inharmonicity, n), nth(timbre.shifts, n));
    }
  }

  get silent(): boolean {
    return this.loudness < SILENCE;
  }

  /** Stops the string within a few hundredths of a second, as a finger would. */
  damp(): void {
    this.damping = Math.exp(-1 / (0.012 * this.sampleRate));
  }

  /** Adds `length` samples (at most a control block) at `f0` to `out`. */
  render(out: Float64Array, length: number, f0: Hz): void {
    const t = this.age / this.sampleRate;
    const glide = glideStart(this.gesture.strength) * Math.exp(-t / GLIDE_TIME);
    const hz = shiftHz(f0, glide);
    let power = 0;
    for (let i = 0; i < this.modes; i++) {
      const turn = (2 * Math.PI * hz * nth(this.ratio, i)) / this.sampleRate;
      const shrink = nth(this.decay, i) * this.damping;
      const c = shrink * Math.cos(turn);
      const s = shrink * Math.sin(turn);
      let re = nth(this.re, i);
      let im = nth(this.im, i);
      for (let k = 0; k < length; k++) {
        out[k] = nth64(out, k) + re;
        const next = re * c - im * s;
        im = re * s + im * c;
        re = next;
      }
      this.re[i] = re;
      this.im[i] = im;
      power += re * re + im * im;
    }
    this.renderAttack(out, length);
    this.age += length;
    this.loudness = Math.sqrt(power) + this.attack;
  }

  private renderAttack(out: Float64Array, length: number): void {
    if (this.attack < SILENCE) return;
    const fade = Math.exp(-1 / (0.004 * this.sampleRate));
    for (let k = 0; k < length; k++) {
      out[k] = nth64(out, k) + this.attack * 0.3 * (this.random() - 0.5);
      this.attack *= fade * this.damping;
    }
  }
}
