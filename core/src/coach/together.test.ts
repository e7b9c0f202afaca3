import { expect } from 'chai';
import { type Message, message } from '../message.ts';
import { plainFigures } from '../messageFixture.ts';
import { findTuning, shiftHz, targetsOf } from '../music/index.ts';
import { faultInWords } from '../sentences/index.ts';
import { benchAfter, startBench } from '../sitting/index.ts';
import { expectedCoupling } from '../strings/index.ts';
import { faultOf, type HeardPluck } from './index.ts';

const TARGETS = targetsOf(findTuning('guitar-standard')!, 440);

/** What is said once every string was plucked once, each so far off. */
function afterAll(cents: (course: number) => number) {
  let state = startBench({ order: [6, 5, 4, 3, 2, 1], tolerance: 2 });
  const heard = [6, 5, 4, 3, 2, 1].map((course): HeardPluck => {
    const off = cents(course);
    const hz = shiftHz(TARGETS[course - 1]!.hz, off);
    const reading = { course, cents: off, errorCents: 0.3, moving: false, hz };
    state = benchAfter(state, { type: 'reading', reading });
    return {
      reading,
      refusal: null,
      chosen: null,
      ringing: null,
      levelDbfs: -24,
      clipped: false,
    };
  });
  const fault = faultOf(heard, {
    state,
    strings: TARGETS.map((target) => ({ target, tighten: 'awayFromYou' as const })),
    coupling: expectedCoupling({ tensions: [72, 69, 74, 82, 86, 78], bridge: 'fixed' }),
    a4: 440,
    retuning: false,
  });
  return fault?.rule === 'in tune with itself' ? faultInWords(fault) : null;
}

/** Not the same on every string, as it is found. */
const scatter = (course: number) => [1.5, -2, 0.5, 2, -1, -1][course - 1]!;

// Common practice, no source: all strings off alike is no instrument that is out of tune.
describe('all strings off together', () => {
  const CASES: readonly (readonly [number, Message | null])[] = [
    [100, message('advice.capoOn', { semitones: 1 })],
    [300, message('advice.capoOn', { semitones: 3 })],
    [-100, message('advice.keptLower', { semitones: 1 })],
    [-200, message('advice.keptLower', { semitones: 2 })],
    // A4 = 432: 1200 log2(432/440) = −31.8.
    [-31.8, message('advice.withItself', { side: 'low', cents: 31.8 })],
    [-5, null],
  ];
  for (const [cents, say] of CASES)
    it(`${cents} cents: ${say?.id ?? 'nothing'}`, () => {
      const said = afterAll((course) => cents + scatter(course));
      if (say === null) expect(said).to.equal(null);
      else expect(plainFigures(said?.say ?? null)).to.deep.equal(say);
    });

  it('a set at A4 = 432 is known with up to 8 cents of scatter too', () => {
    expect(
      plainFigures(afterAll((course) => -31.8 + 3.9 * scatter(course))?.more ?? null),
    ).to.deep.equal(message('advice.withItself.more', { ownA4: 431.991679, a4: 440 }));
  });

  it('strings that are off each by itself are not', () => {
    expect(afterAll((course) => [-31, -12, -38, 11, -9.5, -23][course - 1]!)).to.equal(null);
  });
});
