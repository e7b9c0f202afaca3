import { decibels, nth, nth64 } from '../maths/index.ts';
import { shiftHz } from '../music/index.ts';
import type { Cents, Dbfs, Hz, Seconds } from '../units.ts';
import { Decimator } from './decimate.ts';
import { SeriesEvidence } from './seriesEvidence.ts';
import { Spectrum } from './spectrum.ts';
import { SteadiedFrame } from './steadied.ts';
import { PITCHES, pitchAt, RATES, STIFFER, Winding } from './windingBelief.ts';

/** Time between looks. */
const HOP: Seconds = 0.048;
/** A frame holds so many periods of the string two octaves down, within these bounds. */
const FRAME = { periods: 5, shortest: 0.1, longest: 0.24 } as const;
const TWO_OCTAVES = 4;
/** How much a frame that a pitch explains better speaks for it. */
const SPEAKS = 10;
/** Scores below this are noise, and no better than each other. */
const NOISE_SCORE = 0.3;
/** What is believed less than this is weighed in turns, one look in so many: a string that was lost is found again. */
const SELDOM = { under: 1e-6, turns: 6 } as const;
/** A frame this far over the floor is sound; the floor falls at once and rises by so much a second. */
const LOUD_DB = 9;
/** Before the room was heard it is taken for a quiet one: a string may ring already. */
const FIRST_FLOOR: Dbfs = -60;
/** A string that dies away never gets so much louder within a hop. */
const RISES_DB = 3;
const FLOOR_RISES_DB = 1.5;
/** What is believed is a pitch from this share on, while the newest sound of a string is no older than this. */
const SURE = { share: 0.95, score: 0.4, since: 0.15 } as const;
/**
 * No string falls this far by itself, nor rises faster than this: what seems to was somebody who
 * spoke, until it was heard for so long, and begun anew meanwhile, so many decibels louder.
 */
const STRANGE = { cents: 250, perSecond: 800, lasts: 0.8, attackDb: 8 } as const;
/** A cent as a share. */
const CENT = Math.LN2 / 1200;

/** What is known of a string that is to be wound up to its note. */
export interface WoundString {
  readonly course: number;
  /** Its note: the fourth partial over four. */
  readonly targetHz: Hz;
  /** B that is expected at its note, and how uncertain the logarithm of it is. */
  readonly inharmonicity: number;
  readonly sigmaB: number;
}

/** Where a string stands while it is wound. */
export interface WoundPitch {
  readonly course: number;
  /** Seconds since the first sample. */
  readonly at: Seconds;
  readonly hz: Hz;
  /** Against its note. */
  readonly cents: Cents;
  readonly errorCents: Cents;
  /** How fast it moves, in cents a second. */
  readonly rate: number;
}

/**
 * Follows one string that is plucked now and then while it is wound up, from two octaves
 * and more below its note, at up to 600 cents a second. Reports only what it is sure of.
 */
export class WindingListener {
  private readonly decimator: Decimator;
  private readonly rate: Hz;
  private readonly belief: Winding;
  private readonly evidence: SeriesEvidence;
  private readonly frame: SteadiedFrame;
  private readonly spectrum: Spectrum;
  private readonly ring: Float64Array;
  private readonly line: Float64Array;
  private readonly hop: number;
  private readonly scores = new Float64Array(STIFFER.length * RATES.length * PITCHES);
  private readonly weighed: Uint8Array;
  private looks = 0;
  private heard = 0;
  private floor: Dbfs = FIRST_FLOOR;
  private soundedAt = Number.NEGATIVE_INFINITY;
  /** Something was plucked since it began to listen; before that the string of before may ring on. */
  private begun = false;
  private level: Dbfs = Number.POSITIVE_INFINITY;
  private last: { readonly at: Seconds; readonly cents: Cents } | null = null;
  /** A pitch that the string cannot have got to: since when, where it is now, whether it was begun anew. */
  private strange: { since: Seconds; at: Seconds; cents: Cents; anew: boolean } | null = null;

  constructor(
    readonly sampleRate: Hz,
    private readonly string: WoundString,
    private readonly emit: (pitch: WoundPitch) => void,
  ) {
    this.decimator = new Decimator(sampleRate);
    this.rate = this.decimator.outputRate;
    this.hop = Math.round(HOP * this.rate);
    const seconds = (FRAME.periods * TWO_OCTAVES) / string.targetHz;
    const length = Math.round(
      Math.min(FRAME.longest, Math.max(FRAME.shortest, seconds)) * this.rate,
    );
    this.frame = new SteadiedFrame(length, this.rate);
    this.spectrum = new Spectrum(length, this.rate);
    const longest = Math.max(...RATES.map((cents) => this.frame.reach(cents * CENT)));
    this.ring = new Float64Array(longest + 1);
    this.line = new Float64Array(longest + 1);
    this.belief = new Winding(string.sigmaB);
    this.weighed = new Uint8Array(STIFFER.length * PITCHES);
    this.evidence = new SeriesEvidence(
      STIFFER.flatMap((factor) =>
        Array.from({ length: PITCHES }, (_, i) => ({
          hz: shiftHz(string.targetHz, pitchAt(i)),
          // B = π³ E d⁴ / (64 T L²): it falls with the tension, which rises with the square of the pitch.
          inharmonicity: (factor * string.inharmonicity) / shiftHz(1, pitchAt(i)) ** 2,
        })),
      ),
    );
  }

  /** Hears the next samples. */
  hear(samples: Float32Array): void {
    this.decimator.process(samples, (sample) => {
      this.ring[this.heard % this.ring.length] = sample;
      this.heard++;
      if (this.heard % this.hop !== 0) return;
      this.watchAttack();
      if (this.heard >= this.ring.length) this.look();
    });
  }

  /** Lets a stretch of the stream go by unheard. */
  pass(seconds: Seconds): void {
    for (let left = seconds; left > 0; left -= HOP) this.belief.elapse(Math.min(left, HOP));
    // What was heard before does not stand beside what comes after.
    this.ring.fill(0);
    this.heard += Math.round(seconds * this.rate);
  }

  private look(): void {
    const { belief, line, ring, heard } = this;
    belief.elapse(HOP);
    for (let i = 0; i < line.length; i++) line[i] = nth64(ring, (heard + i) % ring.length);
    if (!this.isLoud() || !this.begun) return;
    this.weighAll();
    const { scores } = this;
    belief.weigh((m, r, i) =>
      Math.exp(SPEAKS * Math.max(NOISE_SCORE, nth64(scores, (m * RATES.length + r) * PITCHES + i))),
    );
    this.report();
  }

  /** Scores of every stiffness, pace and pitch. */
  private weighAll(): void {
    const { frame, spectrum, evidence, scores, line, weighed, belief } = this;
    this.looks++;
    scores.fill(0);
    for (let m = 0; m < STIFFER.length; m++)
      for (let i = 0; i < PITCHES; i++) {
        const inTurn = (i + this.looks) % SELDOM.turns === 0;
        weighed[m * PITCHES + i] = inTurn || belief.share(m, i) > SELDOM.under ? 1 : 0;
      }
    for (let r = 0; r < RATES.length; r++) {
      frame.fill(line, line.length - 1, nth(RATES, r) * CENT);
      spectrum.analyse(frame.samples, 0, frame.length);
      evidence.hear(spectrum);
      for (let m = 0; m < STIFFER.length; m++)
        for (let i = 0; i < PITCHES; i++)
          if (weighed[m * PITCHES + i])
            scores[(m * RATES.length + r) * PITCHES + i] = evidence.score(m * PITCHES + i);
    }
  }

  private report(): void {
    const { scores, string } = this;
    const best = this.belief.best();
    const i = Math.round((best.cents - pitchAt(0)) / (pitchAt(1) - pitchAt(0)));
    let score = 0;
    for (let s = 0; s < STIFFER.length * RATES.length; s++)
      score = Math.max(score, nth64(scores, s * PITCHES + i));
    const at = this.heard / this.rate;
    if (score >= SURE.score) this.soundedAt = at;
    if (best.share < SURE.share || at - this.soundedAt > SURE.since) return;
    if (!this.mayBe(at, best.cents)) return;
    this.last = { at, cents: best.cents };
    this.emit({
      course: string.course,
      at,
      hz: shiftHz(string.targetHz, best.cents),
      cents: best.cents,
      errorCents: best.errorCents,
      rate: best.rate,
    });
  }

  /** False for what the string cannot have got to, unless it stays there. */
  private mayBe(at: Seconds, cents: Cents): boolean {
    const { last, strange } = this;
    if (!last || follows(last, at, cents)) {
      this.strange = null;
      return true;
    }
    if (!strange || !follows(strange, at, cents)) {
      this.strange = { since: at, at, cents, anew: false };
      return false;
    }
    strange.at = at;
    strange.cents = cents;
    return strange.anew && at - strange.since > STRANGE.lasts;
  }

  /** Over the floor of the room, which is followed meanwhile. */
  private isLoud(): boolean {
    const db = this.levelOver(this.frame.length);
    const risen = this.floor + FLOOR_RISES_DB * HOP;
    this.floor = Math.min(db, risen);
    return db > this.floor + LOUD_DB;
  }

  private watchAttack(): void {
    const newest = this.levelOver(this.hop);
    if (newest > this.level + RISES_DB) this.begun = true;
    if (this.strange && newest > this.level + STRANGE.attackDb) this.strange.anew = true;
    this.level = newest;
  }

  /** Of the newest samples. */
  private levelOver(samples: number): Dbfs {
    const { ring, heard } = this;
    let power = 0;
    for (let i = heard - samples; i < heard; i++) power += nth64(ring, i % ring.length) ** 2;
    return decibels(Math.sqrt(power / samples));
  }
}

/** A string may be there, so long after it was there. */
function follows(
  before: { readonly at: Seconds; readonly cents: Cents },
  at: Seconds,
  cents: Cents,
): boolean {
  const moved = cents - before.cents;
  return moved > -STRANGE.cents && moved < STRANGE.cents + STRANGE.perSecond * (at - before.at);
}
