import { decibels, nth, nth64 } from '../maths/index.ts';
import { centsBetween, shiftHz } from '../music/index.ts';
import type { Cents, Dbfs, Hz, Seconds } from '../units.ts';
import { Background } from './background.ts';
import { Estimator, MAX_PARTIALS, periodHz } from './estimator.ts';
import type { PartialReading } from './frameTable.ts';
import { FrameTable } from './frameTable.ts';
import type { StringKnowledge } from './identity.ts';
import { isNearString, priorAt } from './identity.ts';
import type { StiffFit, StiffnessPrior } from './stiffString.ts';
import { partialHz, reportedHz, StiffStringFitter } from './stiffString.ts';

/** What sounded before the onset is learned from this stretch, which ends so long before it. */
const BEFORE = { gap: 0.008, longest: 0.09, shortest: 0.06 } as const satisfies Record<
  string,
  Seconds
>;
/** Frames of the note's first part begin here after the onset; a shorter one is none. */
const FIRST_FRAMES: readonly Seconds[] = [0.03, 0.1, 0.2, 0.3];
const SHORTEST_FRAME: Seconds = 0.07;
/** The longest frame: no string's pitch moves much in it, and a low E has 15 periods. */
const LONGEST_FRAME: Seconds = 0.18;
/** Candidates of two frames nearer than this are one. */
const SAME_PITCH = 0.025;
/** Where another string is looked for: from when, in how long a frame. */
const SECOND_LOOK = { from: 0.1, shortest: 0.12 } as const satisfies Record<string, Seconds>;
/** Peaks within these shares of the lobe, or of their place, are the string's own; higher by as much as a stiff string stretches. */
const OWN_PEAK = { lobe: 0.5, place: 0.004, stiffness: 1.5e-4 } as const;
/** A second string's loudest partial holds at least this share of its power. */
const LOUDEST_SHARE = 0.3;
/** A second string is believed at this score, with so many partials, up to so many of them weighed. */
const SECOND = { score: 0.45, matched: 2, partials: 12 } as const;
/** A reading's frames hold at least so many periods, and last at least so long. */
const FRAME = { periods: 7, shortest: 0.085 } as const;
/** With fewer of the tried frames than this the pitch was not steady. */
const STEADY_FRAMES = 0.6;
/** A frame whose pitch jumps by more than this share is of something else. */
const JUMP = 0.06;
/** A neighbour closer than this is a skirt of the same string. */
const SEMITONE: Cents = 100;
/** Frequencies of the mains in Hz, and how near to a whole multiple a hum lies. */
const MAINS = [50, 60] as const;
const HUM_WITHIN = 0.02;
/** The loudness of an attack is followed in such windows, by such steps, so long. */
const ATTACK = { window: 0.02, step: 0.005, until: 0.18 } as const satisfies Record<
  string,
  Seconds
>;

/** A reading is the mean pitch over this window after the onset, in seconds. */
export const READING_WINDOW = { from: 0.2, to: 0.8 } as const;
/** The earliest a reading of a short note may begin, and the shortest usable stretch. */
const EARLIEST = 0.1;
const SHORTEST = 0.1;
/** Limits below which a number would be no evidence. */
const LEAST_SCORE = 0.38;
const LEAST_TONAL = 0.3;
/** What a candidate gains at a pitch where a string is known or wanted. */
const EXPECTED_BONUS = 0.04;
/** A string loses at least this much over its window; real ones lose 1.3 dB and more. */
const LEAST_DECAY_DB = 0.3;
/** The energy 20 to 40 ms after the onset against the greatest in the first moments: plucks stay above −2 dB. */
const SLOWEST_ATTACK_DB = -3.5;
/**
 * A sound without attack is a voice if it is shorter than this, in seconds, or wanders
 * more, in cents; so is a short one that leaves most of the sound unexplained.
 */
const VOICE = { shortest: 0.35, wander: 3, clarity: 0.4 } as const;
const MOST_ERROR: Cents = 8;
/** A pitch that wanders further than this inside the window is no string at rest. */
const MOST_WANDER: Cents = 60;
const MOVING_SLOPE: Cents = 12;
/** A second series this strong against the first counts as a second string. */
const SECOND_STRING = 0.35;
const MAX_FRAMES = 32;
/** One pluck's result. */
export interface Reading {
  readonly kind: 'reading';
  /** Reported pitch: mean over the window of the fourth partial over four. */
  readonly hz: Hz;
  /** Share of the sound's energy that this string explains, 0 to 1. */
  readonly clarity: number;
  /** Standard error of `hz` in cents. */
  readonly errorCents: Cents;
  /** Standard deviation of the pitch over the window, in cents. */
  readonly spreadCents: Cents;
  readonly f0Hz: Hz;
  readonly firstPartialHz: Hz;
  readonly periodHz: Hz;
  readonly inharmonicity: number;
  /** The pitch was still moving: the peg was turned, or the string slipped. */
  readonly moving: boolean;
  /** Start and length, in seconds after the onset, of the stretch that was used. */
  readonly windowFrom: Seconds;
  readonly windowLength: Seconds;
  readonly levelDbfs: Dbfs;
  readonly partials: readonly PartialReading[];
}

/** Why a pluck gave no reading. */
export type Refusal =
  | { readonly kind: 'too quiet'; readonly levelDbfs: Dbfs }
  | {
      readonly kind: 'not sure';
      readonly reason: 'too short' | 'no pitch' | 'unsteady' | 'weak' | 'no pluck';
    }
  /** A steady tone at a multiple of the mains frequency, and no string. */
  | { readonly kind: 'hum only'; readonly mainsHz: 50 | 60 }
  | { readonly kind: 'more than one string'; readonly hz: readonly Hz[] }
  /** Samples were lost or repeated on the way from the device. */
  | { readonly kind: 'interrupted' };

export type PluckOutcome = Reading | Refusal;

/** A stretch of decimated samples that holds one pluck. */
export interface PluckStretch {
  readonly samples: Float64Array;
  /** Index of the onset, and after the last sample that belongs to the note. Before the onset lies the room. */
  readonly onset: number;
  readonly end: number;
}

/**
 * Turns one pluck into a reading or a refusal. The octave is decided from
 * several frames of the note together, because single late frames of a wound
 * string can be dominated by the second partial.
 */
export class PluckAnalyser {
  private readonly estimator: Estimator;
  private readonly law = new StiffStringFitter(MAX_PARTIALS);
  private readonly frames: FrameTable;
  private readonly background = new Background();
  private readonly offsets = new Int32Array(MAX_FRAMES);
  private readonly pitches = new Float64Array(MAX_FRAMES);
  private readonly stiff: StiffFit = {
    f0: 0,
    inharmonicity: 0,
    errorCents: 0,
    f0ErrorCents: 0,
    shiftCents: 0,
  };
  private readonly maxFrame: number;

  constructor(readonly sampleRate: Hz) {
    this.maxFrame = Math.ceil(LONGEST_FRAME * sampleRate);
    this.estimator = new Estimator(sampleRate, this.maxFrame);
    this.frames = new FrameTable(MAX_FRAMES);
  }

  /** Measures the pluck, with what is known of the strings. */
  analyse(pluck: PluckStretch, strings: readonly StringKnowledge[] = []): PluckOutcome {
    const duration = (pluck.end - pluck.onset) / this.sampleRate;
    const window = windowFor(duration);
    if (!window) return { kind: 'not sure', reason: 'too short' };
    this.hearRoom(pluck);
    const coarse = this.newPitch(pluck, strings);
    if (!coarse || coarse.score < LEAST_SCORE) return { kind: 'not sure', reason: 'no pitch' };
    const other = this.secondString(pluck, coarse.hz);
    if (other) return { kind: 'more than one string', hz: [coarse.hz, other] };
    return this.measure(pluck, window, coarse.hz, priorAt(coarse.hz, strings));
  }

  /** Learns what already sounded before the onset. */
  private hearRoom(pluck: PluckStretch): void {
    const gap = Math.round(BEFORE.gap * this.sampleRate);
    // No longer than the finger rests on a string before it plucks it again.
    const length = Math.min(Math.round(BEFORE.longest * this.sampleRate), pluck.onset - gap);
    if (length < BEFORE.shortest * this.sampleRate) return this.background.forget();
    const { spectrum } = this.estimator;
    spectrum.analyse(pluck.samples, pluck.onset - gap - length, length);
    this.background.learn(spectrum);
  }

  /**
   * The pitch of what is new. A string plucked again while it rings may be no louder than
   * before in any of its partials: where nothing new is found, all that sounds is searched.
   */
  private newPitch(
    pluck: PluckStretch,
    strings: readonly StringKnowledge[],
  ): { hz: Hz; score: number } | null {
    const fresh = this.coarsePitch(pluck, strings);
    if (fresh && fresh.score >= LEAST_SCORE) return fresh;
    this.background.forget();
    return this.coarsePitch(pluck, strings);
  }

  /** The pitch that explains the frames of the note's first part best, taken together. */
  private coarsePitch(
    pluck: PluckStretch,
    strings: readonly StringKnowledge[],
  ): { hz: Hz; score: number } | null {
    const tallies: { hz: Hz; sum: number }[] = [];
    let frames = 0;
    for (const from of FIRST_FRAMES) {
      const start = pluck.onset + Math.round(from * this.sampleRate);
      const length = Math.min(this.maxFrame, pluck.end - start);
      if (length < SHORTEST_FRAME * this.sampleRate) break;
      frames++;
      const { spectrum, finder } = this.estimator;
      spectrum.analyse(pluck.samples, start, length);
      for (const c of finder.search(this.background.mark(spectrum))) {
        const same = tallies.find((t) => Math.abs(t.hz / c.hz - 1) < SAME_PITCH);
        if (same) same.sum += Math.max(0, c.score);
        else tallies.push({ hz: c.hz, sum: Math.max(0, c.score) });
      }
    }
    // Of two that explain the sound alike, the one where a string is to be expected.
    const merit = ({ hz, sum }: { hz: Hz; sum: number }) =>
      sum + (isNearString(hz, strings) ? EXPECTED_BONUS * frames : 0);
    const best = tallies.sort((a, b) => merit(b) - merit(a))[0];
    return best ? { hz: best.hz, score: best.sum / frames } : null;
  }

  /** A second harmonic series of comparable strength in the note's early part, or null. */
  private secondString(pluck: PluckStretch, hz: Hz): Hz | null {
    const start = pluck.onset + Math.round(SECOND_LOOK.from * this.sampleRate);
    const length = Math.min(this.maxFrame, pluck.end - start);
    if (length < SECOND_LOOK.shortest * this.sampleRate) return null;
    const { estimator } = this;
    estimator.candidates(pluck.samples, start, length);
    const { spectrum } = estimator;
    const own = new Uint8Array(spectrum.peakCount);
    let ownPower = 0;
    let strange = 0;
    for (let p = 0; p < spectrum.peakCount; p++) {
      const n = Math.max(1, Math.round(nth64(spectrum.peakHz, p) / hz));
      const stretch = partialHz(hz, OWN_PEAK.stiffness, n) - n * hz;
      const off = nth64(spectrum.peakHz, p) - n * hz;
      const tolerance = OWN_PEAK.lobe * spectrum.lobeHz + OWN_PEAK.place * n * hz;
      if (off > -tolerance && off < tolerance + stretch) {
        own[p] = 1;
        ownPower += nth64(spectrum.peakHeight, p) ** 2;
      } else strange = Math.max(strange, nth64(spectrum.peakHeight, p));
    }
    if (strange ** 2 < SECOND_STRING ** 2 * LOUDEST_SHARE * ownPower) return null;
    const second = estimator.finder.search(own)[0];
    if (!second || second.score < SECOND.score || second.matched < SECOND.matched) return null;
    if (Math.abs(centsBetween(hz, second.hz)) < SEMITONE) return null;
    let power = 0;
    for (let n = 1; n <= SECOND.partials; n++) {
      const p = spectrum.nearestPeak(n * second.hz, OWN_PEAK.lobe * spectrum.lobeHz);
      if (p >= 0 && !own[p]) power += nth64(spectrum.peakHeight, p) ** 2;
    }
    return power > SECOND_STRING ** 2 * ownPower ? second.hz : null;
  }

  private measure(
    pluck: PluckStretch,
    window: { from: Seconds; to: Seconds },
    hz: Hz,
    prior: StiffnessPrior,
  ): PluckOutcome {
    const { frames, sampleRate, stiff } = this;
    const from = pluck.onset + Math.round(window.from * sampleRate);
    const to = Math.min(pluck.end, pluck.onset + Math.round(window.to * sampleRate));
    const wanted = Math.round(Math.max(FRAME.shortest, FRAME.periods / hz) * sampleRate);
    const length = Math.min(wanted, this.maxFrame, to - from);
    const tried = this.firstLook(pluck, { from, to, length }, hz, prior);
    if (frames.count === 0 || frames.count < STEADY_FRAMES * tried)
      return { kind: 'not sure', reason: 'unsteady' };
    if (frames.tonal / frames.count < LEAST_TONAL) return { kind: 'not sure', reason: 'weak' };
    frames.separate();
    const doubt = this.doubtOf(pluck, hz);
    if (doubt) return doubt;
    this.law.fit(frames.number, frames.hz, frames.sigma, frames.partials, prior, stiff);
    this.secondLook(pluck, length, prior);
    frames.separate();
    this.law.fit(frames.number, frames.hz, frames.sigma, frames.partials, prior, stiff);
    let level = 0;
    for (let at = from; at + length <= to; at += length >> 1)
      level = Math.max(level, rms(pluck.samples, at, length));
    return this.conclude(window.from, (to - from) / sampleRate, level);
  }

  /** Measures frame after frame, each with the pitch of the one before; answers how many were tried. */
  private firstLook(
    pluck: PluckStretch,
    stretch: { from: number; to: number; length: number },
    hz: Hz,
    prior: StiffnessPrior,
  ): number {
    const { frames } = this;
    const { from, length } = stretch;
    const room = stretch.to - from - length;
    const hops = Math.min(MAX_FRAMES - 1, Math.ceil(room / (length / 2)));
    let hint = { hz, inharmonicity: prior.mean };
    frames.clear();
    for (let k = 0; k <= hops; k++) {
      const offset = from + (hops === 0 ? 0 : Math.round((k * room) / hops));
      const e = this.estimator.estimate(pluck.samples, offset, length, hint, prior);
      if (!e || Math.abs(e.f0 / hz - 1) > JUMP) continue;
      this.offsets[frames.count] = offset;
      frames.add((offset + length / 2 - pluck.onset) / this.sampleRate, e);
      hint = { hz: e.firstPartialHz, inharmonicity: e.inharmonicity };
    }
    return hops + 1;
  }

  /**
   * Measures the same frames again with partials looked for where the law of the whole
   * note says: one frame alone is easily led astray by a stranger among the high ones.
   */
  private secondLook(pluck: PluckStretch, length: number, prior: StiffnessPrior): void {
    const { frames, stiff, offsets, pitches } = this;
    const { count } = frames;
    const stretch = Math.sqrt(1 + stiff.inharmonicity);
    for (let k = 0; k < count; k++) pitches[k] = shiftHz(stiff.f0 * stretch, frames.glideAt(k));
    frames.clear();
    for (let k = 0; k < count; k++) {
      const hint = { hz: nth64(pitches, k), inharmonicity: stiff.inharmonicity, firm: true };
      const e = this.estimator.estimate(pluck.samples, nth(offsets, k), length, hint, prior);
      if (e) frames.add((nth(offsets, k) + length / 2 - pluck.onset) / this.sampleRate, e);
    }
  }

  /** Why this may be no pluck at all: no attack, no decay, a voice's wandering pitch. */
  private doubtOf(pluck: PluckStretch, hz: Hz): Refusal | null {
    const { frames } = this;
    const seconds = (pluck.end - pluck.onset) / this.sampleRate;
    const long = seconds >= VOICE.shortest;
    if (long && frames.decayDb() < LEAST_DECAY_DB) {
      for (const mainsHz of MAINS)
        if (Math.abs(hz / mainsHz - Math.round(hz / mainsHz)) < HUM_WITHIN)
          return { kind: 'hum only', mainsHz };
      return { kind: 'not sure', reason: 'no pluck' };
    }
    const slow = attackDb(pluck, this.sampleRate) < SLOWEST_ATTACK_DB;
    if (slow && (!long || frames.spread() > VOICE.wander))
      return { kind: 'not sure', reason: 'no pluck' };
    if (!long && frames.clarity / frames.count < VOICE.clarity)
      return { kind: 'not sure', reason: 'no pluck' };
    return null;
  }

  private conclude(windowFrom: Seconds, windowLength: Seconds, level: number): PluckOutcome {
    const { frames, stiff } = this;
    if (frames.hasSkip()) return { kind: 'interrupted' };
    const stray = frames.loudestStray(stiff);
    if (stray) return { kind: 'more than one string', hz: [stiff.f0, stray] };
    const spread = frames.spread();
    if (stiff.errorCents > MOST_ERROR || spread > MOST_WANDER || !Number.isFinite(stiff.f0))
      return { kind: 'not sure', reason: 'unsteady' };
    return {
      kind: 'reading',
      hz: reportedHz(stiff.f0, stiff.inharmonicity),
      clarity: frames.clarity / frames.count,
      errorCents: stiff.errorCents,
      spreadCents: spread,
      f0Hz: stiff.f0,
      firstPartialHz: partialHz(stiff.f0, stiff.inharmonicity, 1),
      periodHz: periodHz({
        partialCount: frames.partials,
        partialNumber: frames.number,
        partialHz: frames.hz,
        partialAmplitude: frames.amplitude,
      }),
      inharmonicity: stiff.inharmonicity,
      moving: Math.abs(frames.slope()) > MOVING_SLOPE,
      windowFrom,
      windowLength,
      levelDbfs: decibels(level),
      partials: frames.list(),
    };
  }
}

/** How far the first moments of a sound stand below its loudest, in dB; 0 when it begins at its loudest. */
function attackDb(pluck: PluckStretch, rate: Hz): number {
  const window = Math.round(ATTACK.window * rate);
  const step = Math.round(ATTACK.step * rate);
  const last = Math.min(pluck.end - window, pluck.onset + Math.round(ATTACK.until * rate));
  let loudest = 0;
  for (let at = pluck.onset; at <= last; at += step)
    loudest = Math.max(loudest, rms(pluck.samples, at, window));
  const first = rms(pluck.samples, Math.min(pluck.onset + window, last), window);
  return decibels(first) - decibels(loudest);
}

function windowFor(duration: Seconds): { from: Seconds; to: Seconds } | null {
  if (duration >= READING_WINDOW.from + 2 * SHORTEST)
    return { from: READING_WINDOW.from, to: Math.min(READING_WINDOW.to, duration) };
  if (duration >= EARLIEST + SHORTEST) return { from: EARLIEST, to: duration };
  return null;
}

function rms(samples: Float64Array, offset: number, length: number): number {
  let sum = 0;
  for (let i = 0; i < length; i++) sum += nth64(samples, offset + i) ** 2;
  return Math.sqrt(sum / length);
}
