/** Loudness falls by half in about the length of a stutter, slower than a hole is long: ln 2. */
const HALVES = 0.7;
/** A hole is one only where this many times the least sound went before. */
const LOUD_BEFORE = 40;
/** A run of exact zeros this long amid sound is a hole, in seconds. */
const HOLE_S = 0.003;
/** A repeated stretch this long is a stutter, in seconds. */
const STUTTER_S = 0.01;
/** Holes only count after sound: digital silence between notes is lawful. */
const SOUND = 2e-4;

/**
 * Finds holes and stutters in a stream of raw samples, as a busy machine makes
 * them. A device's own noise never repeats exactly, so exact repetition is proof.
 */
export class GapFinder {
  private readonly holeLength: number;
  private readonly ring: Float32Array;
  private at = 0;
  private equalRun = 0;
  private repeatRun = 0;
  private previous = 0;
  private loudness = 0;
  private wasHole = false;

  constructor(sampleRate: number) {
    this.holeLength = Math.round(HOLE_S * sampleRate);
    this.ring = new Float32Array(Math.round(STUTTER_S * sampleRate));
  }

  /** Takes one sample; true when it completes a hole or a stutter in sounding signal. */
  push(sample: number): boolean {
    const { ring } = this;
    this.equalRun = sample === 0 && this.previous === 0 ? this.equalRun + 1 : 0;
    const earlier = ring[this.at]!;
    this.repeatRun = sample === earlier && sample !== this.previous ? this.repeatRun + 1 : 0;
    ring[this.at] = sample;
    this.at = this.at + 1 === ring.length ? 0 : this.at + 1;
    this.previous = sample;
    this.loudness = Math.max(Math.abs(sample), this.loudness * (1 - HALVES / ring.length));
    // A hole is known as one when the sound comes back; without that the note simply ended.
    const back = this.wasHole && this.equalRun === 0;
    this.wasHole =
      this.equalRun > this.holeLength && (this.wasHole || this.loudness > LOUD_BEFORE * SOUND);
    return back || (this.repeatRun === ring.length && this.loudness > SOUND);
  }
}
