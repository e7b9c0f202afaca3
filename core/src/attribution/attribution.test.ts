import { expect } from 'chai';
import { findTuning, shiftHz, targetsOf } from '../music/index.ts';
import {
  afterPluck,
  attributionOf,
  type Beliefs,
  type Pluck,
  type Setup,
  sharesOf,
  startBeliefs,
} from './index.ts';

const GUITAR = targetsOf(findTuning('guitar-standard')!, 440);
const UKULELE = targetsOf(findTuning('ukulele-standard')!, 440);

function setupOf(targets = GUITAR, more: Partial<Setup> = {}): Setup {
  return {
    strings: targets.map((target) => ({ target })),
    order: targets.map(({ course }) => course).reverse(),
    tunings: [targets.map(() => 0)],
    tolerance: 2,
    ...more,
  };
}

/** A session of plucks: each string so many cents from its note, chosen or asked for by the screen. */
class Session {
  private beliefs: Beliefs;
  constructor(
    readonly targets = GUITAR,
    setup = setupOf(targets),
  ) {
    this.beliefs = startBeliefs(setup);
  }

  pluck(course: number, cents: number, more: Partial<Pluck> = {}) {
    const hz = shiftHz(this.targets[course - 1]!.hz, cents);
    const pluck = { hz, chosen: null, asked: null, ...more };
    this.beliefs = afterPluck(this.beliefs, pluck);
    return attributionOf(this.beliefs, pluck);
  }

  likeliest(ago: number) {
    return sharesOf(this.beliefs, ago)[0];
  }
}

describe('which string a pluck is put to', () => {
  it('an instrument that was put away in tune: each string at once', () => {
    for (const cents of [-60, -20, 0, 20, 60]) {
      const session = new Session();
      for (const course of [6, 5, 4, 3, 2, 1])
        expect(session.pluck(course, cents, { asked: course })).to.include({
          kind: 'known',
          course,
        });
    }
  });

  it('a chosen string is believed from two octaves below its note to 350 cents above', () => {
    for (const targets of [GUITAR, UKULELE])
      for (const { course } of targets)
        for (let cents = -2400; cents <= 350; cents += 50)
          expect(new Session(targets).pluck(course, cents, { chosen: course })).to.include({
            kind: 'known',
            course,
          });
  });

  it('a chosen string that cannot sound so high is the other one', () => {
    const session = new Session();
    expect(session.pluck(3, 0, { chosen: 6 })).to.include({ kind: 'known', course: 3 });
  });

  it('where both are known and the other one sounds, the player is asked', () => {
    const session = new Session();
    session.pluck(4, 1, { asked: 4 });
    session.pluck(4, 0, { asked: 4 });
    session.pluck(5, -3, { asked: 5 });
    session.pluck(5, -1, { asked: 5 });
    const who = session.pluck(5, -1, { chosen: 4 });
    expect(who).to.deep.include({ kind: 'doubt', courses: [5, 4], worthAsking: true });
  });

  it('a fresh ukulele, five semitones down, in the order that is asked for: no string is put to another', () => {
    const session = new Session(UKULELE, setupOf(UKULELE));
    for (const course of [4, 3, 2, 1]) {
      const who = session.pluck(course, -500, { asked: course });
      if (who.kind === 'known') expect(who.course).to.equal(course);
      session.pluck(course, -20, { asked: course });
      session.pluck(course, 0, { asked: course });
      expect(session.pluck(course, 0, { asked: course })).to.include({ course });
    }
  });

  it('a later pluck tells which string an earlier one was', () => {
    const session = new Session(UKULELE, setupOf(UKULELE));
    // 240 cents below G4 lies nearer to E4 and is a fifth of a tone off it.
    const first = session.pluck(4, -240, { asked: 4 });
    expect(first.kind === 'known' ? first.course : 4).to.equal(4);
    // E4 sounds at its own pitch: then it was no E4 that sounded before.
    session.pluck(2, 3);
    session.pluck(4, -235);
    session.pluck(4, -20);
    expect(session.likeliest(3)?.part).to.deep.equal({ course: 4, node: 1 });
  });

  it('a string that comes from another tuning is known by where it comes from', () => {
    const openD = findTuning('guitar-open-d')!;
    const offsets = openD.courses.map(([midi], i) => 100 * (midi! - GUITAR[i]!.midi));
    const setup = setupOf(GUITAR, { tunings: [GUITAR.map(() => 0), offsets] });
    const session = new Session(GUITAR, setup);
    for (const course of [6, 5, 4, 3, 2, 1])
      expect(session.pluck(course, offsets[course - 1]! + 6, { asked: course })).to.include({
        kind: 'known',
        course,
      });
  });

  it('by its stiffness a string is told from one that it sounds like', () => {
    // A thick string tuned up to the note of a thin one: B·f² differs by more than a factor of ten.
    const session = new Session();
    const stiff = (hz: number, factor: number) => ({ inharmonicity: factor / hz ** 2 });
    session.pluck(3, 0, { asked: 3, ...stiff(196, 4) });
    session.pluck(3, 0, { asked: 3, ...stiff(196, 4) });
    session.pluck(2, 0, { asked: 2, ...stiff(247, 0.3) });
    session.pluck(2, 0, { asked: 2, ...stiff(247, 0.3) });
    // Touched at its middle it sounds every second partial: B is four times as large, and so is f².
    const octave = session.pluck(3, 1200, stiff(392, 4 * 4 * 4));
    expect(octave).to.deep.include({ kind: 'touched', of: 3, node: 2 });
  });

  it('what the teacher named stays so', () => {
    const session = new Session();
    session.pluck(2, 250, { named: 2 });
    expect(session.likeliest(0)?.part.course).to.equal(2);
  });

  it('a sound that no string can make is put to none', () => {
    expect(new Session().pluck(1, 2000)).to.deep.equal({ kind: 'none' });
  });
});
