import type { Taken } from '@rosefinch/core/settling';
import { en, saying } from '@rosefinch/words/expected';
import { expect } from 'chai';
import { createElement } from 'react';
import { drawnInWords } from '../../parts/words/inWordsFixture.ts';
import { SettleChart, timeScale } from './SettleChart.tsx';

const SINCE = 1_764_000_000_000;
const taken = (minutes: number, cents: number, step: Taken['step']): Taken =>
  ({
    course: 3,
    at: SINCE + 60_000 * minutes,
    really: SINCE + 60_000 * minutes,
    cents,
    step,
  }) as Taken;
const ZERO = en('settle.0Cents');
const READINGS = [taken(2, 0, 'first'), taken(5, -30, 'stretched'), taken(9, 0.5, 'brought up')];

function chart(readings: readonly Taken[], tall: boolean) {
  return drawnInWords(
    createElement(SettleChart, {
      name: 'string 3, C4',
      taken: readings,
      since: SINCE,
      ahead: null,
      sure: 600,
      x: timeScale('clock', [60, 7200], 800),
      width: 800,
      height: 200,
      lowest: -40,
      tolerance: 2,
      now: 900,
      lesson: 2700,
      tall,
      gauge: 2,
    }),
  );
}

const marks = (drawn: string) =>
  [...drawn.matchAll(/<rect x="([\d.]+)" y="([\d.]+)" width="8" height="6" class="([^"]+)"/g)].map(
    ([, x, y, kind]) => ({ x: Number(x), y: Number(y), kind }),
  );

describe('time along a wire', () => {
  it('by the clock every minute is as long; by the logarithm early ones are drawn wide', () => {
    const clock = timeScale('clock', [60, 7200], 800);
    expect(clock(1200) - clock(600)).to.be.closeTo(clock(7200) - clock(6600), 1e-9);
    const log = timeScale('log', [60, 7200], 800);
    expect(log(120) - log(60)).to.be.closeTo(log(7200) - log(3600), 1e-9);
  });
});

describe('a string over time', () => {
  it('hangs what has dropped, closes what is at rest, and keeps their order', () => {
    const drawn = marks(chart(READINGS, true));
    expect(drawn.map(({ kind }) => kind)).to.deep.equal(['mark', 'open-bar', 'mark']);
    expect(drawn.map(({ x }) => x)).to.deep.equal(drawn.map(({ x }) => x).sort((a, b) => a - b));
    expect(drawn[1]!.y).to.be.above(drawn[0]!.y + 50);
  });

  it('counts and joins what counts, and dots what was left out', () => {
    const drawn = chart([...READINGS, taken(12, -80, 'left out')], true);
    expect(drawn).to.match(saying('settle.chartReadings', { readings: 3 }));
    expect(/points="([^"]*)"/.exec(drawn)?.[1]?.split(' ').length).to.equal(3);
    expect(drawn).to.contain('stroke-dasharray="2 2"');
  });

  it('has its scales on the stage alone', () => {
    expect(chart(READINGS, true)).to.contain(ZERO).and.contain(en('settle.sinceFittedBarALesson'));
    expect(chart(READINGS, false)).to.not.contain(ZERO);
    expect(chart(READINGS, false)).to.not.contain(en('settle.sinceFittedBarALesson'));
  });
});
