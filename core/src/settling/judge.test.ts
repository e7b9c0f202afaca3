import { expect } from 'chai';
import type { Said } from '../sitting/index.ts';
import { settlingReport, stepsOf } from './index.ts';
import { LAWS, Strings } from './worldFixture.ts';

const GOAL = { tolerance: 5, lesson: 2700 };
const report = (
  strings: Strings,
  material: 'nylon' | 'steel' = 'nylon',
  said: readonly Said[] = [],
) =>
  settlingReport({
    strings: strings.histories(material, said),
    goal: GOAL,
    zone: 'UTC',
    lessonAt: null,
  });

/** One round, a pluck as they stand, and one more after so many minutes. */
function watched(cents: number, seed: number, minutes: number): Strings {
  const strings = new Strings(
    Object.values(LAWS).map((law) => law(cents)),
    seed,
  );
  for (const course of [1, 2, 3, 4]) {
    strings.pluck(course);
    strings.round(course);
  }
  for (const course of [1, 2, 3, 4]) strings.pluck(course);
  strings.seconds += 60 * minutes;
  for (const course of [1, 2, 3, 4]) strings.pluck(course);
  return strings;
}

describe('the judge of new strings, in worlds of published laws', () => {
  // Four laws, seeds 1–4: 16 strings each of nylon (30 cents in the first hour) and steel (6).
  for (const [material, cents] of [
    ['nylon', 30],
    ['steel', 6],
  ] as const)
    it(`${material}: promises are kept, and are no mere caution; intervals hold`, () => {
      let [broken, covered, n] = [0, 0, 0];
      const ratios: number[] = [];
      for (let seed = 1; seed <= 4; seed++) {
        const strings = watched(cents, seed, 8);
        for (const { lifted, history } of report(strings, material).strings) {
          strings.bringTo(history.course, 0);
          const hold = strings.hold(history.course, GOAL.tolerance);
          n++;
          if (hold < lifted.promise) broken++;
          if (hold >= lifted.hold.low && hold <= lifted.hold.high) covered++;
          ratios.push(lifted.promise / hold);
        }
      }
      ratios.sort((a, b) => a - b);
      expect(broken, 'broken').to.be.at.most(1);
      expect(covered / n, 'interval of 80 %').to.be.at.least(0.7);
      expect(ratios[n / 2], 'promise against what it holds').to.be.within(0.15, 0.9);
    });

  it('gives a promise from the first watch on, in four plucks a string', () => {
    const strings = watched(30, 5, 0);
    for (const string of report(strings).strings) {
      expect(string.history.taken.length).to.be.at.most(5);
      expect((string.stands ?? string.lifted).promise).to.be.above(30);
      expect(string.slips.seen).to.deep.equal([]);
    }
  });

  it('advises a pull where it hardly holds, none where it holds', () => {
    const soft = report(watched(80, 3, 5)).strings;
    expect(soft.filter(({ pull }) => pull.worth).length).to.be.at.least(3);
    const firm = report(watched(0.7, 3, 12), 'steel').strings;
    expect(firm.filter(({ pull }) => pull.worth)).to.deep.equal([]);
    for (const { holds } of firm) expect(holds).to.equal(true);
  });

  it('says nothing of the lesson for a string out of tune but what it does once it is up', () => {
    const strings = watched(30, 2, 0);
    strings.seconds += 36_000;
    for (const course of [1, 2, 3, 4]) strings.pluck(course);
    for (const { stands, lifted, history } of report(strings).strings) {
      expect(history.last!.cents).to.be.below(-GOAL.tolerance);
      expect(stands).to.equal(null);
      expect(lifted.promise).to.be.above(15);
    }
  });

  it('names the watch that would make the lesson sure, and keeps its word', () => {
    const strings = watched(3, 7, 0);
    const before = report(strings, 'steel').strings.filter(({ sureAfter }) => sureAfter !== null);
    expect(before.length).to.be.at.least(2);
    strings.seconds += Math.max(...before.map(({ sureAfter }) => sureAfter!));
    for (const course of [1, 2, 3, 4]) strings.pluck(course);
    const after = report(strings, 'steel').strings;
    const sure = before.filter(
      ({ history }) => after.find((s) => s.history.course === history.course)?.holds,
    );
    expect(sure.length).to.be.at.least(before.length - 1);
  });

  it('a drop by five pulls says much the same of what is left as one by a single pull', () => {
    const one = watched(30, 4, 0).histories();
    const told = (pulls: number) =>
      settlingReport({ strings: one, goal: { ...GOAL, pulls }, zone: 'UTC', lessonAt: null });
    const promise = (pulls: number) =>
      told(pulls).strings.reduce((sum, { lifted }) => sum + Math.log(lifted.hold.expected), 0);
    // The same drop by five pulls means that each was worth less, and what is left is much the same.
    expect(Math.abs(promise(5) - promise(1)) / 4).to.be.below(1.2);
  });
});

describe('a winding that lets go', () => {
  const looked = (slips: boolean) => {
    const strings = new Strings([LAWS.logarithm(4), LAWS.power(4)], 9);
    for (const course of [1, 2]) strings.pluck(course);
    for (let look = 0; look < 12; look++) {
      strings.seconds += 240;
      if (slips && look % 3 === 2) strings.slip(1, 7);
      for (const course of [1, 2]) strings.pluck(course, 'leave');
    }
    return strings;
  };

  it('is named after repeated drops that no creep makes, with what was seen', () => {
    const strings = looked(true);
    // What no creep makes is asked about; the teacher knows that nobody touched it.
    const asked = [...stepsOf(strings.looks, [], 2).get(1)!].filter(({ doubt }) => doubt);
    expect(asked[0]!.doubt!.kind).to.equal('fell');
    const said = strings.looks
      .filter(({ course }) => course === 1)
      .map(({ at }) => ({ course: 1, of: at, step: 'waited' as const }));
    const [one, two] = report(strings, 'steel', said).strings;
    expect(one!.slips.seen.length).to.be.at.least(2);
    for (const cents of one!.slips.seen) expect(cents).to.be.within(5, 10);
    expect(one!.slips.probability).to.be.above(0.9);
    expect(one!.slips.named).to.equal(true);
    expect(two!.slips).to.deep.equal({ probability: 0, seen: [], named: false });
  });

  it('is seen in no sound string', () => {
    for (const { slips } of report(looked(false), 'steel').strings)
      expect(slips.seen).to.deep.equal([]);
  });
});

describe('the class that is planned', () => {
  it('is judged from when it begins: what is left alone until then has settled the more', () => {
    const strings = watched(20, 6, 3).histories();
    const at = Math.max(...strings.map(({ last }) => last!.really));
    const told = (lessonAt: number | null) =>
      settlingReport({ strings, goal: GOAL, zone: 'UTC', lessonAt });
    const [now, later] = [told(null), told(at + 6 * 3.6e6)];
    now.strings.forEach(({ lifted }, i) => {
      expect(later.strings[i]!.lifted.lesson).to.be.at.least(lifted.lesson);
    });
    // One that has begun is no plan.
    expect(told(at - 1).lessonAt).to.equal(null);
    expect(told(at - 1).strings).to.deep.equal(now.strings);
  });

  it('a string left a little high holds longer', () => {
    const strings = watched(30, 8, 3).histories();
    const holds = (high: number) =>
      settlingReport({
        strings,
        goal: { ...GOAL, high },
        zone: 'UTC',
        lessonAt: null,
      }).strings.map(({ lifted }) => lifted.hold.expected);
    const [plain, high] = [holds(0), holds(3)];
    high.forEach((hold, i) => {
      expect(hold).to.be.above(plain[i]!);
    });
  });
});
