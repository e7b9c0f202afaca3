import { digest } from '../maths/digestFixture.ts';
import { normal, seededRandom } from '../maths/index.ts';
import { findTuning, shiftHz, targetsOf } from '../music/index.ts';
import {
  afterTurn,
  aimFor,
  centsPerTurn,
  expectedCoupling,
  expectedTurns,
  findModel,
  headroom,
  judgePegTurn,
  learnCoupling,
  MODELS,
  passesNeeded,
  pegAfterAdvice,
  type StringHeard,
  soundingLength,
  stringLoad,
  turnsFor,
} from './index.ts';

const TENSIONS = [72, 69, 74, 82, 86, 78];
const steps = [-400, -60, -9, 3, 25, 210];

/** Every string of every model: its load, its turns, how near it is to breaking. */
function models() {
  return Object.fromEntries(
    MODELS.map(({ id, build }) => {
      const instrument = build('i', 'I');
      const targets = targetsOf(findTuning(instrument.tuningId)!, 440);
      return [
        id,
        targets.map(({ course, hz }) => {
          const spec = instrument.courses[course - 1]!.strings[0]!.spec;
          return {
            load: stringLoad(instrument, course, hz),
            turns: steps.map((cents) => expectedTurns(instrument, course, hz, shiftHz(hz, cents))),
            room: headroom(spec, soundingLength(instrument, course), 1.1 * hz),
            perTurn: centsPerTurn(instrument, course, hz),
          };
        }),
      ];
    }),
  );
}

/** Turns that were made and what became of the pitch. */
function pegs() {
  const instrument = findModel('steel-guitar')!.build('g', 'G');
  const hz = 146.8;
  return [-80, -20, -2, 0.5, 6, 30, 120].map((moved) => {
    const turn = { turns: 1 / 60, beforeHz: hz, afterHz: shiftHz(hz, moved) };
    return {
      judged: judgePegTurn(instrument, 4, turn),
      after: pegAfterAdvice(instrument, 4, turn),
      for: turnsFor(instrument, 4, hz, shiftHz(hz, moved)),
    };
  });
}

/** Sessions on a neck that couples by so much, with readings that err. */
function heardOn(coupling: number, seed: number): StringHeard[] {
  const random = seededRandom(seed);
  const cents = TENSIONS.map(() => 25 * normal(random));
  const heard: StringHeard[] = [];
  for (let round = 0; round < 3; round++)
    for (let course = 6; course >= 1; course--) {
      const read = () =>
        heard.push({
          course,
          cents: cents[course - 1]! + 0.3 * normal(random),
          errorCents: 0.3,
        });
      read();
      const turn = -cents[course - 1]! + 2 * normal(random);
      cents.forEach((_, i) => {
        cents[i]! += i === course - 1 ? turn : -coupling * turn;
      });
      read();
    }
  return heard;
}

function couplings() {
  const prior = { tensions: TENSIONS, bridge: 'fixed' } as const;
  return [0.02, 0.05, 0.09].map((coupling, i) => {
    const learned = learnCoupling([heardOn(coupling, i), heardOn(coupling, 10 + i)], prior);
    const off = [-22, 9, -4, 31, 2, -15];
    return {
      learned,
      aim: aimFor(off, [3, 1, 5, 6, 2, 4], learned),
      after: afterTurn(off, 3, 4, learned),
      passes: [1, 2, 5].map((within) => passesNeeded(off, [6, 5, 4, 3, 2, 1], learned, within)),
    };
  });
}

/** What strings, pegs and necks come to today. */
export function figures(): Record<string, ReturnType<typeof digest>> {
  return {
    models: digest(Object.values(models())),
    pegs: digest(pegs()),
    couplings: digest(couplings()),
    expected: digest(
      (['fixed', 'loose', 'floating'] as const).map((bridge) =>
        expectedCoupling({ tensions: TENSIONS, bridge }),
      ),
    ),
  };
}
