import { expect } from 'chai';
import { findModel, type Instrument, steelGuitar, withPeg } from '../strings/index.ts';
import { pegTestInWords } from '../words/index.ts';
import { type PegTestRound, pegTask, pegTestAfter, skipPeg, startPegTest } from './pegTest.ts';

const GUITAR = steelGuitar('g', 'G');
const down = (hz: number, cents: number) => hz * 2 ** (-cents / 1200);

const words = (round: PegTestRound, instrument: Instrument) =>
  pegTestInWords(pegTask(round, instrument), round.found);

describe('the peg test', () => {
  it('asks for a pluck, one small turn to loosen, and a pluck', () => {
    const round = startPegTest([6, 5]);
    expect(words(round, GUITAR).say).to.equal('Pluck string 6.');
    const { round: turning } = pegTestAfter(round, 82, GUITAR);
    expect(words(turning, GUITAR).say).to.equal(
      'Turn its button an eighth of a turn towards you, then pluck.',
    );
    const { round: next, event, peg } = pegTestAfter(turning, down(82, 44), GUITAR);
    expect(words(next, GUITAR)).to.deep.equal({
      say: 'String 6 went down 44 cents, as thought.',
      more: 'Now pluck string 5.',
    });
    expect(event).to.include({ type: 'peg test', course: 6, turns: -1 / 8 });
    expect(peg).to.include({ tighten: 'away from you', known: 'tested' });
  });

  it('says at once that it went up, and turns the direction round', () => {
    const { round } = pegTestAfter(startPegTest([6]), 82, GUITAR);
    const { round: next, peg } = pegTestAfter(round, down(82, -40), GUITAR);
    expect(words(next, GUITAR).say).to.equal(
      'It went up 40 cents: turn it back. String 6 tightens towards you.',
    );
    expect(peg?.tighten).to.equal('towards you');
    // Tried again, it is as it was found.
    const known = withPeg(GUITAR, 6, peg!);
    const again = pegTestAfter(
      pegTestAfter(startPegTest([6]), 82, known).round,
      down(82, 40),
      known,
    );
    expect(again.peg?.tighten).to.equal('towards you');
    expect(again.peg?.measured?.turns).to.equal(2);
  });

  it('does not take a string for tried that did not move', () => {
    const { round } = pegTestAfter(startPegTest([6, 5]), 82, GUITAR);
    const { round: same, peg } = pegTestAfter(round, down(82, 0.5), GUITAR);
    expect(peg).to.equal(null);
    expect(same.toCome).to.deep.equal([6, 5]);
    expect(words(same, GUITAR).say).to.match(/did not move\. Trace the string/);
  });

  it('skips a peg, and ends', () => {
    const round = skipPeg(skipPeg(startPegTest([2, 1])));
    expect(words(round, GUITAR).more).to.equal('All pegs were tried.');
    expect(pegTestAfter(round, 100, GUITAR).event).to.equal(null);
  });

  it('sizes its turn to the peg and speaks of it as one faces it', () => {
    const ukulele = findModel('ukulele-tenor')!.build('u', 'U');
    const { round } = pegTestAfter(startPegTest([4]), 392, ukulele);
    expect(words(round, ukulele).say).to.equal(
      'Turn its button a hair counter-clockwise, then pluck.',
    );
    const banjo = findModel('banjo-five')!.build('b', 'B');
    const { round: planetary } = pegTestAfter(startPegTest([1]), 294, banjo);
    expect(words(planetary, banjo).say).to.equal(
      'Turn its button a sixteenth of a turn clockwise, then pluck.',
    );
  });
});
