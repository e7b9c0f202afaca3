import { decibels, nth, nth64 } from '../maths/index.ts';
import { centsBetween, shiftHz } from '../music/index.ts';
import type { Cents, Dbfs, Hz, Seconds } from '../units.ts';
import { Background } from './background.ts';
import { PITCH_RANGE } from './candidates.ts';
import { Estimator, MAX_PARTIALS, periodHz } from './estimator.ts';
import type { PartialReading } from './frameTable.ts';
import { FrameTable } from './frameTable.ts';
import { type Glided, type GlideFit, glideFit, glideShape } from './glide.ts';
import type { StringKnowledge } from './identity.ts';
import { isNearString, lowestOf, priorAt } from './identity.ts';
import { fadingLikeness, likeness } from './likeness.ts';
import type { SteadyStretch } from './noteTrack.ts';
import { octaveBeside } from './octave.ts';
import { PairFinder } from './pair.ts';
import { type Presence, presenceOf } from './presence.ts';
import type { StiffFit, StiffnessPrior } from './stiffString.ts';
import { GENERAL_PRIOR, partialHz, reportedHz, StiffStringFitter } from './stiffString.ts';

/** What sounded before the onset is learned from this stretch, which ends so long before it. */
const BEFORE = { gap: 0.008, longest: 0.09, shortest: 0.06 } as const satisfies Record<
  string,
  Seconds
>;
/** Frames of the note's first part begin here after the onset; a shorter one is none. */
const FIRST_FRAMES: readonly Seconds[] = [0.03, 0.1, 0.2, 0.3];
const SHORTEST_FRAME: Seconds = 0.07;
/** The longest frame: no string's pitch moves much in it, and a low E has 15 periods; of a low string so many. */
const LONGEST_FRAME: Seconds = 0.18;
const LOW_FRAME: Seconds = 0.27;
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

const FADE = { from: 0.05, window: 0.05 } as const satisfies Record<string, Seconds>;

/** A reading is the mean pitch over this window after the onset, in seconds. */
export const READING_WINDOW = { from: 0.2, to: 0.8 } as const;
/** A note that ended before the first is read from its beginning and its glide taken out; before the second it is called short. */
const GLIDES_UNTIL: Seconds = 0.55;
const SHORT: Seconds = 0.4;
/** The earliest a reading of a short note may begin, and the shortest usable stretch. */
const EARLIEST: Seconds = 0.05;
const SHORTEST: Seconds = 0.15;
/** Limits below which a number would be no evidence. */
const LEAST_SCORE = 0.38;
const LEAST_TONAL = 0.3;
/** What a candidate gains at a pitch where a string is known or wanted. */
const EXPECTED_BONUS = 0.04;
/** A string loses at least this much over its window; real ones lose 1.3 dB and more. */
const LEAST_DECAY_DB = 0.3;
/** … and its high partials fade faster than its low ones, by so many dB a second for each factor of e. */
const LEVEL_TILT = -2;
/** A sound that is shorter than this, in seconds, and leaves most of what sounds unexplained is no string. */
const UNCLEAR = { until: 0.35, clarity: 0.4 } as const;
const MOST_ERROR: Cents = 8;
/** Scatter within so many times what noise does is noise; none is less than the least. */
const NOISE_MARGIN = 1.5;
const LEAST_SCATTER: Cents = 0.02;
/**
 * Evidence for a string (`likeness`) that is wanted of a sound: when it is short, when no known string is
 * within so many cents, and for every sound of the last seconds that was none of a string.
 */
const PROOF = {
  /** Fading like this, a string near its place may be turned meanwhile. */
  turned: 1.5,
  /** Wanted beyond the rest of a note that was turned from its beginning on. */
  turnedFromStart: 1,
  always: 0.5,
  short: 2,
  astray: 1,
  unknown: 0.4,
  near: 60,
  talk: 0.6,
  mostTalk: 2.2,
} as const;
/** So near to where they belong two strings of a pair may be told by their octave. */
const PAIR_NEAR: Cents = 100;
const NO_FRAMES: Glided = { count: 0, timeAt: () => 0, glideAt: () => 0 };
const AT_REST: GlideFit = { cents: 0, errorCents: 0 };
/** A pitch that wanders further than this inside the window is no steady string. */
const MOST_WANDER: Cents = 60;
/** A string that is let be glides by less than this; found with plucks, bends and vibrato of `npm run bench -- rooms`. */
const SHAKEN: Cents = 6;
const MOVING_SLOPE: Cents = 12;
/** A string that went further than this in its window was turned. */
const WENT: Cents = 6;
/** What a reading after a turn leaves open beside its fit, and the share of its remaining movement. */
const AFTER_TURN: Cents = 0.3;
const SLOPE_DOUBT = 0.5;
/** A second series this strong against the first counts as a second string. */
const SECOND_STRING = 0.35;
const MAX_FRAMES = 32;
const NO_FIT: StiffFit = {
  f0: 0,
  inharmonicity: 0,
  errorCents: 0,
  f0ErrorCents: 0,
  shiftCents: 0,
};

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
  /** B as this pluck alone tells it, whatever is known of a string at its pitch. */
  readonly freeInharmonicity?: number;
  /** The pitch was still moving: the peg was turned, or the string slipped. */
  readonly moving: boolean;
  /** The string was turned while it rang: this is where it stood still afterwards. */
  readonly turned?: true;
  /** The note ended before its pitch had come to rest: where it would have come to is in `hz`, the doubt of that in its error. */
  readonly short?: boolean;
  /** Start and length, in seconds after the onset, of the stretch that was used. */
  readonly windowFrom: Seconds;
  readonly windowLength: Seconds;
  readonly levelDbfs: Dbfs;
  readonly partials: readonly PartialReading[];
  /** How near it was plucked; left out of what is read after a turn, and of a note too short to tell. */
  readonly presence?: Presence;
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
  /** The string was turned while it rang, and did not stand still afterwards. */
  | { readonly kind: 'turned' }
  /** Samples were lost or repeated on the way from the device. */
  | { readonly kind: 'interrupted' };

export type PluckOutcome = Reading | Refusal;

/** A stretch of decimated samples that holds one pluck. */
export interface PluckStretch {
  readonly samples: Float64Array;
  /** Index of the onset, and after the last sample that belongs to the note. Before the onset lies the room. */
  readonly onset: number;
  readonly end: number;
  /** Sounds of the last seconds that were none of a string, the older the less they count. */
  readonly talk?: number;
}

/**
 * Turns one pluck into a reading or a refusal. The octave is decided from
 * several frames of the note together, because single late frames of a wound
 * string can be dominated by the second partial.
 */
export class PluckAnalyser {
  private estimator: Estimator;
  private readonly usual: Estimator;
  /** With frames that are long enough for a low string; made when there is one. */
  private low: Estimator | null = null;
  private readonly law = new StiffStringFitter(MAX_PARTIALS);
  private readonly frames: FrameTable;
  private readonly pairs: PairFinder;
  private readonly background = new Background();
  private readonly offsets = new Int32Array(MAX_FRAMES);
  private readonly pitches = new Float64Array(MAX_FRAMES);
  private readonly stiff: StiffFit = { ...NO_FIT };
  private readonly free: StiffFit = { ...NO_FIT };
  private maxFrame: number;
  private strings: readonly StringKnowledge[] = [];

  constructor(readonly sampleRate: Hz) {
    this.maxFrame = Math.ceil(LONGEST_FRAME * sampleRate);
    this.usual = new Estimator(sampleRate, this.maxFrame);
    this.estimator = this.usual;
    this.frames = new FrameTable(MAX_FRAMES);
    this.pairs = new PairFinder(sampleRate);
  }

  /** Measures the pluck, with what is known of the strings. */
  analyse(pluck: PluckStretch, strings: readonly StringKnowledge[] = []): PluckOutcome {
    const duration = (pluck.end - pluck.onset) / this.sampleRate;
    const window = windowFor(duration);
    if (!window) return { kind: 'not sure', reason: 'too short' };
    this.strings = strings;
    this.reachDown(lowestOf(strings));
    this.hearRoom(pluck);
    const coarse = this.newPitch(pluck, strings);
    if (!coarse || coarse.score < LEAST_SCORE) return { kind: 'not sure', reason: 'no pitch' };
    const other = this.secondString(pluck, coarse.hz);
    if (other) return { kind: 'more than one string', hz: [coarse.hz, other] };
    const outcome = this.measure(pluck, window, coarse.hz, priorAt(coarse.hz, strings));
    if (outcome.kind !== 'reading') return outcome;
    const { f0Hz: f0, inharmonicity } = outcome;
    const presence = presenceOf({ ...pluck, rate: this.sampleRate, f0, inharmonicity });
    return presence ? { ...outcome, presence } : outcome;
  }

  /**
   * Measures a note again where it stood still after it was turned.
   * @param untouched how long the note rang before it was turned, and at what pitch; null where it was
   *   turned from its beginning on, so that nothing shows how it glides or that it is a string
   * @returns null where the stretch cannot be read, or does not sound like a string
   */
  analyseSteady(
    pluck: PluckStretch,
    { from, to, hz, slope }: SteadyStretch,
    untouched: { readonly hz: Hz; readonly to: Seconds } | null,
  ): Reading | null {
    const { frames, stiff } = this;
    this.reachDown(lowestOf(this.strings));
    const early = this.beginning(pluck, untouched);
    const prior = priorAt(hz, this.strings);
    const stretch = this.framesOf(pluck, { from, to }, hz);
    const tried = this.firstLook(pluck, stretch, hz, prior);
    if (frames.count === 0 || frames.count < STEADY_FRAMES * tried) return null;
    if (frames.tonal / frames.count < LEAST_TONAL) return null;
    frames.separate();
    const level = this.fitFrames(pluck, stretch, prior);
    if (stiff.errorCents > MOST_ERROR || !Number.isFinite(stiff.f0)) return null;
    if (frames.spread() > MOST_WANDER || frames.loudestStray(stiff)) return null;
    if (!untouched && !this.isTurnedString(pluck, to)) return null;
    const rest = glideFit(early, READING_WINDOW, { from, to });
    const unsteady = Math.abs(slope) * (to - from) * SLOPE_DOUBT;
    const errorCents = Math.hypot(rest.errorCents, AFTER_TURN, unsteady);
    const read = this.readingOf({ from, to, glides: false }, level, { ...rest, errorCents });
    return { ...read, turned: true };
  }

  /** The pitch of the frames of a note before it was turned, for the fit of its glide. */
  private beginning(
    pluck: PluckStretch,
    untouched: { readonly hz: Hz; readonly to: Seconds } | null,
  ): Glided {
    const { frames } = this;
    if (!untouched || pluck.onset < 0) return NO_FRAMES;
    const { hz, to } = untouched;
    const stretch = this.framesOf(pluck, { from: EARLIEST, to }, hz);
    this.firstLook(pluck, stretch, hz, priorAt(hz, this.strings));
    if (frames.count === 0) return NO_FRAMES;
    frames.separate();
    const [times, glides] = [[], []] as [number[], number[]];
    for (let k = 0; k < frames.count; k++) {
      times.push(frames.timeAt(k));
      glides.push(frames.glideAt(k));
    }
    return { count: times.length, timeAt: (k) => nth(times, k), glideAt: (k) => nth(glides, k) };
  }

  /** Looks as low as the lowest string can stand, in frames that are long enough for it. */
  private reachDown(lowest: Hz): void {
    const isLow = lowest < PITCH_RANGE.low;
    this.maxFrame = Math.ceil((isLow ? LOW_FRAME : LONGEST_FRAME) * this.sampleRate);
    if (isLow) this.low ??= new Estimator(this.sampleRate, this.maxFrame);
    this.estimator = (isLow && this.low) || this.usual;
    this.estimator.finder.lowest = Math.min(PITCH_RANGE.low, lowest);
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
    window: ReadingWindow,
    hz: Hz,
    prior: StiffnessPrior,
  ): PluckOutcome {
    const { frames } = this;
    const stretch = this.framesOf(pluck, window, hz);
    const tried = this.firstLook(pluck, stretch, hz, prior);
    if (frames.count === 0 || frames.count < STEADY_FRAMES * tried)
      return { kind: 'not sure', reason: 'unsteady' };
    if (frames.tonal / frames.count < LEAST_TONAL) return { kind: 'not sure', reason: 'weak' };
    frames.separate();
    const doubt = this.doubtOf(pluck, hz);
    if (doubt) return doubt;
    const level = this.fitFrames(pluck, stretch, prior);
    const to = (stretch.to - pluck.onset) / this.sampleRate;
    return this.conclude(pluck, { ...window, to }, level);
  }

  /** The samples of a window, and how long its frames are. */
  private framesOf(pluck: PluckStretch, window: Pick<ReadingWindow, 'from' | 'to'>, hz: Hz) {
    const { sampleRate } = this;
    const from = pluck.onset + Math.round(window.from * sampleRate);
    const to = Math.min(pluck.end, pluck.onset + Math.round(window.to * sampleRate));
    const wanted = Math.round(Math.max(FRAME.shortest, FRAME.periods / hz) * sampleRate);
    return { from, to, length: Math.min(wanted, this.maxFrame, to - from) };
  }

  /** Fits the law of a stiff string to the frames of a stretch, in two looks; returns its level. */
  private fitFrames(
    pluck: PluckStretch,
    { from, to, length }: ReturnType<PluckAnalyser['framesOf']>,
    prior: StiffnessPrior,
  ): number {
    const { frames, stiff } = this;
    this.law.fit(frames.number, frames.hz, frames.sigma, frames.partials, prior, stiff);
    this.secondLook(pluck, length, prior);
    frames.separate();
    this.law.fit(frames.number, frames.hz, frames.sigma, frames.partials, prior, stiff);
    let level = 0;
    for (let at = from; at + length <= to; at += length >> 1)
      level = Math.max(level, rms(pluck.samples, at, length));
    return level;
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

  /** Why this may be no pluck at all: it does not fade, or is short and unclear. */
  private doubtOf(pluck: PluckStretch, hz: Hz): Refusal | null {
    const { frames } = this;
    const seconds = (pluck.end - pluck.onset) / this.sampleRate;
    const long = seconds >= UNCLEAR.until;
    // A device that levels by itself keeps it as loud, but not its high partials beside the low ones.
    if (long && frames.decayDb() < LEAST_DECAY_DB && frames.fading().tilt > LEVEL_TILT) {
      for (const mainsHz of MAINS)
        if (Math.abs(hz / mainsHz - Math.round(hz / mainsHz)) < HUM_WITHIN)
          return { kind: 'hum only', mainsHz };
      return { kind: 'not sure', reason: 'no pluck' };
    }
    if (!long && frames.clarity / frames.count < UNCLEAR.clarity)
      return { kind: 'not sure', reason: 'no pluck' };
    return null;
  }

  private periodHz(): Hz {
    const { frames } = this;
    return periodHz({
      partialCount: frames.partials,
      partialNumber: frames.number,
      partialHz: frames.hz,
      partialAmplitude: frames.amplitude,
    });
  }

  private freeInharmonicity(): number {
    const { frames, free } = this;
    this.law.fit(frames.number, frames.hz, frames.sigma, frames.partials, GENERAL_PRIOR, free);
    return free.inharmonicity;
  }

  /** How much evidence is wanted: more of a short sound, where no string is, and in the middle of talk. */
  private proofWanted(pluck: PluckStretch, hz: Hz): number {
    const { short, near } = this.placeOf(pluck, hz);
    const elsewhere = this.strings.length > 0 ? PROOF.astray : PROOF.unknown;
    const talk = Math.min(PROOF.mostTalk, PROOF.talk * (pluck.talk ?? 0));
    return PROOF.always + (short ? PROOF.short : 0) + (near ? 0 : elsewhere) + talk;
  }

  /** Whether a note is short, and near a string that is known or wanted there. */
  private placeOf({ onset, end }: PluckStretch, hz: Hz): { short: boolean; near: boolean } {
    const short = (end - onset) / this.sampleRate < SHORT;
    return { short, near: isNearString(hz, this.strings, PROOF.near) };
  }

  /** The pitches of a string and of the other one of its pair, an octave above, where both sound; else null. */
  private octaveOfPair(): readonly [Hz, Hz] | null {
    const { frames, stiff, strings } = this;
    const own = strings.find(({ target }) => isNear(target.hz, stiff.f0));
    const mate = strings.find(({ target }) => target.course === own?.target.mate);
    if (!mate || !isNear(mate.target.hz, 2 * stiff.f0)) return null;
    const { f0, inharmonicity } = stiff;
    const off = octaveBeside(frames.list(), { mean: inharmonicity, sigma: inharmonicity });
    return off === null ? null : [f0, shiftHz(2 * f0, off)];
  }

  /** Less like a string than is wanted of it. */
  private isVoice(pluck: PluckStretch): boolean {
    const { frames, stiff } = this;
    const { rest, falls } = glideShape(frames);
    const heard = {
      ...frames.fading(),
      attackDb: attackDb(pluck, this.sampleRate),
      spread: beyond(frames.spread(), frames.noise()),
      rest: beyond(rest, frames.noise()),
      falls,
      errorCents: stiff.errorCents,
    };
    const { short, near } = this.placeOf(pluck, stiff.f0);
    if (!short && near && fadingLikeness(heard) > PROOF.turned) return false;
    return likeness(heard) < this.proofWanted(pluck, stiff.f0);
  }

  /** Whether a note that was turned from its beginning on sounds like a string where it stands still. */
  private isTurnedString(pluck: PluckStretch, to: Seconds): boolean {
    const { frames, stiff, sampleRate } = this;
    const { rest } = glideShape(frames);
    const heard = {
      dbPerSecond: fadeOf(pluck, Math.round(to * sampleRate), sampleRate),
      tilt: frames.fading().tilt,
      attackDb: attackDb(pluck, sampleRate),
      spread: beyond(frames.spread(), frames.noise()),
      rest: beyond(rest, frames.noise()),
      falls: 0,
      errorCents: stiff.errorCents,
    };
    return likeness(heard) >= this.proofWanted(pluck, stiff.f0) + PROOF.turnedFromStart;
  }

  private conclude(
    pluck: PluckStretch,
    { from, to, glides }: ReadingWindow,
    level: number,
  ): PluckOutcome {
    const { frames, stiff } = this;
    const spread = frames.spread();
    if (spread > MOST_WANDER) return { kind: 'not sure', reason: 'unsteady' };
    // Bent or shaken, its phases jump as they do where samples are missing.
    if (frames.hasSkip())
      return spread > SHAKEN ? { kind: 'not sure', reason: 'unsteady' } : { kind: 'interrupted' };
    const stray = frames.loudestStray(stiff);
    if (stray) return { kind: 'more than one string', hz: [stiff.f0, stray] };
    // A string that was turned stood at two pitches too, one after the other.
    const pair =
      frames.went() < WENT && this.pairs.find(pluck.samples, pluck.onset, pluck.end, stiff);
    if (pair) return { kind: 'more than one string', hz: pair };
    const octave = this.octaveOfPair();
    if (octave) return { kind: 'more than one string', hz: octave };
    if (stiff.errorCents > MOST_ERROR || !Number.isFinite(stiff.f0))
      return { kind: 'not sure', reason: 'unsteady' };
    if (this.isVoice(pluck)) return { kind: 'not sure', reason: 'no pluck' };
    const rest = glides ? glideFit(frames, READING_WINDOW) : AT_REST;
    return this.readingOf({ from, to, glides }, level, rest);
  }

  /** What was fitted as a reading, the rest of a glide taken off. */
  private readingOf({ from, to, glides }: ReadingWindow, level: number, rest: GlideFit): Reading {
    const { frames, stiff } = this;
    const f0 = shiftHz(stiff.f0, rest.cents);
    return {
      kind: 'reading',
      hz: reportedHz(f0, stiff.inharmonicity),
      clarity: frames.clarity / frames.count,
      errorCents: Math.hypot(stiff.errorCents, rest.errorCents),
      spreadCents: frames.spread(),
      f0Hz: f0,
      firstPartialHz: partialHz(f0, stiff.inharmonicity, 1),
      periodHz: shiftHz(this.periodHz(), rest.cents),
      inharmonicity: stiff.inharmonicity,
      freeInharmonicity: this.freeInharmonicity(),
      moving: !glides && Math.abs(frames.slope()) > MOVING_SLOPE,
      ...(to < SHORT && { short: true }),
      windowFrom: from,
      windowLength: to - from,
      levelDbfs: decibels(level),
      partials: frames.list(),
    };
  }
}

function isNear(target: Hz, hz: Hz): boolean {
  return Math.abs(centsBetween(target, hz)) < PAIR_NEAR;
}

/** What of a scatter the noise does not explain. */
function beyond(scatter: Cents, noise: Cents): Cents {
  return Math.sqrt(Math.max(LEAST_SCATTER ** 2, scatter ** 2 - (NOISE_MARGIN * noise) ** 2));
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

/** How a sound fades from its attack to a sample after its onset, in dB a second. */
function fadeOf({ samples, onset }: PluckStretch, until: number, rate: Hz): number {
  const window = Math.round(FADE.window * rate);
  const from = onset + Math.round(FADE.from * rate);
  const levels: number[] = [];
  for (let at = from; at + window <= onset + until; at += window)
    levels.push(decibels(rms(samples, at, window)));
  const middle = (levels.length - 1) / 2;
  const above = levels.reduce((sum, level, k) => sum + (k - middle) * level, 0);
  const below = levels.reduce((sum, _, k) => sum + (k - middle) ** 2, 0);
  return below > 0 ? above / below / FADE.window : 0;
}

/** The stretch of a note that is read, and whether its glide has to be taken out; null where it is too short. */
function windowFor(duration: Seconds): ReadingWindow | null {
  if (duration < EARLIEST + SHORTEST) return null;
  return duration < GLIDES_UNTIL
    ? { from: EARLIEST, to: duration, glides: true }
    : { from: READING_WINDOW.from, to: Math.min(READING_WINDOW.to, duration), glides: false };
}

interface ReadingWindow {
  readonly from: Seconds;
  readonly to: Seconds;
  readonly glides: boolean;
}

function rms(samples: Float64Array, offset: number, length: number): number {
  let sum = 0;
  for (let i = 0; i < length; i++) sum += nth64(samples, offset + i) ** 2;
  return Math.sqrt(sum / length);
}
