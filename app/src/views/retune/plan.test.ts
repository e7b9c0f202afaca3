import { findTuning, targetsOf } from '@rosefinch/core/music';
import { DEFAULT_SETTINGS } from '@rosefinch/core/records';
import { planRetune, planStrings } from '@rosefinch/core/retune';
import { expectedCoupling, findModel, homeTuning, steelGuitar } from '@rosefinch/core/strings';
import { loadInWords, wayInWords } from '@rosefinch/core/words';
import { expect } from 'chai';
import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { PlanPrinted } from './PlanPrinted.tsx';
import { planLines } from './planLines.tsx';
import { capoOf, moveInWords, shortStringOf, strainOf, type Way } from './way.ts';

const instrument = steelGuitar('g', 'Heron');
const coupling = expectedCoupling({ tensions: [72, 69, 74, 82, 86, 78], bridge: 'fixed' });

function wayTo(to: string, capo = 0): Way {
  const from = findTuning('guitar-standard')!;
  const target = findTuning(to)!;
  const present = targetsOf(from, 440);
  const home = homeTuning(instrument)!;
  const nowHz = (course: number) => present[course - 1]!.hz;
  const strings = planStrings({ instrument, home, target, a4: 440, nowHz });
  const plan = planRetune(strings, 'planned', 2, { bridge: 'fixed', coupling });
  return { instrument, from, target, strings, plan, capo, a4: 440, left: null };
}

const OPEN_D = wayTo('guitar-open-d');

describe('a plan in words', () => {
  // Standard E A D G B E to open D D A D F♯ A D: four strings go down, two stay (common practice, no source).
  it('says which way, how many strings, and with which capo', () => {
    expect(wayInWords(OPEN_D)).to.equal('Standard → Open D: 4 strings move.');
    expect(wayInWords(wayTo('guitar-open-d', 2))).to.equal(
      'Standard → Open D, capo 2: 4 strings move.',
    );
    expect(wayInWords(wayTo('guitar-standard'))).to.equal('Standard: nothing has to move.');
    expect(wayInWords(wayTo('guitar-drop-d'))).to.contain('1 string moves');
  });

  it('says of a step which way the peg goes, and what it does to the string', () => {
    const third = OPEN_D.plan.steps.find(({ course }) => course === 3)!;
    expect(moveInWords(third)).to.equal('loosen 1 semitone');
    expect(strainOf(third, DEFAULT_SETTINGS)).to.match(
      /^\d+ N → \d+ N, [\d.]+ semitones to breaking$/,
    );
    expect(strainOf(third, { ...DEFAULT_SETTINGS, force: 'kgf' })).to.contain('kgf');
  });

  it('weighs the neck before and after, and on the way where there is one', () => {
    expect(loadInWords(OPEN_D.plan, 'N')).to.match(
      /^The neck carries \d+ N now, \d+ N then, on the way within \d+ N of that\.$/,
    );
    expect(loadInWords(wayTo('guitar-drop-d').plan, 'N')).to.not.contain('on the way');
  });
});

describe('a capo in a plan', () => {
  it('is offered where the tuning it is in sounds the wanted one with it', () => {
    expect(capoOf(wayTo('guitar-open-d'))).to.equal(null);
    const fromOpenD = { ...wayTo('guitar-open-e'), from: findTuning('guitar-open-d')! };
    expect(capoOf(fromOpenD)).to.equal(2);
    expect(capoOf({ ...fromOpenD, capo: 2 })).to.equal(null);
  });

  it('leaves a banjo’s short string to a spike', () => {
    const banjo = findModel('banjo-five')!.build('b', 'Lapwing');
    expect(shortStringOf({ ...OPEN_D, instrument: banjo, capo: 2 })).to.equal(
      'String 5 is not under the capo: hold it by a spike at fret 7, or tune it up by as much. ',
    );
    expect(shortStringOf({ ...OPEN_D, instrument: banjo })).to.equal('');
    expect(shortStringOf({ ...OPEN_D, capo: 2 })).to.equal('');
  });
});

describe('the wires of a plan', () => {
  const lines = planLines(OPEN_D, OPEN_D.plan.steps[0]!, DEFAULT_SETTINGS);

  it('run from the note now to the target, the highest number first; those that stay say so', () => {
    expect(lines.map(({ course, name, to }) => `${course} ${name} ${to}`)).to.deep.equal([
      '6 E2 D2',
      '5 A2 A2',
      '4 D3 D3',
      '3 G3 F♯3',
      '2 B3 A3',
      '1 E4 D4',
    ]);
    expect(
      lines.filter(({ word }) => word?.startsWith('stays')).map(({ course }) => course),
    ).to.deep.equal([5, 4]);
  });

  it('say in which order each is set right by ear at the end, and against what', () => {
    const words = new Map(lines.map(({ course, word }) => [course, word]));
    expect(words.get(5)).to.equal('stays · right 1st · by the tone');
    expect(words.get(4)).to.equal('stays · right 2nd · String 5 at fret 5 sounds the same');
    expect(words.get(6)).to.equal(
      'loosen 2 semitones · right 3rd · Open string 4 sounds an octave higher',
    );
  });

  it('number their steps in the order of the plan, and mark the one in hand', () => {
    const numbers = lines.map(({ says }) => /step (\d)/.exec(says)?.[1] ?? '–');
    const order = OPEN_D.plan.steps.map(({ course }) => course);
    expect(numbers).to.deep.equal(
      lines.map(({ course }) => (order.includes(course) ? String(order.indexOf(course) + 1) : '–')),
    );
    expect(lines.find(({ active }) => active)?.course).to.equal(order[0]);
  });

  it('tilt down where a string is loosened, and lie level where it stays', () => {
    const ends = (course: number) => {
      const { picture } = lines.find((line) => line.course === course)!;
      const drawn = renderToStaticMarkup(createElement('div', null, picture));
      return ['y1', 'y2'].map((name) => Number(new RegExp(`${name}="([\\d.]+)"`).exec(drawn)?.[1]));
    };
    // A place further down has the larger number.
    expect(ends(6)[1]).to.be.above(ends(6)[0]!);
    expect(ends(5)[1]).to.equal(ends(5)[0]);
    expect(ends(6)[1]! - ends(6)[0]!).to.be.above(ends(3)[1]! - ends(3)[0]!);
  });

  it('are on paper step by step', () => {
    const paper = renderToStaticMarkup(
      createElement(PlanPrinted, { way: OPEN_D, settings: DEFAULT_SETTINGS }),
    );
    expect(paper.match(/<li>/g)?.length).to.equal(4);
    expect(paper.replaceAll('<!-- -->', '')).to.contain('String 6: E2 → D2, loosen 2 semitones');
  });
});
