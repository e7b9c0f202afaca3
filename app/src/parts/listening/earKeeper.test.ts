import { asText } from '@rosefinch/core/errors';
import { MICROPHONE_TROUBLES } from '@rosefinch/core/sentences';
import { expect } from 'chai';
import {
  type AnalysisReport,
  type Ear,
  type EarHearer,
  MicrophoneProblem,
} from '../../sound/index.ts';
import { EarKeeper, type EarOwner } from './earKeeper.ts';

function hearer() {
  const heard: string[] = [];
  const owner: EarOwner = {
    report: ({ type }) => void heard.push(type),
    problem: () => void heard.push('problem'),
    truth: () => void heard.push('truth'),
    again: () => void heard.push('again'),
    refused: ({ message }) => void heard.push(message),
  };
  return { owner, heard };
}

function keeper() {
  const opened: { tell: EarHearer; closed: boolean; pairs: (number | null)[]; wound: unknown[] }[] =
    [];
  const made = new EarKeeper((tell) => {
    const one = { tell, closed: false, pairs: [] as (number | null)[], wound: [] as unknown[] };
    opened.push(one);
    return {
      close: () => {
        one.closed = true;
      },
      expectPair: (hz: number | null) => void one.pairs.push(hz),
      followWinding: (string: unknown) => void one.wound.push(string),
      followVoice: () => {},
      expectStrum: (expected: unknown) => void one.wound.push(expected),
    } as unknown as Ear;
  });
  return { made, opened };
}

const LEVEL = { type: 'level' } as unknown as AnalysisReport;

describe('the one ear of the page', () => {
  it('goes from one view to the next without being opened anew', () => {
    const { made, opened } = keeper();
    const [bench, settle] = [hearer(), hearer()];
    const ear = made.take(bench.owner);
    opened[0]!.tell.report(LEVEL);
    made.leave(bench.owner);
    expect(made.take(settle.owner)).to.equal(ear);
    opened[0]!.tell.report(LEVEL);
    expect(opened.length).to.equal(1);
    expect(bench.heard).to.deep.equal(['level']);
    expect(settle.heard).to.deep.equal(['level']);
  });

  it('stays with the view that has it when an older one goes late', () => {
    const { made, opened } = keeper();
    const [old, now] = [hearer(), hearer()];
    made.take(old.owner);
    made.take(now.owner);
    made.leave(old.owner);
    opened[0]!.tell.again();
    expect(now.heard).to.deep.equal(['again']);
  });

  it('waits for two strings no longer once the view that compared them is gone', () => {
    const { made, opened } = keeper();
    const { owner } = hearer();
    made.take(owner);
    made.leave(owner);
    expect(opened[0]!.pairs).to.deep.equal([null]);
  });

  it('waits for two strings no longer where the next view takes it before the last one goes', () => {
    const { made, opened } = keeper();
    const [old, now] = [hearer(), hearer()];
    made.take(old.owner);
    made.take(now.owner);
    expect(opened[0]!.pairs).to.deep.equal([null]);
    made.leave(old.owner);
    made.take(now.owner);
    expect(opened[0]!.pairs).to.deep.equal([null]);
  });

  const aMoment = () => new Promise((resolve) => setTimeout(resolve));

  it('tells nobody while no view has it, and is closed once no job is shown', async () => {
    const { made, opened } = keeper();
    const { owner, heard } = hearer();
    const gone = made.hold();
    made.take(owner);
    made.source = 'microphone';
    made.leave(owner);
    opened[0]!.tell.report(LEVEL);
    await aMoment();
    expect(heard).to.deep.equal([]);
    expect(opened[0]!.closed).to.equal(false);
    gone();
    await aMoment();
    expect(opened[0]!.closed).to.equal(true);
    expect(made.source).to.equal(null);
    made.take(owner);
    expect(opened.length).to.equal(2);
  });

  it('stays open where one job follows another in the same breath', async () => {
    const { made, opened } = keeper();
    const bench = made.hold();
    made.take(hearer().owner);
    bench();
    made.hold();
    await aMoment();
    expect(opened[0]!.closed).to.equal(false);
  });

  describe('a microphone that the browser asks leave for', () => {
    const asked = () => {
      let refuse = (_: MicrophoneProblem) => {};
      const opening = new Promise<void>((_, reject) => {
        refuse = reject;
      });
      return { opening, refuse: () => refuse(new MicrophoneProblem(MICROPHONE_TROUBLES.refused)) };
    };

    it('is told to be refused to the view that has the ear by then', async () => {
      const { made } = keeper();
      const [before, after] = [hearer(), hearer()];
      const { opening, refuse } = asked();
      made.take(before.owner);
      made.source = 'microphone';
      made.opens(opening);
      made.leave(before.owner);
      made.take(after.owner);
      refuse();
      await aMoment();
      expect(before.heard).to.deep.equal([]);
      expect(after.heard).to.deep.equal([asText(MICROPHONE_TROUBLES.refused.say)]);
      expect(made.source).to.equal(null);
    });

    it('is nothing any more once something else was chosen, or nothing', async () => {
      for (const next of [Promise.resolve(), null]) {
        const { made } = keeper();
        const { owner, heard } = hearer();
        const { opening, refuse } = asked();
        made.take(owner);
        made.opens(opening);
        made.source = 'practice';
        made.opens(next);
        refuse();
        await aMoment();
        expect(heard).to.deep.equal([]);
        expect(made.source).to.equal('practice');
      }
    });
  });
});
