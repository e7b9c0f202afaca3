import { expect } from 'chai';
import { normal, seededRandom } from '../maths/index.ts';
import { shiftHz } from '../music/index.ts';
import type { Cents, Seconds } from '../units.ts';
import { NoteTrack } from './noteTrack.ts';

const HOP: Seconds = 0.016;

/** A track that goes by these cents, with a little noise. */
function trackOf(centsAt: (t: Seconds) => Cents, seconds: Seconds, noise: Cents = 0.1): NoteTrack {
  const random = seededRandom(5);
  const track = new NoteTrack();
  for (let t = 0.03; t < seconds; t += HOP)
    track.add(t, shiftHz(110, centsAt(t) + noise * normal(random)));
  return track;
}

/** Stands, is turned at so many cents a second from 0.5 s on until it has gone so far, and stands there. */
const turned = (pace: number, by: Cents) => (t: Seconds) =>
  Math.sign(by) * Math.min(Math.abs(by), pace * Math.max(0, t - 0.5));

describe('the track of a note', () => {
  it('is not turned by what a string does by itself', () => {
    expect(trackOf((t) => 15 * Math.exp(-t / 0.12), 2).isTurned(), 'a hard pluck').to.equal(false);
    expect(trackOf((t) => -8 * t, 1.5).isTurned(), 'a new string').to.equal(false);
    expect(trackOf((t) => 2 * Math.sin(30 * t), 1.5).isTurned(), 'beating').to.equal(false);
  });

  it('is not turned by a stray value where the note is cut off', () => {
    for (const stray of [-11, 40]) {
      const track = trackOf(() => -0.3, 1.5);
      track.add(1.52, shiftHz(110, stray));
      expect(track.isTurned(), `${stray} cents`).to.equal(false);
    }
  });

  it('is turned by a hand, up or down, quickly or slowly', () => {
    for (const [pace, by] of [
      [30, 8],
      [60, -20],
      [400, 100],
    ] as const)
      expect(trackOf(turned(pace, by), 1.6).isTurned(), `${by} at ${pace}`).to.equal(true);
    expect(trackOf(turned(60, 20), 1.6).untouchedUntil()).to.be.within(0.45, 0.65);
  });

  it('stands where it stood still last', () => {
    const steady = trackOf(turned(60, 20), 1.6).lastSteady(0.5)!;
    expect(1200 * Math.log2(steady.hz / 110)).to.be.closeTo(20, 0.3);
    expect(steady.from).to.be.within(0.8, 1);
    expect(steady.leaves).to.equal(false);
    // Still turning at the end: where it stood before is left again.
    expect(trackOf(turned(60, 200), 0.9).lastSteady()?.leaves).to.equal(true);
    expect(trackOf((t) => 60 * t, 0.9).lastSteady()).to.equal(null);
  });

  it('is not followed to another sound: hum that stays when the string has died away', () => {
    const track = new NoteTrack();
    for (let i = 0; i < 40; i++) track.add(0.05 + 0.02 * i, 293.7);
    for (let i = 40; i < 100; i++) track.add(0.05 + 0.02 * i, 60);
    expect(track.isTurned()).to.equal(false);
    expect(track.went()).to.be.below(1);
  });
});
