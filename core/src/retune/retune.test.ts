import { expect } from 'chai';
import fc from 'fast-check';
import { soundAt } from '../fretboard/index.ts';
import { message } from '../message.ts';
import { plainFigures } from '../messageFixture.ts';
import { findTuning, midiToHz, shiftHz, TUNINGS, type Tuning } from '../music/index.ts';
import { referenceInWords, warningInWords } from '../sentences/index.ts';
import type { Comparison } from '../state/index.ts';
import { findModel, type Instrument } from '../strings/index.ts';
import {
  bestOrder,
  type OrderProblem,
  type Plan,
  type PlanOrder,
  planRetune,
  planStrings,
} from './index.ts';

const tuningOf = (id: string) => findTuning(id)!;
const MODEL_OF: Readonly<Record<string, string>> = {
  'guitar 6': 'steel-guitar',
  'guitar 7': 'seven-guitar',
  'ukulele 4': 'ukulele-tenor',
  'banjo 5': 'banjo-five',
  'banjo 4': 'banjo-tenor',
  'banjo 6': 'banjo-six',
  'guitar 4': 'tenor-guitar',
  'guitar 8': 'eight-guitar',
  'bass 4': 'bass-four',
  'bass 5': 'bass-five',
  'bass 6': 'bass-six',
};
const instrumentFor = (tuning: Tuning): Instrument =>
  findModel(MODEL_OF[`${tuning.kind} ${tuning.courses.length}`]!)!.build('x', 'X');

/** The strings of a plan, each so many cents off the tuning it comes from. */
function stringsOf(from: string, to: string, off: readonly number[] = []) {
  const now = tuningOf(from);
  const instrument = instrumentFor(now);
  return planStrings({
    instrument,
    home: tuningOf(instrument.tuningId),
    target: tuningOf(to),
    a4: 440,
    nowHz: (course) => shiftHz(midiToHz(now.courses[course - 1]![0]!), off[course - 1] ?? 0),
  });
}

/** On a neck that gives way to nothing, so that what is compared is what the notes say. */
const STIFF = { bridge: 'fixed', coupling: { matrix: [], error: 0, turns: 0 } } as const;
const plan = (from: string, to: string, order: PlanOrder = 'thickestFirst') =>
  planRetune(stringsOf(from, to), order, 2, STIFF);
const moves = ({ steps }: Plan) =>
  steps.map(({ course, cents }) => [course, Math.round(cents / 100)]);
/** The references of a course as “4@5 = 3”, those with octaves as “4@0 = 6 +1”. */
const references = ({ steps }: Plan, course: number) =>
  steps
    .find((step) => step.course === course)!
    .references.map(
      ({ held, open, octaves }) =>
        `${held.course}@${held.fret} = ${open}${octaves ? ` ${octaves > 0 ? '+' : ''}${octaves}` : ''}`,
    );

// Worked by hand from the notes; which strings answer to which is common practice, no source.
describe('routes worked by hand', () => {
  it('guitar, standard to open D', () => {
    // E2 A2 D3 G3 B3 E4 → D2 A2 D3 F♯3 A3 D4: 6 −2, 3 −1, 2 −2, 1 −2; 5 and 4 stay.
    const there = plan('guitar-standard', 'guitar-open-d');
    expect(moves(there)).to.deep.equal([
      [6, -2],
      [3, -1],
      [2, -2],
      [1, -2],
    ]);
    // D2: an octave below open 4; held at 7 it is A2, open 5.
    expect(references(there, 6)).to.include.members(['6@0 = 4 -1', '6@7 = 5']);
    // F♯3 is D3 and four frets; A3 is F♯3 and three; D4 is A3 and five.
    expect(references(there, 3)[0]).to.equal('4@4 = 3');
    expect(references(there, 2)).to.include('3@3 = 2');
    expect(references(there, 1)).to.include('2@5 = 1');
    // Open strings leave a hand for the peg: A2 is an octave below A3, D3 below D4.
    expect(references(there, 2)[0]).to.equal('5@0 = 2 -1');
    expect(references(there, 1)[0]).to.equal('4@0 = 1 -1');
  });

  it('and back to standard', () => {
    const back = plan('guitar-open-d', 'guitar-standard');
    expect(moves(back)).to.deep.equal([
      [6, 2],
      [3, 1],
      [2, 2],
      [1, 2],
    ]);
    // E2 held at 5 is A2; G3 is D3 and five; B3 is G3 and four; E4 is B3 and five.
    expect(references(back, 6)).to.include('6@5 = 5');
    // … but A2 held at 7 is an octave above E2, and the hand is on the other string.
    expect(references(back, 6)[0]).to.equal('5@7 = 6 +1');
    expect(references(back, 3)[0]).to.equal('4@5 = 3');
    // What was only brought near is no measure for the next: strings that stay are, at whatever fret.
    expect(references(back, 2)).to.include('3@4 = 2');
    expect(references(back, 1)).to.include('2@5 = 1');
    expect(references(back, 2)[0]).to.equal('4@9 = 2');
  });

  it('guitar, standard to open G: 6, 5 and 1 down two', () => {
    // E2 A2 D3 G3 B3 E4 → D2 G2 D3 G3 B3 D4.
    const there = plan('guitar-standard', 'guitar-open-g');
    expect(moves(there)).to.deep.equal([
      [6, -2],
      [5, -2],
      [1, -2],
    ]);
    // G2 is an octave below open 3, and held at 7 it is D3; D4 is B3 and three.
    expect(references(there, 5)).to.include.members(['5@0 = 3 -1', '5@7 = 4', '6@5 = 5']);
    expect(references(there, 1)).to.include('2@3 = 1');
  });

  it('ukulele, re-entrant to slack-key: only string 1, down two', () => {
    // G4 C4 E4 A4 → G4 C4 E4 G4: in unison with open 4, and E4 and three.
    const there = plan('ukulele-standard', 'ukulele-slack-key');
    expect(moves(there)).to.deep.equal([[1, -2]]);
    expect(references(there, 1).slice(0, 2)).to.have.members(['2@3 = 1', '4@0 = 1']);
  });

  it('banjo, open G to double C', () => {
    // G4 D3 G3 B3 D4 → G4 C3 G3 C4 D4: 4 −2, 2 +1.
    const there = plan('banjo-open-g', 'banjo-double-c');
    expect(moves(there)).to.deep.equal([
      [4, -2],
      [2, 1],
    ]);
    // C3 held at 7 is G3; C4 is G3 and five, itself held at 2 it is D4, and it is an octave above open 4.
    expect(references(there, 4)).to.include('4@7 = 3');
    expect(references(there, 2)).to.include.members(['2@2 = 1', '3@5 = 2']);
    expect(references(there, 2)).to.include('4@0 = 2 -1');
  });

  it('banjo, open G to sawmill and back: only string 2, by one', () => {
    const there = plan('banjo-open-g', 'banjo-sawmill');
    expect(moves(there)).to.deep.equal([[2, 1]]);
    expect(references(there, 2)).to.include.members(['3@5 = 2', '2@2 = 1']);
    const back = plan('banjo-sawmill', 'banjo-open-g');
    expect(moves(back)).to.deep.equal([[2, -1]]);
    // B3 held at 3 is D4; it is G3 and four.
    expect(references(back, 2)).to.include.members(['3@4 = 2', '2@3 = 1']);
  });
});

describe('strings that are off', () => {
  // Open 4 is the reference of string 3 on the way to open D; it stays, and is this much off.
  const servingFor = (off: number) => {
    const strings = stringsOf('guitar-standard', 'guitar-open-d', [0, 0, 0, off, 0, 0]);
    const { steps } = planRetune(strings, 'thinnestFirst', 2, STIFF);
    const step = steps.find((s) => s.course === 3)!;
    return step.references.find((reference) => reference.course === 4);
  };

  it('serve to come near by up to 10 cents; what is off by more is put right before', () => {
    expect(servingFor(1)).to.include({ good: 'exact' });
    expect(servingFor(-9)).to.include({ good: 'about' });
    expect(servingFor(-9)!.offsetCents).to.be.closeTo(-9, 1e-9);
    // Beyond that string 4 comes before string 3, and stands at its note by then.
    expect(servingFor(-12)).to.include({ good: 'exact', offsetCents: 0 });
  });

  it('those that stay come first, whatever the order of the others', () => {
    const strings = stringsOf('guitar-standard', 'guitar-open-d', [0, 0, 0, -12, 30, 0]);
    for (const order of ['thickestFirst', 'thinnestFirst', 'planned'] as const)
      expect(
        planRetune(strings, order, 2)
          .steps.slice(0, 2)
          .map((step) => step.course),
      ).to.deep.equal([5, 4]);
  });
});

describe('the fine pass by ear', () => {
  // The example that the design works by hand: standard to open D, 6 at −23, 5 at +9, 4 at −11.
  const strings = stringsOf('guitar-standard', 'guitar-open-d', [0, 0, 0, -11, 9, -23]);
  const said = ({ fine }: Plan) =>
    fine.map(({ course, references: [best] }) =>
      best ? `${course}: ${best.held.course}@${best.held.fret} = ${best.open}` : `${course}: tone`,
    );

  it('begins with what stays, then each string is compared with one that is right by then', () => {
    expect(said(planRetune(strings, 'planned', 2))).to.deep.equal([
      '5: tone',
      '4: 5@5 = 4',
      '6: 6@0 = 4',
      '3: 4@4 = 3',
      '2: 5@0 = 2',
      '1: 4@0 = 1',
    ]);
  });

  it('asks for no difference to be heard: every comparison is exact', () => {
    for (const order of ['thickestFirst', 'thinnestFirst', 'planned'] as const)
      for (const { references } of planRetune(strings, order, 2).fine)
        for (const { good, offsetCents } of references) {
          expect(good).to.equal('exact');
          expect(Math.abs(offsetCents)).to.be.at.most(2);
        }
  });

  it('is none by display: a figure leads to where each string lands', () => {
    const plan = planRetune(strings, 'planned', 2, { bridge: 'fixed', manner: 'by display' });
    expect(plan.fine).to.deep.equal([]);
    // What is within tolerance stays; the others are done once.
    expect(plan.steps.map(({ course }) => course)).to.have.members([6, 5, 4, 3, 2, 1]);
  });

  it('a string that is aimed is compared with none that its aim contradicts', () => {
    const matrix = [1, 2, 3, 4, 5, 6].map((j) =>
      [1, 2, 3, 4, 5, 6].map((i) => (i === j ? 0 : -0.04)),
    );
    const plan = planRetune(strings, 'thickestFirst', 2, {
      bridge: 'fixed',
      coupling: { matrix, error: 0.15, turns: 40 },
      manner: 'by display',
    });
    // The first ones rise by some 20 cents as the others are let down: no string sounds what they aim at.
    expect(plan.steps[0]!.references).to.deep.equal([]);
    for (const { references } of plan.steps)
      for (const { offsetCents } of references) expect(Math.abs(offsetCents)).to.be.at.most(2);
  });
});

describe('a reference in words', () => {
  const words = (id: string, course: number, held: number, fret: number) => {
    const { steps } = planRetune(stringsOf('guitar-standard', id), 'thickestFirst', 2, STIFF);
    const all: readonly Comparison[] = steps.find((step) => step.course === course)!.references;
    return referenceInWords(all.find((r) => r.held.course === held && r.held.fret === fret)!);
  };

  it('says which string, which fret, and the octave', () => {
    expect(words('guitar-open-d', 3, 4, 4)).to.deep.equal(
      message('common.compareOther', {
        good: 'exact',
        string: 4,
        fret: 4,
        interval: message('common.interval', { distance: 'same' }),
      }),
    );
    expect(words('guitar-open-d', 6, 6, 7)).to.deep.equal(
      message('common.compareMine', {
        good: 'exact',
        fret: 7,
        interval: message('common.relation', { distance: 'same' }),
        open: 5,
      }),
    );
    // D3, string 4, is an octave above D2; held at fret 12 string 6 sounds it too.
    expect(words('guitar-open-d', 6, 6, 0)).to.deep.equal(
      message('common.compareOpen', {
        good: 'exact',
        string: 4,
        interval: message('common.interval', { distance: 'upOne' }),
      }),
    );
    expect(words('guitar-open-d', 6, 5, 5)).to.deep.equal(
      message('common.compareOther', {
        good: 'exact',
        string: 5,
        fret: 5,
        interval: message('common.interval', { distance: 'upOne' }),
      }),
    );
  });
});

describe('warnings', () => {
  it('refuse what would break, with string, figure and a way out', () => {
    // The first string of a guitar in standard has 5.2 semitones; G4 for E4 leaves 2.2, A4 a fifth of one.
    const strings = stringsOf('guitar-standard', 'guitar-standard').map((s) =>
      s.course === 1 ? { ...s, targetHz: 440, targetMidi: 69 } : s,
    );
    const [warning] = planRetune(strings, 'planned', 2).warnings;
    expect(warning?.kind).to.equal('refused');
    expect(plainFigures(warningInWords(warning!))).to.deep.equal([
      message('retune.nearBreaking', { string: 1, semitones: 0.246758 }),
      message('retune.needsLower'),
    ]);
    expect(plan('guitar-standard', 'guitar-new-standard').warnings.map((w) => w.kind)).to.include(
      'caution',
    );
  });

  it('name a string that will flap, and a neck that carries too much', () => {
    const lowered = stringsOf('guitar-standard', 'guitar-standard').map((s) => ({
      ...s,
      targetHz: s.course === 6 ? s.targetHz * 2 ** (-8 / 12) : s.targetHz,
    }));
    expect(planRetune(lowered, 'planned', 2).warnings.map((w) => w.kind)).to.deep.equal(['slack']);
    // Two semitones up on every string are 26 % more tension.
    const raised = stringsOf('guitar-standard', 'guitar-standard').map((s) => ({
      ...s,
      targetHz: s.targetHz * 2 ** (2 / 12),
    }));
    const load = planRetune(raised, 'planned', 2).warnings.find((w) => w.kind === 'load');
    expect(plainFigures(warningInWords(load!))).to.deep.equal(
      message('retune.neckLoad', { percent: 125.992105 }),
    );
  });
});

describe('any two tunings of one instrument', () => {
  const pairs = TUNINGS.flatMap((from) =>
    TUNINGS.filter(
      (to) => to.kind === from.kind && to.courses.length === from.courses.length && to !== from,
    ).map((to) => [from.id, to.id] as const),
  );
  const orders: PlanOrder[] = ['thickestFirst', 'thinnestFirst', 'planned'];
  /** Every third pair: all of them take as many seconds as there are of them hundreds. */
  const sample = pairs.filter((_, i) => i % 3 === 0);

  it('the plan ends in the target, there and back is the identity, every reference sounds what it says', () => {
    for (const [from, to] of sample)
      for (const order of orders) {
        const now = new Map(tuningOf(from).courses.map(([midi], i) => [i + 1, midi!]));
        const strings = stringsOf(from, to);
        for (const step of planRetune(strings, order, 2, STIFF).steps) {
          const target = tuningOf(to).courses[step.course - 1]![0]!;
          now.set(step.course, target);
          for (const { held, open, octaves } of step.references) {
            // What sounds with the strings as they are at this step, this one at its target.
            const { startFret } = strings[held.course - 1]!;
            const sound = soundAt(
              { course: held.course, midi: now.get(held.course)!, startFret },
              held.fret,
            );
            expect(sound, `${from} → ${to}, string ${step.course}`).to.equal(
              now.get(open)! + 12 * octaves,
            );
          }
        }
        expect([...now.values()]).to.deep.equal(tuningOf(to).courses.map(([midi]) => midi));
        const back = planRetune(stringsOf(to, from), order, 2);
        for (const { course } of back.steps)
          now.set(course, tuningOf(from).courses[course - 1]![0]!);
        expect([...now.values()]).to.deep.equal(tuningOf(from).courses.map(([midi]) => midi));
      }
  });

  it('a reference is out by what it says, with strings off and offsets in the tuning', () => {
    const cents = fc.double({ min: -40, max: 40, noNaN: true });
    const seven = { minLength: 7, maxLength: 7 };
    fc.assert(
      fc.property(
        fc.constantFrom(...pairs),
        fc.constantFrom(...orders),
        fc.array(cents, seven),
        fc.array(cents, seven),
        ([from, to], order, off, offsets) => {
          const strings = stringsOf(from, to, off).map((s, i) => ({
            ...s,
            targetHz: shiftHz(s.targetHz, offsets[i]!),
          }));
          const now = new Map(strings.map((s) => [s.course, s.nowHz]));
          for (const step of planRetune(strings, order, 2, STIFF).steps) {
            now.set(step.course, step.toHz);
            for (const { held, open, octaves, course, offsetCents } of step.references) {
              const frets = held.fret === 0 ? 0 : held.fret - strings[held.course - 1]!.startFret;
              const heldHz = shiftHz(now.get(held.course)!, 100 * frets);
              const openHz = shiftHz(now.get(open)!, 1200 * octaves);
              const [other, mine] = held.course === course ? [heldHz, openHz] : [openHz, heldHz];
              expect(1200 * Math.log2(other / mine)).to.be.closeTo(offsetCents, 1e-6);
            }
          }
        },
      ),
      { seed: 12 },
    );
  });
});

/** The best order by trying them all: the same criterion, written out plainly. */
function bruteForce(problem: OrderProblem): readonly number[] {
  let best: { order: number[]; unreferenced: number; range: number } | null = null;
  const visit = (order: number[]) => {
    if (order.length < problem.count) {
      for (let entry = 0; entry < problem.count; entry++)
        if (!order.includes(entry)) visit([...order, entry]);
      return;
    }
    let moved = 0;
    let unreferenced = 0;
    const loads = [problem.startLoad];
    for (const entry of order) {
      if (!problem.hasReference(entry, moved)) unreferenced++;
      moved |= 1 << entry;
      loads.push(loads.at(-1)! + problem.loadChange[entry]!);
    }
    const range = Math.max(...loads) - Math.min(...loads);
    // Orders come in rising thickness order, so the first of equals stays.
    const better =
      !best ||
      unreferenced < best.unreferenced ||
      (unreferenced === best.unreferenced && range < best.range - 1e-6);
    if (better) best = { order, unreferenced, range };
  };
  visit([]);
  return best!.order;
}

describe('the planned order', () => {
  it('is the best of all orders by its criterion, for up to seven strings', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -30, max: 30 }), { minLength: 1, maxLength: 6 }),
        fc.array(fc.nat(127), { minLength: 7, maxLength: 7 }),
        (loadChange, partners) => {
          const problem: OrderProblem = {
            count: loadChange.length,
            startLoad: 500,
            loadChange,
            hasReference: (entry, moved) => (partners[entry]! & moved) !== 0,
          };
          expect(bestOrder(problem).order).to.deep.equal(bruteForce(problem));
        },
      ),
      { seed: 8, numRuns: 60 },
    );
    const seven: OrderProblem = {
      count: 7,
      startLoad: 700,
      loadChange: [-18, 9, -7, 14, -11, 6, -3],
      hasReference: (entry, moved) => entry === 3 || (moved & (1 << ((entry + 1) % 7))) !== 0,
    };
    expect(bestOrder(seven).order).to.deep.equal(bruteForce(seven));
  });

  it('tells how many steps have no string to compare with', () => {
    expect(plan('guitar-standard', 'guitar-open-d', 'planned').reason).to.deep.equal({
      kind: 'planned',
      steps: 4,
      unreferenced: 0,
      rechecks: 0,
    });
  });
});

describe('a floating bridge', () => {
  it('is cautioned and takes more passes', () => {
    const strings = stringsOf('guitar-standard', 'guitar-open-d');
    const fixed = planRetune(strings, 'planned', 2, { bridge: 'fixed' });
    const floating = planRetune(strings, 'planned', 2, { bridge: 'floating' });
    expect(fixed.warnings).to.deep.equal([]);
    expect(floating.warnings.map(({ kind }) => kind)).to.include('floating');
    expect(floating.passes).to.be.greaterThan(fixed.passes);
  });
});
