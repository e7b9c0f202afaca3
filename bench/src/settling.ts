import { between, normal, type Random, seededRandom } from '@rosefinch/core/maths';
import { findTuning, targetsOf } from '@rosefinch/core/music';
import { type NewString, PracticeInstrument } from '@rosefinch/core/practice';
import {
  type Creep,
  historyOf,
  type Look,
  ROOM_DECIDES,
  type SettlingGoal,
  type StringSettling,
  settlingReport,
  stepsOf,
  withNeck,
} from '@rosefinch/core/settling';
import { expectedCoupling, findModel } from '@rosefinch/core/strings';
import { quantile } from './print.ts';

const GOAL: SettlingGoal = { tolerance: 5, lesson: 45 * 60 };
const FORTNIGHT = 14 * 86_400;
const COURSES = [4, 3, 2, 1] as const;

/** What the hands, the room and the strings do in one set of figures. */
interface Setting {
  readonly name: string;
  readonly noise: number;
  readonly rounds: number;
  /** Looks after the rounds, a quarter of an hour apart. */
  readonly later: number;
  readonly coupling: number;
  readonly swing: number;
  readonly law: 'as fitted' | 'two exponentials' | 'slipping';
}

/** A string as it was read, and as it truly was. */
interface Outcome {
  readonly string: StringSettling;
  readonly law: Creep['law'] | null;
  /** Seconds until it truly left the tolerance, all strings brought to their notes. */
  readonly hold: number;
  readonly odd: boolean;
  /** Steps that were told wrongly from the readings, and all steps. */
  readonly wrongSteps: number;
  readonly steps: number;
}

/** Laws of a string, wider than the practice shelf's own. */
function lawsOf(random: Random, law: Setting['law']): Creep[] {
  const jump = Math.exp(between(random, Math.log(500), Math.log(3000)));
  const scale = Math.exp(between(random, Math.log(60), Math.log(900)));
  const size = between(random, 10, 50);
  const slow = Math.exp(between(random, Math.log(1800), Math.log(9000)));
  if (law === 'two exponentials')
    return [
      { law: 'exponential', size, scale: 2 * scale, jump },
      { law: 'exponential', size: between(random, 20, 80), scale: 3 * slow, jump },
    ];
  if (random() < 0.5) return [{ law: 'logarithm', size, scale, jump }];
  return [{ law: 'exponential', size: between(random, 60, 200), scale: slow, jump }];
}

/** A ukulele with four new strings, settled by hand: read, pulled, read, brought up and read until two plucks agree. */
function settled(seed: number, set: Setting): Outcome[] {
  const random = seededRandom(seed * 911);
  const laws = COURSES.map(() => lawsOf(random, set.law)).reverse();
  const instrument = findModel('ukulele-concert')!.build('u', 'U');
  const targets = targetsOf(findTuning(instrument.tuningId)!, 440);
  const practice = new PracticeInstrument({
    instrument,
    targets: targets.map(({ hz }) => hz),
    detune: [-20, -20, -20, -20],
    seed,
    sampleRate: 8000,
    coupling: set.coupling,
    creep: laws.map((creep): NewString => ({ creep, age: 30 })),
    roomSwing: set.swing,
  });
  const looks: Look[] = [];
  const truth = new Map<string, string>();
  let at = 30_000;
  const wait = (seconds: number) => {
    practice.elapse(seconds);
    at += Math.round(1000 * seconds);
  };
  const read = (course: number, step: string) => {
    const cents = practice.deviation(course) + set.noise * normal(random);
    const hz = targets[course - 1]!.hz * 2 ** (cents / 1200);
    looks.push({ at, course, cents, errorCents: set.noise, hz });
    truth.set(`${course} ${at}`, step);
    wait(2);
  };
  const lift = (course: number) => {
    bring(practice, course, between(random, -1.2, 1.2));
    wait(between(random, 6, 12));
    read(course, 'brought up');
    read(course, 'again');
  };
  for (const course of COURSES) {
    read(course, 'first');
    lift(course);
  }
  for (let round = 0; round < set.rounds; round++) {
    wait(between(random, 50, 110));
    for (const course of COURSES) {
      wait(between(random, 2, 8));
      read(course, 'waited');
      practice.stretch(course);
      // A winding that slips gives by as much every time.
      if (set.law === 'slipping' && course === 2) bring(practice, 2, practice.deviation(2) - 15);
      wait(between(random, 4, 8));
      read(course, 'stretched');
      lift(course);
    }
  }
  for (let look = 0; look < set.later; look++) {
    wait(900);
    for (const course of COURSES) read(course, 'waited');
  }
  return judge(practice, looks, truth, at, set, laws);
}

/** Turns a peg until its string stands where it is wanted. */
function bring(practice: PracticeInstrument, course: number, cents: number): void {
  for (let k = 0; k < 4; k++) {
    const before = practice.deviation(course);
    practice.turn(course, 1e-4);
    const slope = (practice.deviation(course) - before) / 1e-4;
    practice.turn(course, (cents - before) / slope - 1e-4);
  }
}

function judge(
  practice: PracticeInstrument,
  looks: readonly Look[],
  truth: ReadonlyMap<string, string>,
  now: number,
  set: Setting,
  laws: readonly (readonly Creep[])[],
): Outcome[] {
  const matrix = expectedCoupling({ tensions: [1, 1, 1, 1], bridge: 'fixed' }).matrix;
  const taken = withNeck(stepsOf(looks, [], 2), set.coupling > 0 ? matrix : []);
  const { strings, odd } = settlingReport({
    strings: COURSES.map((course) => historyOf(course, 0, taken.get(course) ?? [])),
    now,
    goal: GOAL,
    zone: 'UTC',
    neck: set.coupling > 0 ? matrix : [],
  });
  const oddOnes = odd.map(({ course }) => course);
  const holds = trueHolds(practice);
  return strings.map((string) => {
    const { course, taken: own } = string.history;
    // Reading again or a moment later is told apart by nobody.
    const told = (step: string) => (step === 'again' ? 'waited' : step);
    const wrong = own.filter((t) => told(t.step) !== told(truth.get(`${course} ${t.at}`) ?? ''));
    const [law, more] = laws[course - 1]!;
    return {
      string,
      law: more ? null : law!.law,
      hold: holds.get(course)!,
      odd: oddOnes.includes(course),
      wrongSteps: wrong.length,
      steps: own.length,
    };
  });
}

/** All strings brought to their notes and left alone: when each leaves the tolerance. */
function trueHolds(practice: PracticeInstrument): Map<number, number> {
  for (let round = 0; round < 6; round++) for (const course of COURSES) bring(practice, course, 0);
  const holds = new Map<number, number>(COURSES.map((course) => [course, FORTNIGHT]));
  const open = new Set<number>(COURSES);
  for (let time = 0; time < FORTNIGHT && open.size > 0; ) {
    const step = Math.max(1, time * 0.01);
    practice.elapse(step);
    time += step;
    for (const course of open)
      if (Math.abs(practice.deviation(course)) > GOAL.tolerance) {
        holds.set(course, time);
        open.delete(course);
      }
  }
  return holds;
}

const PLAIN: Setting = {
  name: 'as fitted',
  noise: 0.25,
  rounds: 6,
  later: 0,
  coupling: 0,
  swing: 0,
  law: 'as fitted',
};

const SETTINGS: readonly Setting[] = [
  PLAIN,
  { ...PLAIN, name: 'readings of 0.5 cent', noise: 0.5 },
  { ...PLAIN, name: 'an hour later', later: 4 },
  { ...PLAIN, name: 'with a neck and a room', coupling: 0.04, swing: 2 },
  { ...PLAIN, name: 'two exponentials', law: 'two exponentials' },
  { ...PLAIN, name: 'string 2 slips', law: 'slipping' },
  { ...PLAIN, name: 'a room that swings by 6 cents', swing: 6 },
];

/** Hold times, verdicts and steps against the truth of the practice instrument. */
export function settlingFigures(instruments: number): void {
  console.log(
    `\nSettling, ${instruments} seeded ukuleles of four new strings (seeds 1–${instruments}): six rounds in the first twenty minutes, pulls scatter by 10 %, tolerance ${GOAL.tolerance} cents, a lesson of 45 minutes`,
  );
  for (const set of SETTINGS) {
    const all: Outcome[] = [];
    for (let seed = 1; seed <= instruments; seed++) all.push(...settled(seed, set));
    console.log(
      `  ${set.name}: ${figuresOf(set.law === 'slipping' ? all.filter(isSlipping) : all)}`,
    );
  }
  roundFigures(instruments);
}

const isSooner = ({ string }: Outcome) => string.holdFromNote!.expected <= ROOM_DECIDES;
const isSlipping = ({ string }: Outcome) => string.history.course === 2;

function figuresOf(all: readonly Outcome[]): string {
  const per = (count: number, of: number) => `${((100 * count) / of).toFixed(1)} %`;
  const silent = all.filter(({ string }) => string.verdict.kind === 'cannot tell');
  const told = all.filter(({ string }) => string.holdFromNote);
  const decided = told.filter(
    ({ string: { settling } }) => settling.kind === 'fitted' && settling.decided,
  );
  const right = decided.filter(
    ({ law, string: { settling } }) =>
      settling.kind === 'fitted' && settling.fits[0].creep.law === law,
  );
  const ratios = decided
    .filter(isSooner)
    .map(({ hold, string }) => Math.exp(Math.abs(Math.log(string.holdFromNote!.expected / hold))));
  const sooner = told.filter(isSooner);
  const covered = sooner.filter(
    ({ hold, string: { holdFromNote: h } }) => hold >= h!.low && hold <= h!.high,
  );
  const open = told.filter((outcome) => !decided.includes(outcome));
  const unsafe = (list: readonly Outcome[]) =>
    list.filter(({ hold, string }) => string.verdict.kind === 'holds' && hold < GOAL.lesson).length;
  const wrong = all.reduce((sum, { wrongSteps }) => sum + wrongSteps, 0);
  const steps = all.reduce((sum, outcome) => sum + outcome.steps, 0);
  return [
    `cannot tell ${silent.length} of ${all.length}`,
    `called odd ${all.filter(({ odd }) => odd).length}`,
    `decided ${per(decided.length, told.length)}, rightly ${per(right.length, decided.length)}`,
    `hold time when decided within a factor ${quantile(ratios, 0.5, 2)} / ${quantile(ratios, 0.9, 2)}`,
    `“if the room stays” ${told.length - sooner.length}, else the 80 % interval holds ${per(covered.length, sooner.length)}`,
    `unsafe yes: decided ${unsafe(decided)} of ${decided.length}, undecided ${unsafe(open)} of ${open.length}`,
    `steps told wrongly ${wrong} of ${steps}`,
  ].join('; ');
}

/** Rounds left, said after the third round and every one since until it holds, against how many were really needed. */
function roundFigures(instruments: number): void {
  const MOST = 6;
  let exact = 0;
  let near = 0;
  let n = 0;
  let silent = 0;
  for (let seed = 1; seed <= instruments; seed++) {
    // When each string first holds a lesson, by doing the rounds.
    const after = Array.from({ length: MOST - 2 }, (_, i) =>
      settled(seed, { ...PLAIN, rounds: i + 3 }),
    );
    COURSES.forEach((_, k) => {
      const holdsAt = after.findIndex((list) => list[k]!.hold >= GOAL.lesson);
      for (let i = 0; i < holdsAt; i++) {
        const { verdict } = after[i]![k]!.string;
        const said =
          verdict.kind === 'rounds' ? verdict.rounds.expected : verdict.kind === 'holds' ? 0 : null;
        if (verdict.kind === 'cannot tell') {
          silent++;
          continue;
        }
        n++;
        if (said === holdsAt - i) exact++;
        if (said !== null && Math.abs(said - (holdsAt - i)) <= 1) near++;
      }
    });
  }
  console.log(
    `  rounds left, from the third round on, strings that hold after at most ${MOST}: exact in ${((100 * exact) / n).toFixed(0)} %, within one in ${((100 * near) / n).toFixed(0)} % of ${n}; “cannot tell” ${silent} more`,
  );
}
