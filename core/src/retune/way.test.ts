import { expect } from 'chai';
import { findTuning, shiftHz, targetsOf } from '../music/index.ts';
import { benchAfter, type StringReading, startBench } from '../sitting/index.ts';
import { expectedCoupling, steelGuitar } from '../strings/index.ts';
import { frozenWay, type WayFrom, wayTo } from './way.ts';

const HOME = findTuning('guitar-standard')!;
const OPEN_D = findTuning('guitar-open-d')!;
const TARGETS = targetsOf(OPEN_D, 440);
const STANDARD = targetsOf(HOME, 440);
/** A guitar that stands as it is to, but for its anchors: 6 at −23, 5 at +9, 4 at −11. */
const BEFORE = new Map(
  STANDARD.map(({ course, hz }) => [course, shiftHz(hz, { 6: -23, 5: 9, 4: -11 }[course] ?? 0)]),
);
const COUPLING = expectedCoupling({ tensions: [72, 69, 74, 82, 86, 78], bridge: 'fixed' });

/** Readings one after the other: string and cents from open D. */
function wayAfter(
  plucks: readonly (readonly [course: number, cents: number, aim?: number])[],
  change: Partial<WayFrom> = {},
) {
  let bench = startBench({ order: [6, 5, 4, 3, 2, 1], tolerance: 2 });
  const readings = plucks.map(([course, cents, aim]): StringReading => {
    const hz = shiftHz(TARGETS[course - 1]!.hz, cents);
    const plain = { course, cents, errorCents: 0.3, moving: false, hz };
    return aim === undefined ? plain : { ...plain, aim };
  });
  for (const reading of readings) bench = benchAfter(bench, { type: 'reading', reading });
  const from = {
    instrument: steelGuitar('g', 'G'),
    home: HOME,
    target: OPEN_D,
    order: 'thickestFirst',
    manner: 'by ear',
    coupling: COUPLING,
    a4: 440,
    tolerance: 2,
    before: BEFORE,
    ...change,
  } as const;
  const targets = targetsOf(from.target, 440);
  return wayTo(frozenWay(from), { targets, readings, bench });
}

const twice = (course: number, cents: number) =>
  [
    [course, cents],
    [course, cents],
  ] as const;
const ANCHORS = [...twice(5, 0.5), ...twice(4, -0.4)];
const NEAR = [...ANCHORS, [6, 8], [3, -7], [2, 12], [1, 3]] as const;
const best = (way: ReturnType<typeof wayTo>, course: number) => {
  const [first] = way.references.get(course) ?? [];
  return first && `${first.good} ${first.held.course}@${first.held.fret} = ${first.open}`;
};

describe('the way that is left to a tuning', () => {
  it('reads and sets right what stays before anything is brought over', () => {
    expect(wayAfter([]).next).to.deep.equal([5, 4, 6, 3, 2, 1]);
    expect(wayAfter([[5, 9]]).next).to.deep.equal([5, 4, 6, 3, 2, 1]);
    expect(wayAfter(twice(5, 0.5)).next).to.deep.equal([4, 6, 3, 2, 1]);
    expect(wayAfter(ANCHORS).next).to.deep.equal([6, 3, 2, 1]);
  });

  it('begins from the home tuning where nothing was ever heard', () => {
    const way = wayAfter([], { before: new Map() });
    expect(way).to.deep.include({ far: true, retuning: true, next: [5, 4, 6, 3, 2, 1] });
  });

  it('strings nearer than 15 cents are for the fine pass', () => {
    expect(wayAfter([...ANCHORS, [6, 16]]).next).to.deep.equal([6, 3, 2, 1]);
    expect(wayAfter([...ANCHORS, [6, 14]]).next).to.deep.equal([3, 2, 1]);
  });

  it('a string that was brought to where it is aimed has arrived, however far that is from its note', () => {
    const learned = { manner: 'by display' } as const;
    const way = wayAfter([...ANCHORS, [6, -64, -64]], learned);
    expect(way.next).to.deep.equal([3, 2, 1]);
    expect(wayAfter([...ANCHORS, [6, -64, -20]], learned).next).to.deep.equal([6, 3, 2, 1]);
    // One that stays is aimed too, and is not taken for one that was found far off.
    expect(wayAfter([...twice(5, 0.5), [4, -70, -70]], learned).unforeseen).to.deep.equal([]);
  });

  it('stays frozen: its order is that of before the first pluck, whatever the strings do', () => {
    const thinnest = wayAfter([...ANCHORS, [1, 190], [3, 90]], { order: 'thinnestFirst' });
    expect(thinnest.next).to.deep.equal([1, 2, 3, 6]);
  });

  it('changes only where a reading contradicts it, and says so', () => {
    const way = wayAfter([...twice(5, 0.5), [4, -140]]);
    expect(way.unforeseen).to.deep.equal([4]);
    expect(way.next[0]).to.equal(4);
  });

  it('once all are near each is set right, those that stay first', () => {
    const way = wayAfter(NEAR);
    expect(way.far).to.equal(false);
    // Strings 5 and 4 are closed in this pass.
    expect(way.next).to.deep.equal([6, 3, 2, 1]);
    expect(wayAfter([...NEAR, ...twice(6, 0)]).next).to.deep.equal([3, 2, 1]);
  });

  it('nothing comes next where no string had to be brought over', () => {
    const way = wayAfter([[6, -5]], { target: HOME, before: new Map() });
    expect(way).to.deep.include({ retuning: false, far: false, next: [], unforeseen: [] });
  });
});

describe('what a string is compared with on the way', () => {
  it('none that was not read in this sitting', () => {
    expect(wayAfter([]).references.get(3)).to.deep.equal([]);
    expect(best(wayAfter([...twice(4, -0.4)]), 3)).to.equal('exact 4@4 = 3');
  });

  it('none that stands far off, whatever the plan had meant it to be by then', () => {
    // String 2 was skipped: it stands two semitones high. String 3 held at 3 would be its note.
    const way = wayAfter([...ANCHORS, ...twice(3, 0), [2, 200]]);
    expect(way.references.get(1)!.map(({ course }) => course)).to.not.include(2);
  });

  it('to come near by, also one that is up to ten cents off; the word says so', () => {
    expect(best(wayAfter([[4, -6]]), 3)).to.equal('about 4@4 = 3');
    expect(wayAfter([[4, -11]]).references.get(3)).to.deep.equal([]);
  });

  it('in the fine pass exact ones alone', () => {
    const way = wayAfter(NEAR);
    for (const references of way.references.values())
      for (const { good } of references) expect(good).to.equal('exact');
    // String 6 is 8 cents off: nothing is compared with it.
    expect(way.references.get(4)!.map(({ course }) => course)).to.not.include(6);
    expect(best(wayAfter([...NEAR, ...twice(4, 0.2)]), 6)).to.equal('exact 6@0 = 4');
  });

  it('by display none that the aim contradicts', () => {
    const matrix = TARGETS.map((_, j) => TARGETS.map((__, i) => (i === j ? 0 : -0.05)));
    const learned = { coupling: { matrix, error: 0.15, turns: 40 }, manner: 'by display' } as const;
    // String 6 aims some 20 cents low while 3, 2 and 1 are still to be let down; string 4 stands at its note.
    const way = wayAfter([...ANCHORS, [6, 150], [3, 100], [2, 200], [1, 200]], learned);
    expect(way.references.get(6)).to.deep.equal([]);
    const byEar = wayAfter([...ANCHORS, [6, 150], [3, 100], [2, 200], [1, 200]], {
      ...learned,
      manner: 'by ear',
    });
    expect(byEar.references.get(6)).to.not.deep.equal([]);
  });

  it('tells of the strings as they are: what others’ turns did to them is in it', () => {
    // String 3 was let down by 100, 2 by 200, 1 by 200 since 4 was read: it has risen by some 14 cents.
    const turned = [...ANCHORS, [3, 100], [3, 0], [2, 200], [2, 0], [1, 200], [1, 0]] as const;
    const way = wayAfter(turned);
    expect(way.references.get(6)!.filter(({ course }) => course === 4)).to.deep.equal([]);
  });
});
