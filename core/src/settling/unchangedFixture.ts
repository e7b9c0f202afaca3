import { digest } from '../maths/digestFixture.ts';
import { normal, seededRandom } from '../maths/index.ts';
import {
  type Creep,
  cautiousFit,
  creepAt,
  dropsAhead,
  historyOf,
  holdOf,
  type Look,
  roomMove,
  type SettlingEvent,
  settle,
  settlingReport,
  stepsOf,
} from './index.ts';

/** Early, so that the digits go to what happens and not to the year. */
const AT = Date.UTC(1970, 0, 5, 16);
const LAWS: readonly Creep[] = [
  { law: 'logarithm', size: 9, scale: 150, jump: 1500 },
  { law: 'exponential', size: 55, scale: 5000, jump: 900 },
  { law: 'logarithm', size: 22, scale: 300, jump: 2000 },
  { law: 'exponential', size: 12, scale: 1500, jump: 1200 },
];

/** Strings that are brought up, pulled and looked at, as the log keeps it. */
function looks(rounds: number, later: readonly number[], noise: number, strange = 0): Look[] {
  const random = seededRandom(rounds);
  const list: Look[] = [];
  let seconds = 60;
  const level = LAWS.map(() => 0);
  const pulled = LAWS.map(() => 0);
  const drop = (i: number) => creepAt(LAWS[i]!, seconds + pulled[i]!);
  const read = (i: number) => {
    const cents = level[i]! - drop(i) + noise * normal(random);
    const hz = 200 * 2 ** (i / 4 + cents / 1200);
    list.push({ course: i + 1, at: AT + 1000 * seconds, cents, errorCents: 0.25 + 0.05 * i, hz });
    seconds += 5;
  };
  const bringUp = (i: number) => {
    level[i] = drop(i) + normal(random);
    read(i);
    read(i);
  };
  LAWS.forEach((_, i) => {
    level[i] = drop(i) - 25;
    read(i);
    bringUp(i);
  });
  for (let round = 0; round < rounds; round++) {
    seconds += 90;
    LAWS.forEach((law, i) => {
      read(i);
      pulled[i]! += law.jump * (1 + 0.1 * normal(random));
      seconds += 15;
      read(i);
      bringUp(i);
    });
  }
  for (const after of later) {
    seconds += after;
    level[0]! += strange;
    LAWS.forEach((_, i) => {
      read(i);
    });
  }
  return list;
}

function report(list: readonly Look[], lessonIn: number | undefined, neck: number) {
  const taken = stepsOf(list, [], 5);
  const now = list.at(-1)!.at + 300_000;
  const strings = LAWS.map((_, i) => historyOf(i + 1, AT, taken.get(i + 1) ?? []));
  const { strings: told, ...rest } = settlingReport({
    strings,
    now,
    goal: { tolerance: 5, lesson: 2700 },
    zone: 'Europe/Vienna',
    ...(lessonIn !== undefined && { lessonAt: now + lessonIn * 1000 }),
    neck: LAWS.map((_, i) => LAWS.map((_, j) => (i === j ? 1 : -neck))),
  });
  return {
    ...rest,
    strings: told.map(({ history, settling, ...judged }) => ({
      ...judged,
      rounds: history.rounds,
      dropped: history.droppedSoFar,
      kind: settling.kind,
    })),
  };
}

/** Fits of events that were made by hand, with a reading that is far out. */
function fits() {
  return LAWS.map((law, i) => {
    const random = seededRandom(40 + i);
    const events: SettlingEvent[] = [{ kind: 'brought up', at: 20 }];
    let stretched = 0;
    let at = 30;
    const read = (off = 0) => {
      const cents = off - creepAt(law, at + stretched) + 0.3 * normal(random);
      events.push({ kind: 'reading', at, cents, errorCents: 0.3 });
    };
    for (let k = 0; k < 5 + i; k++) {
      read(k === 3 ? -6 : 0);
      at += 200 * (k + 1);
      read();
      events.push({ kind: 'stretch', at });
      stretched += law.jump;
      at += 15;
    }
    read();
    const settling = settle(events);
    if (settling.kind !== 'fitted') return { settling };
    const standing = { at, cents: -1, errorCents: 0.4 };
    return {
      settling,
      holds: [2, 5, 9].map((tolerance) => holdOf(settling, standing, tolerance)),
      ahead: dropsAhead(settling, at, [600, 3600, 86_400]),
      cautious: cautiousFit(settling, at, 5),
    };
  });
}

/** What settling says today of the same readings. */
export function figures(): Record<string, ReturnType<typeof digest>> {
  const steps = stepsOf(looks(2, [900, 5000], 0.3, -40), [], 5);
  const histories = (strange: number) => {
    const taken = stepsOf(looks(1, [900, 5000], 0.3, strange), [], 5);
    return LAWS.map((_, i) => historyOf(i + 1, AT, taken.get(i + 1) ?? []));
  };
  return {
    'one round': digest(report(looks(1, [], 0.25), undefined, 0)),
    'three rounds': digest(report(looks(3, [600], 0.25), 5 * 3600, 0.04)),
    'over night': digest(report(looks(2, [900, 50_000], 0.3), 20 * 3600, 0.04)),
    'somebody turned a peg': digest(report(looks(2, [900, 5000], 0.3, 6), undefined, 0.02)),
    steps: digest([...steps.values()]),
    fits: digest(fits()),
    room: digest([roomMove(histories(0), []), roomMove([], histories(3))]),
  };
}
