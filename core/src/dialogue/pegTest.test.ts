import { expect } from 'chai';
import { message, type Text } from '../message.ts';
import { plainFigures } from '../messageFixture.ts';
import { pegTestInWords } from '../sentences/index.ts';
import { findModel, type Instrument, steelGuitar, withPeg } from '../strings/index.ts';
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
    const said: Text[] = [plainFigures(words(round, instrument).say)];
    for (const one of cents) {
      const course = round.toCome[0]!;
      const step = pegTestAfter(round, down(hz, -one), instrument);
      round = step.round;
      if (step.peg) instrument = withPeg(instrument, course, step.peg);
      if (step.event) events.push(step.event);
      said.push(plainFigures(words(round, instrument).say));
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
      message('advice.pegPluck', { string: 6 }),
      message('advice.pegTurn', {
        turn: message('common.turn', {
          about: 'exactly',
          size: message('common.turnEighths', { eighths: 1 }),
        }),
        way: message('common.direction', { way: 'towards' }),
      }),
      [
        message('advice.pegAsThought', { cents: 40 }),
        message('advice.pegTurnAgain', {
          turn: message('common.turn', {
            about: 'exactly',
            size: message('common.turnEighths', { eighths: 1 }),
          }),
          way: message('common.direction', { way: 'towards' }),
        }),
      ],
      message('advice.pegTurnBack', {
        turn: message('common.turn', {
          about: 'exactly',
          size: message('common.turnEighths', { eighths: 1 }),
        }),
        way: message('common.direction', { way: 'away' }),
      }),
    ]);
    expect(said[4]).to.deep.equal(
      message('advice.pegMeasured', { string: 6, cents: 350, percent: 12.41158, degrees: 4 }),
    );
    expect(words(round, instrument).more).to.deep.equal(
      message('advice.pegPluckNext', { string: 5 }),
    );
    expect(events).to.have.length(3);
    expect(events[0]).to.include({ type: 'peg test', course: 6, turns: -1 / 8 });
    expect(events[2]).to.include({ turns: 1 / 8 });
    expect(peg).to.include({ tighten: 'awayFromYou', known: 'tested' });
    expect(peg.measured!.play!.turns).to.be.within(0.002, 0.03);
  });

  it('says at once that it went up, turns the direction round, and goes on with it', () => {
    const { said, peg, round } = after([6, 5], 82, [0, 40]);
    expect(said[2]).to.deep.equal(
      message('advice.pegOtherWay', {
        cents: 40,
        string: 6,
        way: message('common.direction', { way: 'towards' }),
      }),
    );
    expect(peg.tighten).to.equal('towardsYou');
    expect(round.toCome).to.deep.equal([6, 5]);
    // Tried as it was found to work, it is known.
    const again = after([6, 5], 82, [0, 40, 0, -40, -80, -40]);
    expect(again.said[5]).to.deep.equal(
      message('advice.pegTurnBack', {
        turn: message('common.turn', {
          about: 'exactly',
          size: message('common.turnEighths', { eighths: 1 }),
        }),
        way: message('common.direction', { way: 'towards' }),
      }),
    );
    expect(again.round.toCome).to.deep.equal([5]);
    expect(again.peg.measured!.turns).to.equal(4);
  });

  it('does not take a string for tried that did not move', () => {
    const { round } = pegTestAfter(startPegTest([6, 5]), 82, GUITAR);
    const { round: same, peg } = pegTestAfter(round, down(82, 0.5), GUITAR);
    expect(peg).to.equal(null);
    expect(same.toCome).to.deep.equal([6, 5]);
    expect(words(same, GUITAR).say).to.deep.equal(message('advice.pegDidNotMove'));
  });

  it('skips a peg, and ends', () => {
    const round = skipPeg(skipPeg(startPegTest([2, 1])));
    expect(words(round, GUITAR).more).to.deep.equal(message('advice.pegsKnown.more'));
    expect(pegTestAfter(round, 100, GUITAR).event).to.equal(null);
  });

  it('sizes its turn to the peg and speaks of it as one faces it', () => {
    const ukulele = findModel('ukulele-tenor')!.build('u', 'U');
    const { round } = pegTestAfter(startPegTest([4]), 392, ukulele);
    expect(words(round, ukulele).say).to.deep.equal(
      message('advice.pegTurn', {
        turn: message('common.turnDegrees', { degrees: 5 }),
        way: message('common.direction', { way: 'counter' }),
      }),
    );
    const banjo = findModel('banjo-five')!.build('b', 'B');
    const { round: planetary } = pegTestAfter(startPegTest([1]), 294, banjo);
    expect(words(planetary, banjo).say).to.deep.equal(
      message('advice.pegTurn', {
        turn: message('common.turnSixteenth'),
        way: message('common.direction', { way: 'clockwise' }),
      }),
    );
  });
});
