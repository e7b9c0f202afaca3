import type { Cents, Seconds } from '../units.ts';

/** How sharp a pluck begins, at its onset: the harder the more. Common practice, no source. */
const BEGINS = { mean: 4, sigma: 6 } as const satisfies Record<string, Cents>;
/** … and in what time that is gone to 1/e; all alike. */
const TIMES: readonly Seconds[] = [0.06, 0.1, 0.16, 0.25, 0.4];
/** Slower than any pluck's: nearly a line. */
const SLOWEST: Seconds = 1.5;
/** When the attack is over. */
const A_MOMENT: Seconds = 0.05;
/** One frame knows the pitch that all partials share no better than this. */
const LEAST_ERROR: Cents = 0.4;

/** What a glide makes of a reading that was made at another time of the note. */
export interface GlideFit {
  /** Mean over the wanted stretch less mean over the measured one. */
  readonly cents: Cents;
  /** One standard deviation of that. */
  readonly errorCents: Cents;
}

/** The pitch of the frames of one note, against their mean. */
export interface Glided {
  readonly count: number;
  /** Seconds since the onset of the middle of frame k. */
  timeAt(k: number): Seconds;
  glideAt(k: number): Cents;
}

interface Span {
  readonly from: Seconds;
  readonly to: Seconds;
}

/**
 * Where the pitch would have stood in the wanted stretch, from frames of another one: a start
 * that is sharp by an amount that falls exponentially (the tension of a wide swing; Legge and
 * Fletcher 1984, from memory), each time constant weighed by how well it explains the frames.
 * @param measured the stretch that was read; that of the frames where it is missing
 */
export function glideFit(frames: Glided, wanted: Span, measured?: Span): GlideFit {
  const fits = TIMES.map((tau) => fitWith(against(tau, frames), wanted, measured));
  const best = Math.max(...fits.map(({ log }) => log));
  let weight = 0;
  let mean = 0;
  let square = 0;
  for (const { log, cents, variance } of fits) {
    const w = Math.exp(log - best);
    weight += w;
    mean += w * cents;
    square += w * (variance + cents * cents);
  }
  mean /= weight;
  return { cents: mean, errorCents: Math.sqrt(square / weight - mean * mean) };
}

/** What a pitch did while it was heard. */
export interface GlideShape {
  /** How far it stays from the best falling or rising exponential, in cents rms. */
  readonly rest: Cents;
  /** How far that exponential has still to fall a moment after the onset; negative where it rises. */
  readonly falls: Cents;
}

/** The exponential that a pitch follows best, and how well. */
export function glideShape(frames: Glided): GlideShape {
  const shapes = [...TIMES, SLOWEST].map((tau) => {
    const { own, shared, all } = against(tau, frames);
    const amount = own > 0 ? shared / own : 0;
    return { left: all - amount * shared, falls: amount * Math.exp(-A_MOMENT / tau) };
  });
  const best = shapes.reduce((a, b) => (b.left < a.left ? b : a));
  const rest = Math.sqrt(Math.max(0, best.left) / Math.max(1, frames.count - 2));
  return { rest, falls: best.falls };
}

/** The frames' pitch held against an exponential, the mean of both taken out: sums of squares and products. */
interface Against {
  readonly tau: Seconds;
  /** Mean of the exponential over the frames. */
  readonly middle: number;
  readonly own: number;
  readonly shared: number;
  readonly all: number;
}

function against(tau: Seconds, frames: Glided): Against {
  const count = Math.max(1, frames.count);
  let middle = 0;
  let level = 0;
  for (let k = 0; k < frames.count; k++) {
    middle += Math.exp(-frames.timeAt(k) / tau) / count;
    level += frames.glideAt(k) / count;
  }
  let own = 0;
  let shared = 0;
  let all = 0;
  for (let k = 0; k < frames.count; k++) {
    const shape = Math.exp(-frames.timeAt(k) / tau) - middle;
    const off = frames.glideAt(k) - level;
    own += shape * shape;
    shared += shape * off;
    all += off * off;
  }
  return { tau, middle, own, shared, all };
}

/** Mean of an exponential over a stretch. */
function meanOver({ from, to }: Span, tau: Seconds): number {
  return (tau * (Math.exp(-from / tau) - Math.exp(-to / tau))) / (to - from);
}

/** One time constant: the amount by least squares with its prior. */
function fitWith({ tau, middle, own, shared, all }: Against, wanted: Span, measured?: Span) {
  // Frames overlap by half: two of them tell little more than one.
  const variance = 2 * LEAST_ERROR ** 2;
  const information = 1 / BEGINS.sigma ** 2 + own / variance;
  const amount = (BEGINS.mean / BEGINS.sigma ** 2 + shared / variance) / information;
  const misfit =
    ((amount - BEGINS.mean) / BEGINS.sigma) ** 2 +
    (all - 2 * amount * shared + amount ** 2 * own) / variance;
  const lever = meanOver(wanted, tau) - (measured ? meanOver(measured, tau) : middle);
  return {
    log: -0.5 * (misfit + Math.log(information)),
    cents: lever * amount,
    variance: lever ** 2 / information,
  };
}
