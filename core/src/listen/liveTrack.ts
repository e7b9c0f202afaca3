import { centsBetween } from '../music/index.ts';
import type { Cents, Hz, Seconds } from '../units.ts';
import { PITCH_RANGE } from './candidates.ts';
import { Estimator, type FrameEstimate } from './estimator.ts';
import { FrameTable } from './frameTable.ts';
import { priorAt, type StringKnowledge } from './identity.ts';
import { GENERAL_PRIOR, type StiffnessPrior } from './stiffString.ts';

/** The longest frame of the live track, and what of the attack is kept out of it. */
const LONGEST_FRAME: Seconds = 0.1;
const ATTACK: Seconds = 0.008;
/** A frame shorter than this tells no pitch. */
const LEAST_FRAME: Seconds = 0.045;
/** The first value of the track comes when a frame lies clear of the attack. */
const FIRST_VALUE: Seconds = 0.055;
/** Memory of the tracker: twice its longest frame, and a little. */
const TRACKER_FRAME: Seconds = 0.21;
/** Time between values. */
const HOP: Seconds = 0.016;
/** The shortest frame and how many periods it must hold. */
const FRAME = { shortest: 0.05, periods: 8 } as const;
/** What is believed: the candidate's score, the string's share, its error, its jump. */
const TRACKED = { score: 0.45, clarity: 0.3, error: 15, jump: 0.03 } as const;
/** Nearer than this two pitches are the same note, or the same partial. */
const SAME_NOTE: Cents = 80;
/** A click begins so long before it is noticed and is over after so long; the frames beside it hold so many periods of the string, and no more than the longest. */
const CLICK = { before: 0.008, lasts: 0.018, frame: 0.045, periods: 5, longest: 0.065 } as const;

/** One value of the live track. */
export interface TrackPoint {
  /** Seconds since the onset of the note. */
  readonly sinceOnset: Seconds;
  readonly hz: Hz;
  readonly clarity: number;
}

/** Copies samples that were heard: from a place on, so many. */
type CopySamples = (start: number, length: number) => Float64Array;

/** What came of a look at the newest sound. */
export type Tracked =
  | { readonly kind: 'value'; readonly point: TrackPoint }
  /** The pitch went to another note, which began about there. */
  | { readonly kind: 'other note'; readonly from: number };

/** The pitch of the note that rings, value by value. */
export class LiveTrack {
  private readonly tracker: Estimator;
  /** A frame before a rise and one behind it. */
  private readonly step = new FrameTable(2);
  private next = 0;
  /** What the next frame starts from; its pitch is 0 while none is known. */
  private readonly hint = { hz: 0, inharmonicity: 0 };
  private prior: StiffnessPrior = GENERAL_PRIOR;
  private strings: readonly StringKnowledge[] = [];
  /** Longer where a string is so low that fewer periods would not tell. */
  private longestFrame: Seconds = LONGEST_FRAME;
  /** The pitch of this note as last found afresh, and a strange one seen after it. */
  private lastHz: Hz = 0;
  private strangeHz: Hz = 0;
  /** A rise may be a click until so many samples behind it were heard. */
  readonly doubtLasts: number;

  constructor(
    private readonly rate: Hz,
    private readonly heard: CopySamples,
  ) {
    this.tracker = new Estimator(rate, Math.ceil(TRACKER_FRAME * rate));
    this.doubtLasts = Math.round((CLICK.lasts + CLICK.longest) * rate);
  }

  /** Says what is known of the strings, the lowest pitch of which is `lowest`. */
  know(strings: readonly StringKnowledge[], lowest: Hz): void {
    this.strings = strings;
    this.tracker.finder.lowest = Math.min(PITCH_RANGE.low, lowest);
    this.longestFrame = lowest < PITCH_RANGE.low ? TRACKER_FRAME : LONGEST_FRAME;
  }

  /** A note begins at a sample. */
  begin(at: number): void {
    this.hint.hz = 0;
    this.lastHz = 0;
    this.strangeHz = 0;
    this.next = at + Math.round(FIRST_VALUE * this.rate);
  }

  /** The pitch of the note is known. */
  get isKnown(): boolean {
    return this.hint.hz !== 0;
  }

  isDue(now: number): boolean {
    return now >= this.next;
  }

  /** Looks at the newest frame of a note, so long after its onset; null where it tells nothing. */
  follow(since: Seconds, now: number): Tracked | null {
    const { hint, tracker, rate } = this;
    this.next = now + Math.round(HOP * rate);
    const wanted = hint.hz ? FRAME.periods / hint.hz : this.longestFrame;
    const longest = Math.min(since - ATTACK, this.longestFrame);
    const length = Math.round(Math.min(longest, Math.max(FRAME.shortest, wanted)) * rate);
    if (length < LEAST_FRAME * rate) return null;
    const samples = this.heard(now - length, length);
    if (!hint.hz) {
      const best = tracker.candidates(samples, 0, length)[0];
      if (!best || best.score < TRACKED.score) return null;
      if (this.isOtherNote(best.hz)) return { kind: 'other note', from: now - length };
      hint.hz = best.hz;
      this.lastHz = best.hz;
      this.prior = priorAt(best.hz, this.strings);
      hint.inharmonicity = this.prior.mean;
    }
    const e = tracker.estimate(samples, 0, length, hint, this.prior, 'live');
    if (!e || !isTracked(e, hint.hz)) {
      hint.hz = 0;
      return null;
    }
    hint.hz = e.firstPartialHz;
    hint.inharmonicity = e.inharmonicity;
    // A string that is turned stays the string that it was, however far it goes.
    this.lastHz = e.f0;
    const sinceOnset = since - length / 2 / rate;
    return { kind: 'value', point: { sinceOnset, hz: e.reportedHz, clarity: e.clarity } };
  }

  /** Whether the string of before rings on behind a rise at a sample: then nothing was plucked. */
  ringsOn(at: number): boolean {
    const { hint, rate, step, tracker } = this;
    const seconds = Math.min(CLICK.longest, Math.max(CLICK.frame, CLICK.periods / hint.hz));
    const length = Math.round(seconds * rate);
    const gap = Math.round((CLICK.before + CLICK.lasts) * rate);
    const samples = this.heard(at - Math.round(CLICK.before * rate) - length, 2 * length + gap);
    step.clear();
    for (const offset of [0, length + gap]) {
      const e = tracker.estimate(samples, offset, length, hint, this.prior, 'live');
      if (e) step.add(offset / rate, e);
    }
    return step.count === 2 && step.ringsOn();
  }

  /**
   * True when the pitch went to another note without a rise of energy, as when
   * one string is damped while the next is plucked: seen twice running, and not
   * merely another partial of the same note coming forward.
   */
  private isOtherNote(hz: Hz): boolean {
    const same = (a: Hz, b: Hz) => Math.abs(centsBetween(b, a)) < SAME_NOTE;
    const ratio = hz > this.lastHz ? hz / this.lastHz : this.lastHz / hz;
    const kin = this.lastHz === 0 || same(ratio, Math.round(ratio));
    const twice = same(hz, this.strangeHz || 1);
    this.strangeHz = kin ? 0 : hz;
    return !kin && twice;
  }
}

function isTracked({ clarity, errorCents, f0 }: FrameEstimate, hz: Hz): boolean {
  return (
    clarity >= TRACKED.clarity &&
    errorCents <= TRACKED.error &&
    Math.abs(f0 / hz - 1) <= TRACKED.jump
  );
}
