import { message, noteValue } from '@rosefinch/core/message';
import { findTuning, targetsOf } from '@rosefinch/core/music';
import { DEFAULT_SETTINGS } from '@rosefinch/core/records';
import { planRetune, planStrings } from '@rosefinch/core/retune';
import { directionInWords } from '@rosefinch/core/sentences';
import {
  findModel,
  homeTuning,
  type Instrument,
  steelGuitar,
  type TightenDirection,
} from '@rosefinch/core/strings';
import { en, saying } from '@rosefinch/words/expected';
import { expect } from 'chai';
import { createElement } from 'react';
import { drawnInWords } from '../../parts/words/inWordsFixture.ts';
import { PlanStage } from './PlanStage.tsx';
import type { Way } from './way.ts';

const heron = steelGuitar('g', 'Heron');

function wayTo(
  fromId: string,
  toId: string,
  off: Readonly<Record<number, number>> = {},
  instrument: Instrument = heron,
): Way {
  const from = findTuning(fromId)!;
  const target = findTuning(toId)!;
  const present = targetsOf(from, 440);
  const nowHz = (course: number) => present[course - 1]!.hz * 2 ** ((off[course] ?? 0) / 1200);
  const home = homeTuning(instrument)!;
  const strings = planStrings({ instrument, home, target, a4: 440, nowHz });
  const plan = planRetune(strings, 'planned', 2, { bridge: 'fixed', manner: 'by display' });
  return { instrument, from, target, strings, plan, capo: 0, a4: 440, left: null };
}

function staged(way: Way, course?: number) {
  const step = way.plan.steps.find((one) => one.course === course) ?? way.plan.steps[0] ?? null;
  const props = { way, step, pegsSeen: DEFAULT_SETTINGS.pegsSeen, onSure: null };
  return drawnInWords(createElement(PlanStage, props));
}

describe('a step of a plan on the stage', () => {
  it('says string, note now and then, and how far in semitones', () => {
    const shown = staged(wayTo('guitar-standard', 'guitar-open-d'), 6);
    for (const words of [
      'D2',
      en('common.string', { string: 6 }),
      en('retune.isNow', { note: noteValue(40, 'sharp') }),
      '−2.0',
      en('retune.distance', { unit: 'semitones', way: 'loosen' }),
    ])
      expect(shown).to.contain(words);
    expect(shown).to.match(saying('retune.way', { count: 4 }));
  });

  it('shows the peg to turn, and the way that loosens it', () => {
    const way = wayTo('guitar-standard', 'guitar-open-d');
    const pegs = en('parts.pegsOf', { name: way.instrument.name, view: 'playing' });
    const turns = (string: number, direction: TightenDirection) =>
      en('parts.pegTurns', { pegs, string, way: directionInWords(direction) });
    // Upper pegs tighten away from the player, lower ones towards: common practice, no source.
    expect(staged(way, 6)).to.contain(turns(6, 'towardsYou'));
    expect(staged(way, 1)).to.contain(turns(1, 'awayFromYou'));
  });

  it('says which string of a pair it is', () => {
    const twelve = findModel('twelve-guitar')!.build('t', 'Twelve');
    const way = wayTo('guitar-standard-strings-twelve', 'guitar-open-d-strings-twelve', {}, twelve);
    expect(staged(way, 12))
      .to.contain(en('common.ofCourse', { which: 'higher', course: 6 }))
      .and.to.contain(en('retune.isNow', { note: noteValue(52, 'sharp') }));
  });

  it('says what is less than a semitone in cents', () => {
    const shown = staged(wayTo('guitar-standard', 'guitar-open-d', { 5: -18.4 }), 5);
    expect(shown)
      .to.contain('+18.4')
      .and.to.contain(en('retune.distance', { unit: 'cents', way: 'tighten' }));
  });

  it('offers a capo where that moves no string', () => {
    const shown = staged(wayTo('guitar-open-d', 'guitar-open-e'));
    expect(shown).to.contain(
      en('retune.capoWay', { tuning: message('names.guitarOpenD'), fret: 2 }),
    );
    expect(staged(wayTo('guitar-standard', 'guitar-open-d'))).to.not.match(
      saying('retune.capoWay'),
    );
  });

  it('puts a warning in the sentence’s place, as an alert', () => {
    const shown = staged(wayTo('guitar-standard', 'guitar-new-standard'));
    const caution = saying('retune.caution', { string: 1 }).source;
    expect(shown).to.match(new RegExp(`role="alert"[^>]*><div><strong>${caution}`));
  });

  it('has nothing to do where the strings stand as they are to', () => {
    const shown = staged(wayTo('guitar-standard', 'guitar-standard'));
    expect(shown).to.match(saying('retune.nothingToMove'));
  });
});
