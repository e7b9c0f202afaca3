import {
  afterPluck,
  attributionOf,
  type Setup,
  startBeliefs,
  type Turn,
} from '@rosefinch/core/attribution';
import { judge } from '@rosefinch/core/dialogue';
import type { Random } from '@rosefinch/core/maths';
import { centsBetween, findTuning, shiftHz, tuningsFor } from '@rosefinch/core/music';
import { correctionsOf, type Followed, pluckOf } from '@rosefinch/core/sitting';
import { setupFor } from '@rosefinch/core/state';
import { MODELS, soundingLength, stiffnessOf } from '@rosefinch/core/strings';
import type { Cents, Hz } from '@rosefinch/core/units';
import { firstSession } from './firstSession.ts';
import {
  HABITS,
  type HandString,
  type HeardNote,
  heardOf,
  neighbourNote,
  type Scene,
  STARTS,
  sceneOf,
  turnTowards,
} from './foreign/hands.ts';
import { percent } from './print.ts';

/** Further from its note a pluck counts as far. */
const FAR: Cents = 80;
/** Hands stop within this, and go on after so many plucks there. */
const RIGHT: Cents = 3;
const DONE = 2;
/** Nobody plucks a string more often before going on to the next. */
const MOST_PLUCKS = 9;
const TOLERANCE: Cents = 2;

/** What came of the plucks of some scenes. */
export interface HandTally {
  scenes: number;
  /** Far plucks: put to a wrong string, or the right one, at once and at the end of the scene. */
  far: number;
  wrong: number;
  right: number;
  endWrong: number;
  endRight: number;
  /** Plucks nearer to their notes. */
  near: number;
  nearWrong: number;
  nearRight: number;
  /** Plucks of a string that was chosen by hand, and those that were put to it. */
  chosen: number;
  believed: number;
  questions: number;
  notOffered: number;
  /** Notes of somebody else, and those that were put to a string. */
  others: number;
  othersTaken: number;
}

const NOTHING: HandTally = {
  ...{ scenes: 0, far: 0, wrong: 0, right: 0, endWrong: 0, endRight: 0 },
  ...{ near: 0, nearWrong: 0, nearRight: 0, chosen: 0, believed: 0 },
  ...{ questions: 0, notOffered: 0, others: 0, othersTaken: 0 },
};

/** A pluck as it was, and the string that it is put to. */
interface Put {
  readonly truth: HandString | null;
  readonly far: boolean;
  readonly hz: Hz;
  readonly firm: boolean;
  course: number | null;
}

/** The screen and what it knows, as far as it asks for strings: one after the other until each was right twice. */
class HandScreen {
  readonly puts: Put[] = [];
  private followed: Followed;
  private readonly rights = new Map<number, number>();
  private active: number | null = null;
  private questioned = false;
  /** What the screen says to turn now. */
  private told: Turn | null = null;
  readonly tally: HandTally = { ...NOTHING };

  constructor(readonly scene: Scene) {
    this.followed = { beliefs: startBeliefs(setupOf(scene)), plucks: [], own: [], leftOut: [] };
  }

  get asked(): number {
    const { order } = this.scene;
    if (this.active !== null && this.isOpen(this.active)) return this.active;
    const from = this.active === null ? -1 : order.indexOf(this.active);
    const after = [...order.slice(from + 1), ...order.slice(0, from + 1)];
    return after.find((course) => this.isOpen(course)) ?? order[0]!;
  }

  /** All strings have been right twice, as far as the screen knows. */
  get done(): boolean {
    return this.scene.order.every((course) => !this.isOpen(course));
  }

  private isOpen(course: number): boolean {
    return (this.rights.get(course) ?? 0) < DONE;
  }

  /** Hears a pluck, which a player answers for where that is asked; returns the string that it is put to. */
  hear(note: HeardNote, truth: HandString | null, chosen: number | null): number | null {
    const { beliefs, plucks } = this.followed;
    const told = this.told;
    this.told = null;
    const facts = {
      ...note,
      ...(chosen !== null && { chosen }),
      asked: this.asked,
      ...(told && { told }),
    };
    const { who, corrections } = judge(note, facts, this.followed, this.questioned);
    let now = afterPluck(beliefs, pluckOf(note.hz, facts));
    const said = who.kind === 'string' ? who.course : null;
    const own = truth?.target.course ?? null;
    const asks = who.kind === 'doubt' && who.asks;
    let course = said;
    if (asks) {
      this.questioned = true;
      this.tally.questions++;
      if (own !== null && !who.courses.includes(own)) this.tally.notOffered++;
      // Who is asked looks at the hand: the answer is the truth.
      if (own !== null) now = afterPluck(beliefs, { ...pluckOf(note.hz, facts), named: own });
      course = own;
    }
    for (const { hz, to } of asks ? correctionsOf(now, plucks) : corrections) this.correct(hz, to);
    const far = truth !== null && Math.abs(truth.cents) > FAR;
    const firm = asks || (chosen !== null && said === chosen);
    this.puts.push({ truth, far, hz: note.hz, firm, course });
    this.followed = {
      beliefs: now,
      own: [],
      leftOut: [],
      plucks: this.puts.map(({ hz, course, firm }) => ({ hz, course, firm })),
    };
    if (course !== null) this.book(course, note.hz);
    this.count(truth, far, said, chosen);
    return course;
  }

  private correct(hz: Hz, to: number): void {
    const put = this.puts.findLast((one) => one.hz === hz);
    if (put) put.course = to;
  }

  private book(course: number, hz: Hz): void {
    this.active = course;
    const target = this.scene.strings[course - 1]!.target;
    const cents = centsBetween(target.hz, hz);
    const isRight = Math.abs(cents) <= RIGHT;
    if (!isRight) this.told = { course, cents: -cents };
    this.rights.set(course, isRight ? (this.rights.get(course) ?? 0) + 1 : 0);
  }

  private count(
    truth: HandString | null,
    far: boolean,
    said: number | null,
    chosen: number | null,
  ): void {
    const { tally } = this;
    if (!truth) {
      tally.others++;
      if (said !== null) tally.othersTaken++;
      return;
    }
    const { course } = truth.target;
    if (chosen === course) {
      tally.chosen++;
      if (said === course) tally.believed++;
    }
    const [right, wrong] = [said === course, said !== null && said !== course];
    if (far) tally.far++;
    else tally.near++;
    if (right) far ? tally.right++ : tally.nearRight++;
    if (wrong) far ? tally.wrong++ : tally.nearWrong++;
  }

  /** What came of the scene: far plucks by where they are put at its end. */
  ended(): HandTally {
    for (const { truth, far, course } of this.puts) {
      if (!truth || !far || course === null) continue;
      course === truth.target.course ? this.tally.endRight++ : this.tally.endWrong++;
    }
    return { ...this.tally, scenes: 1 };
  }
}

function setupOf({ strings, order, instrument }: Scene): Setup {
  const { kind } = findTuning(instrument.tuningId)!;
  return setupFor({
    instrument,
    targets: strings.map(({ target }) => target),
    before: [],
    tunings: tuningsFor(kind, strings.length),
    goal: { order, tolerance: TOLERANCE },
  });
}

/** A player who tunes by habit, whatever the screen says. */
function playScene(scene: Scene): HandTally {
  const { random, strings, habit, order } = scene;
  const screen = new HandScreen(scene);
  const stringOf = (course: number) => strings[course - 1]!;
  const courses = habit === 'random' ? shuffled(order, random) : [...order];
  if (habit === 'returns') courses.splice(Math.floor(courses.length / 2), 0, courses[0]!);
  for (const course of courses) {
    const asked = stringOf(screen.asked);
    // Mostly what the screen asks for is done, unless that is right already.
    const obeys = habit === 'asked' && screen.puts.length > 0 && random() < 0.85;
    const string = obeys && Math.abs(asked.cents) > RIGHT ? asked : stringOf(course);
    tuneOne(screen, string, habit === 'digit');
  }
  return screen.ended();
}

function shuffled(courses: readonly number[], random: Random): number[] {
  return courses
    .map((course) => ({ course, at: random() }))
    .sort((a, b) => a.at - b.at)
    .map(({ course }) => course);
}

/** Plucks and turns one string until it is right twice. */
function tuneOne(screen: HandScreen, string: HandString, digits: boolean): void {
  const { scene } = screen;
  const { random, neighbours } = scene;
  const chosen = digits ? string.target.course : null;
  let right = 0;
  for (let n = 0; n < MOST_PLUCKS && right < DONE; n++) {
    if (neighbours && random() < 0.06) screen.hear(neighbourNote(scene), null, chosen);
    screen.hear(heardOf(scene, string), string, chosen);
    const isRight = Math.abs(string.cents) <= RIGHT;
    right = isRight ? right + 1 : 0;
    if (!isRight && random() < 0.88) turnTowards(scene, string);
    // Turned on while it rings, unheard.
    if (Math.abs(string.cents) > RIGHT && random() < 0.2) turnTowards(scene, string);
  }
}

/** What a player does who turns the peg of whatever string the screen says. */
export interface LiteralTally {
  readonly wrongPegs: number;
  readonly plucks: number;
  readonly finished: boolean;
  /** Strings that were ever this far above their notes, where they break. */
  readonly breaking: number;
  /** Times that the number of the string was pressed because the screen could not tell. */
  readonly presses: number;
}

const MOST_LITERAL = 60;
const BREAKS: Cents = 250;

/**
 * In a closed loop: plucks what is asked, chosen, or the strings in an order of its own, each until the screen
 * says that it is right, and turns the peg that the screen names.
 */
export function playLiteral(scene: Scene): LiteralTally {
  const { random, strings, habit, order } = scene;
  const screen = new HandScreen(scene);
  const own = habit === 'random' ? shuffled(order, random) : null;
  const sharp = new Set<HandString>();
  let wrongPegs = 0;
  let plucks = 0;
  let right = 0;
  let held = 0;
  let pressed = 0;
  for (; plucks < MOST_LITERAL && !screen.done; plucks++) {
    const string = strings[(own?.[0] ?? screen.asked) - 1]!;
    const chosen = habit === 'digit' ? string.target.course : null;
    const note = heardOf(scene, string);
    // “Pluck it again, or press its number”: who has done the one does the other.
    const presses = held >= 2;
    const course = screen.hear(note, string, presses ? string.target.course : chosen);
    if (presses) pressed++;
    held = course === null ? held + 1 : 0;
    if (course === null) continue;
    const turned = strings[course - 1]!;
    const shown = centsBetween(turned.target.hz, note.hz);
    const isRight = Math.abs(shown) <= RIGHT;
    right = isRight ? right + 1 : 0;
    if (own && right >= DONE) {
      own.push(own.shift()!);
      right = 0;
    }
    if (isRight) continue;
    if (turned !== string) wrongPegs++;
    turnTowards(scene, turned, -shown);
    if (turned.cents > BREAKS) sharp.add(turned);
  }
  const finished = screen.done && !strings.some(isFarOff);
  return { wrongPegs, plucks, finished, breaking: sharp.size, presses: pressed };
}

/** Strings that were right give way by so much as the others are brought up; a second pass is not played. */
const GIVES_WAY: Cents = 60;
const isFarOff = ({ cents }: HandString) => Math.abs(cents) > GIVES_WAY;

/** Scenes by their seeds, added up by their habit and start. */
export function handTallies(first: number, scenes: number): Map<string, HandTally> {
  const rows = new Map<string, HandTally>();
  for (let seed = first; seed < first + scenes; seed++) {
    const scene = sceneOf(seed);
    const tally = playScene(scene);
    for (const row of ['all', scene.habit, scene.start])
      rows.set(row, sum(rows.get(row) ?? NOTHING, tally));
  }
  return rows;
}

function sum(a: HandTally, b: HandTally): HandTally {
  const keys = Object.keys(a) as (keyof HandTally)[];
  return Object.fromEntries(keys.map((key) => [key, a[key] + b[key]])) as unknown as HandTally;
}

/** The first pluck of each string of each model, asked for and so many cents off: put to a wrong string, right, or none yet. */
export function gridTally(): {
  readonly plucks: number;
  readonly wrong: number;
  readonly right: number;
} {
  const tally = { plucks: 0, wrong: 0, right: 0 };
  for (const { build } of MODELS) {
    const instrument = build('g', 'G');
    const { targets, setup } = firstSession(instrument);
    const beliefs = startBeliefs(setup);
    for (const { course, hz, midi } of targets)
      for (let cents = GRID.from; cents <= GRID.to; cents += GRID.step) {
        const { spec } = instrument.courses[course - 1]!.strings[0]!;
        const length = soundingLength(instrument, course);
        // B goes with the inverse of the tension.
        const inharmonicity = stiffnessOf(spec, length, hz) / 2 ** (cents / 600);
        const pluck = { hz: shiftHz(hz, cents), inharmonicity, chosen: null, asked: course };
        const who = attributionOf(afterPluck(beliefs, pluck), pluck);
        tally.plucks++;
        if (who.kind !== 'known') continue;
        // Two strings of one note are one to the ear.
        if (targets[who.course - 1]!.midi === midi) tally.right++;
        else tally.wrong++;
      }
  }
  return tally;
}

const GRID = { from: -600, to: 200, step: 5 } as const satisfies Record<string, Cents>;

/** One string is chosen by its number and another one plucked, after all were tuned: how often it is noticed. */
export function mistakenChoices(first: number, scenes: number): { tried: number; noticed: number } {
  let tried = 0;
  let noticed = 0;
  for (let seed = first; seed < first + scenes; seed++) {
    const scene = sceneOf(seed, 'ordinary', 'digit');
    const screen = new HandScreen(scene);
    for (const string of scene.strings)
      for (let n = 0; n < DONE; n++) {
        string.cents = scene.random();
        screen.hear(heardOf(scene, string), string, null);
      }
    const [chosen, plucked] = shuffled(scene.order, scene.random);
    const string = scene.strings[plucked! - 1]!;
    tried++;
    if (screen.hear(heardOf(scene, string), string, chosen!) !== chosen) noticed++;
  }
  return { tried, noticed };
}

/** Prints what hands on all kinds of instruments come to. */
export function handFigures(first: number, scenes: number): void {
  const last = first + scenes - 1;
  console.log(`\nWhich string sounded, over a session: ${scenes} scenes, seeds ${first}–${last}`);
  const rows = handTallies(first, scenes);
  for (const row of ['all', ...HABITS, ...STARTS]) {
    const t = rows.get(row);
    if (!t) continue;
    console.log(
      `  ${row}: ${t.far} far plucks: wrong at once ${percent(t.wrong, t.far)}, right ${percent(t.right, t.far)}; at the end wrong ${percent(t.endWrong, t.far)}, right ${percent(t.endRight, t.far)}\n` +
        `    ${t.near} near: wrong ${percent(t.nearWrong, t.near)}, right ${percent(t.nearRight, t.near)}; chosen believed ${percent(t.believed, t.chosen)}; ${(t.questions / t.scenes).toFixed(2)} questions a scene, ${t.notOffered} without the true string; ${t.othersTaken} of ${t.others} notes of others taken`,
    );
  }
  const grid = gridTally();
  console.log(
    `  asked for, ${GRID.from} to ${GRID.to} cents, every model, ${grid.plucks} plucks: wrong ${percent(grid.wrong, grid.plucks)}, right at once ${percent(grid.right, grid.plucks)}`,
  );
  const { tried, noticed } = mistakenChoices(first, scenes);
  console.log(`  another string than the chosen one, both known: noticed ${noticed} of ${tried}`);
  for (const habit of ['asked', 'digit', 'random'] as const) {
    const played = Array.from({ length: scenes }, (_, i) =>
      playLiteral(sceneOf(first + i, undefined, habit)),
    );
    const total = (of: (one: LiteralTally) => number) => played.reduce((n, one) => n + of(one), 0);
    console.log(
      `  literal player, ${habit}: ${(total((t) => t.wrongPegs) / scenes).toFixed(3)} wrong pegs a scene, ${total((t) => (t.finished ? 0 : 1))} of ${scenes} unfinished in ${MOST_LITERAL} plucks, ${total((t) => t.breaking)} strings over ${BREAKS} cents sharp, ${(total((t) => t.plucks) / scenes).toFixed(1)} plucks, ${(total((t) => t.presses) / scenes).toFixed(2)} numbers pressed`,
    );
  }
}
