import { list, message, type Value } from '@rosefinch/core/message';
import { findTuning, targetsOf } from '@rosefinch/core/music';
import { planRetune, planStrings } from '@rosefinch/core/retune';
import { loadInWords, wayInWords } from '@rosefinch/core/sentences';
import { expectedCoupling, findModel, homeTuning, steelGuitar } from '@rosefinch/core/strings';
import { begins, inTestLanguage, told } from '@rosefinch/words/expected';
import { expect } from 'chai';
import { createElement } from 'react';
import { drawnInWords } from '../../parts/words/inWordsFixture.ts';
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

const STANDARD = message('names.guitarStandard');
const OPEN_D_NAME = message('names.guitarOpenD');
const DROP_D = message('names.guitarDropD');

describe('a plan in words', () => {
  // Standard E A D G B E to open D D A D F♯ A D: four strings go down, two stay (common practice, no source).
  it('says which way, how many strings, and with which capo', () => {
    expect(wayInWords(OPEN_D)).to.deep.equal(
      message('retune.way', { from: STANDARD, target: OPEN_D_NAME, capo: 0, count: 4 }),
    );
    expect(wayInWords(wayTo('guitar-open-d', 2))).to.deep.equal(
      message('retune.way', { from: STANDARD, target: OPEN_D_NAME, capo: 2, count: 4 }),
    );
    expect(wayInWords(wayTo('guitar-standard'))).to.deep.equal(
      message('retune.nothingToMove', { target: STANDARD, capo: 0 }),
    );
    expect(wayInWords(wayTo('guitar-drop-d'))).to.deep.equal(
      message('retune.way', { from: STANDARD, target: DROP_D, capo: 0, count: 1 }),
    );
  });

  it('says of a step which way the peg goes, and what it does to the string', () => {
    const third = OPEN_D.plan.steps.find(({ course }) => course === 3)!;
    expect(moveInWords(third)).to.deep.equal(
      message('retune.move', {
        way: 'loosen',
        distance: message('common.semitones', { semitones: 1 }),
      }),
    );
    expect(strainOf(third).id).to.equal('retune.strain');
  });

  it('weighs the neck before and after, and on the way where there is one', () => {
    expect(loadInWords(OPEN_D.plan).id).to.equal('retune.loadRange');
    expect(loadInWords(wayTo('guitar-drop-d').plan).id).to.equal('retune.load');
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
    expect(shortStringOf({ ...OPEN_D, instrument: banjo, capo: 2 })).to.deep.equal(
      message('retune.shortString', { string: 5, fret: 7 }),
    );
    expect(shortStringOf({ ...OPEN_D, instrument: banjo })).to.equal(null);
    expect(shortStringOf({ ...OPEN_D, capo: 2 })).to.equal(null);
  });
});

const INTERVAL = (distance: 'same' | 'upOne') => message('common.interval', { distance });
const points = (...items: readonly Value[]) => inTestLanguage.value(list(items, 'points'));

describe('the wires of a plan', () => {
  const lines = planLines(OPEN_D, OPEN_D.plan.steps[0]!);

  it('run from the note now to the target, the highest number first; those that stay say so', () => {
    expect(
      lines.map(({ course, name, to }) =>
        [course, name, to].map((value) => inTestLanguage.value(value ?? '')).join(' '),
      ),
    ).to.deep.equal(['6 E2 D2', '5 A2 A2', '4 D3 D3', '3 G3 F♯3', '2 B3 A3', '1 E4 D4']);
    expect(
      lines
        .filter(({ word }) => begins('retune.stays').test(inTestLanguage.value(word ?? '')))
        .map(({ course }) => course),
    ).to.deep.equal([5, 4]);
  });

  it('say in which order each is set right by ear at the end, and against what', () => {
    const words = new Map(
      lines.map(({ course, word }) => [course, inTestLanguage.value(word ?? '')]),
    );
    const nth = (place: number) => message('retune.rightNth', { place });
    const stays = message('retune.stays');
    const loosened = message('retune.move', {
      way: 'loosen',
      distance: message('common.semitones', { semitones: 2 }),
    });
    expect(words.get(5)).to.equal(points(stays, nth(1), message('retune.byTheTone')));
    expect(words.get(4)).to.equal(
      points(
        stays,
        nth(2),
        message('common.againstOther', {
          good: 'exact',
          string: 5,
          fret: 5,
          interval: INTERVAL('same'),
        }),
      ),
    );
    expect(words.get(6)).to.equal(
      points(
        loosened,
        nth(3),
        message('common.againstOpen', { good: 'exact', string: 4, interval: INTERVAL('upOne') }),
      ),
    );
  });

  it('number their steps in the order of the plan, and mark the one in hand', () => {
    const numbers = lines.map(
      ({ says }) => told('retune.stepTo', inTestLanguage.value(says)).step?.replace(',', '') ?? '–',
    );
    const order = OPEN_D.plan.steps.map(({ course }) => course);
    expect(numbers).to.deep.equal(
      lines.map(({ course }) => (order.includes(course) ? String(order.indexOf(course) + 1) : '–')),
    );
    expect(lines.find(({ active }) => active)?.course).to.equal(order[0]);
  });

  it('tilt down where a string is loosened, and lie level where it stays', () => {
    const ends = (course: number) => {
      const { picture } = lines.find((line) => line.course === course)!;
      const drawn = drawnInWords(createElement('div', null, picture));
      return ['y1', 'y2'].map((name) => Number(new RegExp(`${name}="([\\d.]+)"`).exec(drawn)?.[1]));
    };
    // A place further down has the larger number.
    expect(ends(6)[1]).to.be.above(ends(6)[0]!);
    expect(ends(5)[1]).to.equal(ends(5)[0]);
    expect(ends(6)[1]! - ends(6)[0]!).to.be.above(ends(3)[1]! - ends(3)[0]!);
  });

  it('are on paper step by step', () => {
    const paper = drawnInWords(createElement(PlanPrinted, { way: OPEN_D }));
    expect(paper.match(/<li>/g)?.length).to.equal(4);
    expect(paper).to.contain('E2 → D2');
  });
});
