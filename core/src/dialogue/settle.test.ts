import { expect } from 'chai';
import { list, message } from '../message.ts';
import { findTuning, shiftHz, targetsOf } from '../music/index.ts';
import type { Taken } from '../settling/index.ts';
import { benchAfter, follow, startBench } from '../sitting/index.ts';
import { setupFor } from '../state/index.ts';
import { steelGuitar } from '../strings/index.ts';
import { outcomeOf, pluckOf, readingAt } from './benchFixture.ts';
import {
  type SettleAsked,
  type SettleEffect,
  type SettleInput,
  settleNoticeInWords,
  settleTalk,
  startSettleTalk,
} from './settle.ts';

const TARGETS = targetsOf(findTuning('guitar-standard')!, 440);
const GOAL = { order: [3, 2, 1], tolerance: 2 };
const SETUP = setupFor({
  instrument: steelGuitar('g', 'G'),
  targets: TARGETS,
  before: [],
  tunings: [],
  goal: GOAL,
  fresh: [3, 2, 1],
});
const TAKEN: Taken = {
  at: 1000,
  course: 2,
  cents: -9,
  errorCents: 0.3,
  hz: 246,
  step: 'stretched',
  byHand: false,
  doubt: null,
  really: 1000,
};

function play(...inputs: readonly SettleInput[]) {
  let talk = startSettleTalk();
  let state = startBench(GOAL);
  const effects: SettleEffect[] = [];
  for (const input of inputs) {
    const followed = follow(SETUP, state.history);
    const last = input.type === 'correct' && input === FORGOTTEN ? null : TAKEN;
    const next = settleTalk(talk, input, { state, targets: TARGETS, followed, course: 2, last });
    talk = next.state;
    for (const effect of next.effects) {
      effects.push(effect);
      if (effect.do === 'record') state = benchAfter(state, effect.event);
    }
  }
  return {
    talk,
    state,
    effects,
    events: effects.flatMap((e) => (e.do === 'record' ? e.event : [])),
  };
}

const FORGOTTEN: SettleInput = { type: 'correct' };
const heard = (
  outcome: ReturnType<typeof outcomeOf>,
  chosen: number | null = null,
  told: SettleAsked['told'] = null,
): SettleInput => ({
  type: 'heard',
  heard: outcome,
  asked: { chosen, inHand: told?.course ?? null, told },
});

describe('the conversation over new strings', () => {
  it('puts a pluck to its string, and announces it', () => {
    const { talk, events } = play(heard(pluckOf(TARGETS, 2, -30)));
    expect(events[0]).to.have.nested.property('reading.course', 2);
    expect(talk.newest?.nth).to.equal(1);
    expect(talk.notice).to.equal(null);
  });

  it('keeps what was asked for before the pluck with its reading, of that string alone', () => {
    const pluck = pluckOf(TARGETS, 2, -30);
    const asked = (course: number) => play(heard(pluck, null, { course, to: 'pull' })).events[0];
    expect(asked(2)).to.have.nested.property('reading.asked', 'pull');
    expect(asked(3)).to.not.have.nested.property('reading.asked');
  });

  it('a string is chosen for one pluck: then the next one is asked for', () => {
    const { events } = play(heard(pluckOf(TARGETS, 2, -30), 2));
    expect(events.map(({ type }) => type)).to.deep.equal(['reading', 'choose']);
    expect(events[1]).to.have.property('course', null);
  });

  it('says why a pluck was no reading until the next one is', () => {
    const quiet = heard(outcomeOf({ kind: 'too quiet', levelDbfs: -70 }));
    const { talk, effects } = play(quiet);
    expect(effects).to.deep.equal([]);
    expect(settleNoticeInWords(talk.notice!, TARGETS).say).to.deep.equal(
      message('advice.tooQuiet'),
    );
    expect(play(quiet, heard(pluckOf(TARGETS, 2, -3))).talk.notice).to.equal(null);
  });

  it('asks which string it was, and takes the chosen one', () => {
    const between = outcomeOf(readingAt(shiftHz(TARGETS[1]!.hz, 250)));
    const { talk } = play(heard(between));
    expect(settleNoticeInWords(talk.notice!, TARGETS).say).to.deep.equal(
      message('advice.tooClose', { strings: list([1, 2], 'or') }),
    );
    expect(play(heard(between, 1)).events[0]).to.have.nested.property('reading.course', 1);
  });

  it('names both strings that sounded at once', () => {
    const both = outcomeOf({ kind: 'more than one string', hz: [110, 146.8] });
    expect(settleNoticeInWords(play(heard(both)).talk.notice!, TARGETS).say).to.deep.equal(
      message('advice.twoStringsNamed', { strings: list([5, 4], 'and') }),
    );
  });

  it('lets the note go when a string is chosen', () => {
    const { effects, state } = play({ type: 'choose', course: 1 });
    expect(effects.map((effect) => effect.do)).to.deep.equal(['stop showing note', 'record']);
    expect(state.chosen).to.equal(1);
  });

  it('says of the last reading that it was the other thing', () => {
    expect(play({ type: 'correct' }).events).to.deep.equal([
      { type: 'said', course: 2, of: 1000, step: 'waited' },
    ]);
    const waited = { ...TAKEN, step: 'waited' as const };
    const said = settleTalk(
      startSettleTalk(),
      { type: 'correct' },
      {
        state: startBench({ order: [2], tolerance: 2 }),
        targets: TARGETS,
        followed: follow(SETUP, []),
        course: 2,
        last: waited,
      },
    );
    expect(said.effects[0]).to.have.nested.property('event.step', 'stretched');
    expect(play(FORGOTTEN).effects).to.deep.equal([]);
  });

  it('says how long it really was after a clock that was set back', () => {
    const said = play({ type: 'say', reading: TAKEN, step: 'waited', elapsed: 60_000 });
    expect(said.events[0]).to.deep.equal({
      type: 'said',
      course: 2,
      of: 1000,
      step: 'waited',
      elapsed: 60_000,
    });
  });

  it('sounds the note of the string in hand', () => {
    expect(play({ type: 'sound target' }).effects).to.deep.equal([
      { do: 'sound', hz: TARGETS[1]!.hz },
    ]);
  });
});
