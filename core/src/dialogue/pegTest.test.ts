import { expect } from 'chai';
import { findModel, type Instrument, steelGuitar, withPeg } from '../strings/index.ts';
import { pegTestInWords } from '../words/index.ts';
import { type PegTestRound, pegTask, pegTestAfter, skipPeg, startPegTest } from './pegTest.ts';

const GUITAR = steelGuitar('g', 'G');
const down = (hz: number, cents: number) => hz * 2 ** (-cents / 1200);

const words = (round: PegTestRound, instrument: Instrument) =>
  pegTestInWords(pegTask(round, instrument), round.found);

describe('the peg test', () => {
  /** The round and the instrument after plucks at so many cents, each peg put on as it is found. */
  function after(order: readonly number[], hz: number, cents: readonly number[], guitar = GUITAR) {
    let round = startPegTest(order);
    let instrument = guitar;
    const events: unknown[] = [];
    const said: string[] = [words(round, instrument).say];
    for (const one of cents) {
      const course = round.toCome[0]!;
      const step = pegTestAfter(round, down(hz, -one), instrument);
      round = step.round;
      if (step.peg) instrument = withPeg(instrument, course, step.peg);
      if (step.event) events.push(step.event);
      said.push(words(round, instrument).say);
    }
    return {
      round,
      instrument,
      events,
      said,
      peg: instrument.courses[order[0]! - 1]!.strings[0]!.peg,
    };
  }

  it('asks for two small turns to loosen and one back, a pluck after each', () => {
    // 44 cents for an eighth of a turn; 4 cents’ worth of play on the first and on the way back.
    const { said, events, peg, round, instrument } = after([6, 5], 82, [0, -40, -84, -44]);
    expect(said.slice(0, 4)).to.deep.equal([
      'Pluck string 6.',
      'Turn its button an eighth of a turn towards you, then pluck.',
      'Down 40 cents, as thought. Once more an eighth of a turn towards you, then pluck.',
      'Now back: an eighth of a turn away from you, then pluck.',
    ]);
    expect(said[4]).to.match(/^String 6: \d+ cents a turn, within 1\d %, play \d+°\.$/);
    expect(words(round, instrument).more).to.equal('Now pluck string 5.');
    expect(events).to.have.length(3);
    expect(events[0]).to.include({ type: 'peg test', course: 6, turns: -1 / 8 });
    expect(events[2]).to.include({ turns: 1 / 8 });
    expect(peg).to.include({ tighten: 'away from you', known: 'tested' });
    expect(peg.measured!.play!.turns).to.be.within(0.002, 0.03);
  });

  it('says at once that it went up, turns the direction round, and goes on with it', () => {
    const { said, peg, round } = after([6, 5], 82, [0, 40]);
    expect(said[2]).to.equal('It went up 40 cents: turn it back. String 6 tightens towards you.');
    expect(peg.tighten).to.equal('towards you');
    expect(round.toCome).to.deep.equal([6, 5]);
    // Tried as it was found to work, it is known.
    const again = after([6, 5], 82, [0, 40, 0, -40, -80, -40]);
    expect(again.said[5]).to.equal('Now back: an eighth of a turn towards you, then pluck.');
    expect(again.round.toCome).to.deep.equal([5]);
    expect(again.peg.measured!.turns).to.equal(4);
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
      'Turn its button 5° on the button counter-clockwise, then pluck.',
    );
    const banjo = findModel('banjo-five')!.build('b', 'B');
    const { round: planetary } = pegTestAfter(startPegTest([1]), 294, banjo);
    expect(words(planetary, banjo).say).to.equal(
      'Turn its button a sixteenth of a turn clockwise, then pluck.',
    );
  });
});
