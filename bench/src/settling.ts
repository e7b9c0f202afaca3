import { between, normal, type Random, seededRandom } from '@rosefinch/core/maths';
import {
  historyOf,
  type Look,
  outlookNow,
  type SettlingGoal,
  type SettlingReport,
  type StringSettling,
  settlingReport,
  stepsOf,
  watchedHold,
  weakest,
} from '@rosefinch/core/settling';
import {
  CREEP_KINDS,
  CREEP_WORLDS,
  CreepingInstrument,
  type CreepKind,
  type CreepWorld,
  isNylon,
  stringsOf,
} from './foreign/creeping.ts';
import { quantile } from './print.ts';

const MINUTE = 60;
const HOUR = 3600;
const LESSON = 45 * MINUTE;
const DAY = 24 * HOUR;
/** Hold times are compared within a working day. */
const CUT = 8 * HOUR;
/** What strings are tuned to. */
const TUNED = 2;

/** When the strings are looked at, in seconds after the last pluck of the rounds. */
const LOOKS = [
  ['first verdict', 0],
  ['5 min', 5 * MINUTE],
  ['11 min', 11 * MINUTE],
  ['22 min', 22 * MINUTE],
  ['a night', 10 * HOUR],
] as const;
type LookName = (typeof LOOKS)[number][0];

/** One string at one look: what is said, and what is true. */
interface Said {
  readonly string: StringSettling;
  /** Seconds until it truly leaves the tolerance, as it stands and once brought up. */
  readonly stands: number;
  readonly lifted: number;
  /** Once brought up, after one more pull and after waiting as long. */
  readonly pulled: number;
  readonly waited: number;
  /** Length of the watch that ends with this look. */
  readonly watch: number;
  /** What holds by the watch alone, once brought up. */
  readonly bound: number;
  /** The rule of practice says that it is settled: its last round dropped less than the tolerance. */
  readonly byRule: boolean;
}

interface Seen {
  readonly name: LookName;
  /** Everything until then, with the error of its readings. */
  readonly deeds: readonly Deed[];
  readonly error: number;
  readonly strings: readonly Said[];
  readonly report: SettlingReport;
}

interface Case {
  readonly world: CreepWorld;
  readonly kind: CreepKind;
  readonly rounds: number;
  readonly goal: SettlingGoal;
  readonly slipping?: number;
}

/** What was done and heard, for one who replays it on other strings. */
export type Deed =
  | { readonly do: 'wait'; readonly seconds: number }
  | { readonly do: 'pull'; readonly course: number }
  | { readonly do: 'lift'; readonly course: number; readonly to: number }
  | { readonly do: 'read'; readonly course: number; readonly cents: number };

/** What hands do with an instrument of new strings; the ear hears it as the app does. */
class Hands {
  readonly deeds: Deed[] = [];
  readonly instrument: CreepingInstrument;
  private readonly random: Random;
  private readonly looks: Look[] = [];
  readonly error: number;
  readonly strings: readonly number[];

  constructor(
    seed: number,
    private readonly of: Case,
  ) {
    this.instrument = new CreepingInstrument(of.world, of.kind, seed, of.slipping ?? null);
    this.random = seededRandom(seed + 77);
    this.error = seed % 2 === 0 ? 0.25 : 0.5;
    this.strings = Array.from({ length: stringsOf(of.kind) }, (_, i) => i + 1);
  }

  wait(low: number, high = low): void {
    const seconds = between(this.random, low, high);
    this.instrument.wait(seconds);
    this.deeds.push({ do: 'wait', seconds });
  }

  private lift(course: number, to: number): void {
    this.instrument.lift(course, to);
    this.deeds.push({ do: 'lift', course, to });
  }

  /** As it was fitted: tuned by ear. */
  tune(course: number): void {
    this.lift(course, 0.8);
  }

  pluck(course: number, asked: 'pull' | 'leave' = 'leave'): void {
    this.wait(4, 7);
    const cents = this.instrument.read(course, this.error);
    this.deeds.push({ do: 'read', course, cents });
    const at = Math.round(1000 * this.instrument.at);
    const hz = 200 * 2 ** ((cents + 400 * course) / 1200);
    this.looks.push({ at, course, cents, errorCents: this.error, hz, asked });
  }

  bringUp(course: number): void {
    this.wait(5, 9);
    this.lift(course, 0.8 * normal(this.random));
    this.pluck(course);
  }

  round(course: number): void {
    this.wait(4, 7);
    this.instrument.pull(course);
    this.deeds.push({ do: 'pull', course });
    this.pluck(course, 'pull');
    this.bringUp(course);
  }

  look(): void {
    for (const course of this.strings) this.pluck(course);
  }

  get plucks(): number {
    return this.looks.length;
  }

  report(): SettlingReport {
    // Asked why it fell, the hands say that nobody touched it.
    const asked = [...stepsOf(this.looks, [], TUNED).values()].flat();
    const said = asked.flatMap(({ course, at, doubt }) =>
      doubt ? [{ course, of: at, step: 'waited' as const }] : [],
    );
    const taken = stepsOf(this.looks, said, TUNED);
    const material = isNylon(this.of.kind) ? 'nylon' : 'steel';
    return settlingReport({
      strings: this.strings.map((c) => historyOf(c, 0, taken.get(c) ?? [], material)),
      goal: this.of.goal,
      zone: 'UTC',
      lessonAt: null,
    });
  }
}

/** Tuned, pulled in rounds, and plucked as they stand. */
function settled(seed: number, of: Case): Hands {
  const hands = new Hands(seed, of);
  const { strings } = hands;
  for (const course of strings) {
    hands.tune(course);
    hands.pluck(course);
    hands.round(course);
  }
  for (let round = 1; round < of.rounds; round++) for (const course of strings) hands.round(course);
  hands.look();
  return hands;
}

/** Rounds, then looks while nobody touches the strings. */
export function sat(seed: number, of: Case): Sat {
  const hands = settled(seed, of);
  const { instrument, plucks } = hands;
  const minutes = instrument.at / MINUTE;
  const from = instrument.at;
  const seen = LOOKS.map(([name, after], i): Seen => {
    if (i > 0) {
      hands.wait(Math.max(0, from + after - instrument.at));
      hands.look();
    }
    return lookAt(name, hands, seed * 10 + i, of);
  });
  return { seen, plucks, minutes };
}

function lookAt(name: LookName, hands: Hands, seed: number, { goal }: Case): Seen {
  const report = hands.report();
  const { instrument, strings } = hands;
  const random = seededRandom(seed);
  const future = (change: (copy: CreepingInstrument) => void) => {
    const copy = instrument.copy(seed);
    change(copy);
    return copy.holds(goal.tolerance, DAY);
  };
  const bring = (copy: CreepingInstrument) => {
    for (let k = 0; k < 2; k++)
      for (const course of strings) copy.lift(course, 0.8 * normal(random));
  };
  const stands = future(() => {});
  const lifted = future(bring);
  const waited = future((copy) => {
    copy.wait(MINUTE);
    bring(copy);
  });
  const pulled = future((copy) => {
    for (const course of strings) copy.pull(course);
    copy.wait(MINUTE);
    bring(copy);
  });
  return {
    name,
    deeds: [...hands.deeds],
    error: hands.error,
    report,
    strings: report.strings.map((string, i): Said => {
      const { rounds, events, material } = string.history;
      const last = rounds.at(-1);
      return {
        string,
        stands: stands[i]!,
        lifted: lifted[i]!,
        pulled: pulled[i]!,
        waited: waited[i]!,
        watch: string.watch?.seconds ?? 0,
        bound: watchedHold(events, material, goal.tolerance)?.hold ?? 0,
        byRule: last !== undefined && (last.found ?? 0) - last.dropped < goal.tolerance,
      };
    }),
  };
}

const count = <T>(list: readonly T[], is: (item: T) => boolean) => list.filter(is).length;
const share = (part: number, of: number) =>
  of === 0 ? '–' : `${((100 * part) / of).toFixed(part * 20 < of ? 1 : 0)}/${of}`;

/** Median of what was promised against what was true. */
function ratio(
  list: readonly Said[],
  promise: (said: Said) => number,
  truth: (said: Said) => number,
): string {
  return quantile(
    list.map((said) => Math.min(DAY, promise(said)) / Math.max(1, truth(said))),
    0.5,
    2,
  );
}

const cut = (seconds: number) => Math.min(CUT, seconds);
const saysYes = ({ holds }: StringSettling) => holds;

/** Every figure of the strings that were seen at one look: shares in percent with what they are of. */
const FIGURES: Readonly<Record<string, (all: readonly Said[], seen: readonly Seen[]) => string>> = {
  'no promise': (all) =>
    share(
      count(all, ({ string }) => outlookNow(string).promise < 1),
      all.length,
    ),
  'broken, stands': (all) => {
    const list = all.filter(({ string }) => string.stands);
    return share(
      count(list, ({ string, stands }) => stands < string.stands!.promise),
      list.length,
    );
  },
  'broken, lifted': (all) =>
    share(
      count(all, ({ string, lifted }) => lifted < string.lifted.promise),
      all.length,
    ),
  'headline broken': (_, seen) => share(count(seen, isBroken), seen.length),
  'promise ÷ hold, stands': (all) =>
    ratio(
      all.filter(({ string }) => string.stands),
      ({ string }) => string.stands!.promise,
      ({ stands }) => stands,
    ),
  lifted: (all) =>
    ratio(
      all,
      ({ string }) => string.lifted.promise,
      ({ lifted }) => lifted,
    ),
  'watch alone': (all) =>
    ratio(
      all,
      ({ bound }) => bound,
      ({ lifted }) => lifted,
    ),
  'its broken': (all) =>
    share(
      count(all, ({ bound, lifted }) => lifted < bound),
      all.length,
    ),
  '≥ 2 watches of 5': (all) => {
    const list = all.filter(({ watch, lifted }) => watch > 0 && lifted > 5 * watch);
    return share(
      count(list, ({ string, watch }) => string.lifted.promise >= 2 * watch),
      list.length,
    );
  },
  'yes of holding': (all) => {
    const list = all.filter(({ lifted }) => lifted >= LESSON);
    return share(
      count(list, ({ string }) => saysYes(string)),
      list.length,
    );
  },
  'yes wrong': (all) => {
    const list = all.filter(({ string }) => saysYes(string));
    return share(
      count(list, ({ lifted }) => lifted < LESSON),
      list.length,
    );
  },
  'rule of practice wrong': (all) => {
    const list = all.filter(({ byRule }) => byRule);
    return share(
      count(list, ({ lifted }) => lifted < LESSON),
      list.length,
    );
  },
  '80 % holds': (all) => {
    const inside = ({
      string: {
        lifted: { hold },
      },
      lifted,
    }: Said) => cut(lifted) >= cut(hold.low) && cut(lifted) <= cut(hold.high);
    return share(count(all, inside), all.length);
  },
  width: (all) =>
    quantile(
      all.map(
        ({
          string: {
            lifted: { hold },
          },
        }) => cut(hold.high) / Math.max(1, cut(hold.low)),
      ),
      0.5,
      1,
    ),
  'pulls needless': (all) => {
    const list = all.filter(({ string }) => string.pull.worth);
    return share(
      count(list, ({ lifted }) => lifted >= LESSON),
      list.length,
    );
  },
  'needed, not advised': (all) => {
    const list = all.filter(
      ({ lifted, pulled, waited }) => lifted < LESSON && pulled > WORTH * waited,
    );
    return share(
      count(list, ({ string }) => !string.pull.worth),
      list.length,
    );
  },
  accused: (all) =>
    share(
      count(all, ({ string }) => string.slips.named),
      all.length,
    ),
};

function isBroken({ report, strings }: Seen): boolean {
  const worst = weakest(report.strings);
  if (!worst) return false;
  const { promise } = outlookNow(worst);
  return strings.some(({ string, stands, lifted }) => (string.stands ? stands : lifted) < promise);
}

/** A pull that brings so much more hold time than waiting was needed. */
const WORTH = 1.3;

interface Sat {
  readonly seen: readonly Seen[];
  readonly plucks: number;
  readonly minutes: number;
}

/** Promise, forecast and advice against worlds that the judge does not contain. */
export function settlingFigures(
  from: number,
  n: number,
  {
    slipping = Math.ceil(n / 4),
    worlds = CREEP_WORLDS as readonly CreepWorld[],
    kinds = CREEP_KINDS as readonly CreepKind[],
    sets = [
      [5, 1],
      [5, 4],
      [2, 1],
    ] as readonly (readonly [number, number])[],
  } = {},
): void {
  for (const [tolerance, rounds] of sets) {
    const goal = { tolerance, lesson: LESSON };
    console.log(
      `\nSettling, seeds ${from}–${from + n - 1}, tolerance ${tolerance} cents, a lesson of 45 min, ${rounds} round${rounds > 1 ? 's' : ''}`,
    );
    console.log(['', ...Object.keys(FIGURES)].join(' | '));
    for (const nylon of [true, false]) {
      const pooled: Sat[] = [];
      for (const world of worlds)
        for (const kind of kinds.filter((one) => isNylon(one) === nylon)) {
          const all = Array.from({ length: n }, (_, i) =>
            sat(from + i, { world, kind, rounds, goal }),
          );
          const minutes = quantile(
            all.map((one) => one.minutes),
            0.5,
            1,
          );
          printRows(`${world}, ${kind}, ${all[0]!.plucks} plucks, ${minutes} min`, all);
          pooled.push(...all);
        }
      if (pooled.length > 0) printRows(nylon ? 'ALL NYLON' : 'ALL STEEL', pooled);
    }
  }
  console.log(`\nSettling, string 2 slips, seeds ${from}–${from + slipping - 1}`);
  slippingFigures(from, slipping, kinds);
  console.log(`\nSettling, the watch that is named, seeds ${from}–${from + n - 1}`);
  watchFigures(from, n, kinds);
}

/** "Leave them 12 minutes, then one pluck each": how often that is said, and how many strings that pluck makes sure. */
function watchFigures(from: number, n: number, kinds: readonly CreepKind[]): void {
  const goal = { tolerance: 5, lesson: LESSON };
  for (const world of CREEP_WORLDS)
    for (const kind of kinds) {
      let [said, strings, sure] = [0, 0, 0];
      for (let i = 0; i < n; i++) {
        const hands = settled(from + i, { world, kind, rounds: 1, goal });
        const waiting = hands.report().strings.filter(({ holds }) => !holds);
        const after = waiting.flatMap(({ sureAfter }) => sureAfter ?? []);
        if (after.length === 0 || after.length < waiting.length) continue;
        said++;
        hands.wait(Math.max(...after));
        hands.look();
        const courses = waiting.map(({ history }) => history.course);
        const then = hands
          .report()
          .strings.filter(({ history }) => courses.includes(history.course));
        strings += then.length;
        sure += count(then, ({ holds }) => holds);
      }
      console.log(
        `${world}, ${kind}: a watch is named for ${said} of ${n}, it makes sure ${share(sure, strings)} strings`,
      );
    }
}

/** Instruments of which one string slips: how often it is named, and another one accused. */
function slippingFigures(from: number, n: number, kinds: readonly CreepKind[]): void {
  const goal = { tolerance: 5, lesson: LESSON };
  for (const world of CREEP_WORLDS)
    for (const kind of kinds) {
      const all = Array.from({ length: n }, (_, i) =>
        sat(from + i, { world, kind, rounds: 1, goal, slipping: 2 }),
      );
      const named = LOOKS.map(([look]) => {
        const seen = all.flatMap((one) => one.seen.filter((s) => s.name === look));
        const strings = seen.flatMap((s) => s.strings.map(({ string }) => string));
        const its = strings.filter(({ history }) => history.course === 2);
        const others = strings.filter(({ history }) => history.course !== 2);
        const accused = (list: readonly StringSettling[]) =>
          share(
            count(list, ({ slips }) => slips.named),
            list.length,
          );
        const broken = seen.filter(isBroken).length;
        return `${look}: named ${accused(its)}, others ${accused(others)}, headline broken ${share(broken, seen.length)}`;
      });
      console.log(`${world}, ${kind}, string 2 slips: ${named.join('; ')}`);
    }
}

function printRows(name: string, all: readonly Sat[]): void {
  for (const [look] of LOOKS) {
    const seen = all.flatMap((one) => one.seen.filter((s) => s.name === look));
    const strings = seen.flatMap((s) => s.strings);
    const cells = Object.values(FIGURES).map((figure) => figure(strings, seen));
    console.log([`${name}: ${look}`, ...cells].join(' | '));
  }
}
