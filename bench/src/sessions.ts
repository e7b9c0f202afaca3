import {
  type CoachView,
  type Fault,
  faultOf,
  type HeardPluck,
  type NextStep,
  nextStep,
  type Rule,
  ringingOf,
} from '@rosefinch/core/coach';
import { knowledgeOf, type ListenEvent, Listener, type Refusal } from '@rosefinch/core/listen';
import { between, normal, type Random, seededRandom } from '@rosefinch/core/maths';
import { findTuning, type Target, targetsOf } from '@rosefinch/core/music';
import { PracticeInstrument } from '@rosefinch/core/practice';
import { type BenchEvent, benchAfter, startBench } from '@rosefinch/core/sitting';
import { hearPluck } from '@rosefinch/core/state';
import {
  expectedCoupling,
  findModel,
  headroom,
  type Instrument,
  soundingLength,
  stringLoad,
} from '@rosefinch/core/strings';
import type { Cents } from '@rosefinch/core/units';

const RATE = 24_000;
const TOLERANCE: Cents = 2;
const MODELS_USED = ['steel-guitar', 'nylon-guitar', 'ukulele-concert', 'banjo-five'];

/** A practice instrument on a bench without a screen: what a player does, and what the bench says to it. */
class Sitting {
  readonly faults: Fault[] = [];
  readonly steps: NextStep[] = [];
  readonly refusals: Refusal[] = [];
  readonly targets: readonly Target[];
  readonly order: readonly number[];
  private readonly practice: PracticeInstrument;
  private readonly listener: Listener;
  private state;
  private readonly heard: HeardPluck[] = [];
  private track: number[] = [];
  gain = 1;

  constructor(
    readonly random: Random,
    readonly instrument: Instrument,
    tuningId: string,
    detune: (course: number) => Cents,
  ) {
    this.targets = targetsOf(findTuning(tuningId)!, 440);
    this.order = this.targets.map(({ course }) => course).reverse();
    this.practice = new PracticeInstrument({
      instrument,
      targets: this.targets.map(({ hz }) => hz),
      detune: this.targets.map(({ course }) => detune(course)),
      seed: Math.floor(random() * 1e9),
      sampleRate: RATE,
      noise: -72,
    });
    this.state = startBench({ order: this.order, tolerance: TOLERANCE });
    this.listener = new Listener(RATE, (event) => this.hear(event));
    this.listener.know(knowledgeOf(this.targets, []));
    this.wait(0.5);
  }

  wait(seconds: number): void {
    const sound = new Float32Array(Math.round(seconds * RATE));
    this.practice.render(sound);
    // A converter clips what is too loud.
    for (let i = 0; i < sound.length; i++)
      sound[i] = Math.max(-1, Math.min(1, this.gain * sound[i]!));
    this.listener.hear(sound);
  }

  pluck(course: number, strength = between(this.random, 0.35, 0.65), seconds = 1.1): void {
    this.practice.pluckAlone(course, strength);
    this.wait(seconds);
  }

  /** Held at a fret, as a hand that rests on the neck does. */
  pluckHeld(course: number, fret: number): void {
    this.practice.pluckFretted(course, fret, 'normal', {
      strength: between(this.random, 0.35, 0.65),
    });
    this.wait(1.1);
  }

  /** Two strings at once, as a careless hand does. */
  pluckBoth(one: number, other: number): void {
    this.practice.mute();
    this.practice.pluck(one);
    this.practice.pluck(other);
    this.wait(1.1);
  }

  hush(): void {
    this.practice.mute();
    this.wait(0.35);
  }

  deviation(course: number): Cents {
    return this.practice.deviation(course);
  }

  /** Turns a peg until the string lies at `to`, in so many seconds; what rings goes on ringing. */
  turn(course: number, to: Cents, seconds = 0): void {
    const steps = Math.max(1, Math.round(seconds / 0.01));
    const from = this.deviation(course);
    for (let k = 1; k <= steps; k++) {
      const now = this.deviation(course);
      this.practice.turn(course, 1e-4);
      const slope = (this.deviation(course) - now) / 1e-4;
      this.practice.turn(course, (from + ((to - from) * k) / steps - now) / slope - 1e-4);
      if (seconds > 0) this.wait(0.01);
    }
  }

  /** Plucks, and turns as it rings, at a hand's pace. */
  tune(course: number, to: Cents): void {
    this.pluck(course);
    const way = Math.abs(to - this.deviation(course));
    this.turn(course, to, Math.max(0.3, way / between(this.random, 40, 80)));
    this.wait(0.25);
  }

  choose(course: number | null): void {
    this.apply({ type: 'choose', course });
  }

  nextPass(): void {
    this.apply({ type: 'next pass' });
  }

  accept(): void {
    this.apply({ type: 'accept' });
  }

  private apply(event: BenchEvent): void {
    this.state = benchAfter(this.state, event);
  }

  private hear(event: ListenEvent): void {
    if (event.type === 'onset') this.closeNote();
    else if (event.type === 'track') this.track.push(event.point.sinceOnset, event.point.hz);
    else if (event.type === 'released') this.closeNote();
    else if (event.type === 'outcome') this.conclude(event);
  }

  /** The note before is over: its whole track is known now. */
  private closeNote(): void {
    const last = this.heard.pop();
    if (last) {
      this.heard.push({ ...last, ringing: ringingOf(this.track) ?? last.ringing });
      this.judge();
    }
    this.track = [];
  }

  private conclude({ outcome, clipped }: Extract<ListenEvent, { type: 'outcome' }>): void {
    if (outcome.kind === 'turned') return;
    const { chosen } = this.state;
    const plain = { chosen, clipped, ringing: ringingOf(this.track) };
    const readings = this.heard.flatMap((pluck) => pluck.reading ?? []);
    const known = knowledgeOf(
      this.targets,
      readings.map((r) => ({ course: r.course, hz: r.hz, inharmonicity: 5e-5 })),
    ).map(({ target, lastHz }) => (lastHz === undefined ? { target } : { target, lastHz }));
    const put =
      outcome.kind === 'reading'
        ? hearPluck(outcome, {
            state: this.state,
            intended: chosen,
            strings: known,
            heard: readings,
            coupling: null,
          })
        : null;
    const reading = put && 'course' in put ? put : null;
    if (reading) this.apply({ type: 'reading', reading });
    this.heard.push({
      ...plain,
      reading,
      refusal: outcome.kind === 'reading' ? null : outcome,
      levelDbfs: outcome.kind === 'reading' ? outcome.levelDbfs : null,
    });
    if (outcome.kind !== 'reading') this.refusals.push(outcome);
    else this.steps.push(nextStep(this.state, this.view().strings, 440));
    this.judge();
  }

  private judge(): void {
    const fault = faultOf(this.heard, this.view());
    if (fault) this.faults.push(fault);
  }

  private view(): CoachView {
    const tensions = this.targets.map(
      ({ course, hz }) => stringLoad(this.instrument, course, hz)!.tension,
    );
    return {
      state: this.state,
      strings: this.targets.map((target) => {
        const { spec, peg } = this.instrument.courses[target.course - 1]!.strings[0]!;
        const length = soundingLength(this.instrument, target.course);
        return { target, tighten: peg.tighten, headroom: (hz) => headroom(spec, length, hz) };
      }),
      coupling: expectedCoupling({ tensions, bridge: this.instrument.bridge }),
      a4: 440,
      retuning: false,
    };
  }
}

function sitting(seed: number, detune: (course: number, random: Random) => Cents): Sitting {
  const random = seededRandom(seed * 6151);
  const instrument = findModel(MODELS_USED[seed % MODELS_USED.length]!)!.build('x', 'X');
  return new Sitting(random, instrument, instrument.tuningId, (course) => detune(course, random));
}

const little = (_: number, random: Random) => 14 * normal(random);
/** One string out by `cents`, the others nearly right; it is the one that `act` works on. */
function oneOut(cents: number, act: (s: Sitting, c: number) => void) {
  return (seed: number) => {
    const c = 1 + (seed % 4);
    const s = sitting(seed, (other) => (other === c ? cents : 0.5));
    act(s, c);
    return s;
  };
}

/** A string that stays on its letter a semitone up: G, A, C, D or F. */
function sharpable(s: Sitting): number {
  const fits = s.targets.find(({ midi }) => [0, 2, 5, 7, 9].includes(midi % 12));
  return fits?.course ?? 1;
}

type Mistake = Rule | 'overshoot' | 'from above' | 'two strings';

/** How a clumsy player makes each mistake. */
const CLUMSY: Readonly<Record<Mistake, (seed: number) => Sitting>> = {
  'wrong octave': oneOut(-1195, (s, c) => {
    s.choose(c);
    s.pluck(c);
  }),
  'out of reach': (seed) => {
    const s = sitting(seed, () => 3);
    const { spec } = s.instrument.courses[0]!.strings[0]!;
    const room = headroom(spec, soundingLength(s.instrument, 1), s.targets[0]!.hz);
    s.choose(1);
    s.pluckHeld(1, Math.ceil(room) + 1);
    return s;
  },
  'another string': (seed) => {
    const s = sitting(seed, () => 3);
    const c = 2 + (seed % 3);
    s.pluck(c);
    s.hush();
    s.choose(c);
    s.pluck(c - 1);
    return s;
  },
  'a semitone off': (seed) => {
    const s = sitting(seed, () => 0);
    const c = sharpable(s);
    s.turn(c, 98);
    s.choose(c);
    s.pluck(c);
    s.pluck(c);
    return s;
  },
  'floppy or tight': oneOut(600, (s, c) => {
    s.choose(c);
    s.pluck(c);
  }),
  'too slack': oneOut(-3200, (s, c) => {
    s.choose(c);
    for (let i = 0; i < 4; i++) s.pluck(c, 0.4);
  }),
  'wrong peg': oneOut(-24, (s, c) => {
    const other = c === 1 ? 2 : c - 1;
    s.pluck(other);
    s.hush();
    s.pluck(c);
    s.turn(other, 20);
    s.pluck(c);
    s.turn(other, 40);
    s.pluck(c);
    s.hush();
    s.pluck(other);
  }),
  'does not move': oneOut(-24, (s, c) => {
    for (let i = 0; i < 3; i++) s.pluck(c);
  }),
  'sticks at the nut': oneOut(-14, (s, c) => {
    for (let i = 0; i < 3; i++) s.pluck(c);
    s.turn(c, 6, 0.05);
    s.wait(0.2);
    s.pluck(c);
  }),
  'wrong way': oneOut(-20, (s, c) => {
    s.pluck(c);
    s.turn(c, -34, 0.4);
    s.wait(0.2);
    s.pluck(c);
  }),
  'too fast': oneOut(-45, (s, c) => {
    s.pluck(c);
    s.turn(c, -3, 0.14);
    s.wait(0.4);
    s.pluck(c);
  }),
  'unheard turn': oneOut(-140, (s, c) => {
    s.choose(c);
    s.pluck(c);
    s.hush();
    s.turn(c, -12);
    s.pluck(c);
  }),
  'hard pluck': oneOut(-10, (s, c) => s.pluck(c, 1)),
  clipped: oneOut(-10, (s, c) => {
    s.gain = 9;
    s.pluck(c, 0.7);
  }),
  'too faint': oneOut(-10, (s, c) => {
    s.gain = 0.025;
    s.pluck(c, 0.4);
  }),
  'slips back': oneOut(-20, (s, c) => {
    s.tune(c, 0);
    s.hush();
    s.turn(c, -6.5);
    s.pluck(c);
  }),
  'to and fro': oneOut(-12, (s, c) => {
    for (const to of [9, -8, 8, -7]) s.tune(c, to);
    s.pluck(c);
  }),
  'no arrival': oneOut(-30, (s, c) => {
    for (let i = 0; i < 10; i++) s.tune(c, i % 2 ? -12 : -7);
  }),
  'near breaking': (seed) => {
    const random = seededRandom(seed * 6151);
    const instrument = findModel('steel-guitar')!.build('x', 'X');
    const s = new Sitting(random, instrument, 'guitar-new-standard', (c) => (c === 1 ? -40 : 0));
    s.choose(1);
    s.pluck(1);
    return s;
  },
  'in tune with itself': (seed) => {
    const off = seed % 2 === 0 ? -18 : 14;
    const s = sitting(seed, (_, random) => off + 0.5 * normal(random));
    for (const c of s.order) {
      s.pluck(c);
      s.hush();
    }
    return s;
  },
  'still moving': oneOut(-5, (s, c) => {
    for (let pass = 1; pass <= 4; pass++) {
      s.pluck(c);
      s.turn(c, -6, 0.3);
      s.wait(0.2);
      s.turn(c, 0, 0.3);
      s.wait(0.2);
      s.pluck(c);
      s.hush();
      s.turn(c, -6);
      s.nextPass();
    }
  }),
  overshoot: oneOut(-15, (s, c) => {
    s.tune(c, 8);
    s.pluck(c);
  }),
  'from above': oneOut(12, (s, c) => {
    s.tune(c, 0.5);
    s.pluck(c);
  }),
  'two strings': (seed) => {
    const s = sitting(seed, () => 0);
    s.pluckBoth(2, 3);
    return s;
  },
};

/** Other words of the coach that are as right for a mistake. */
const ALSO: Partial<Record<Mistake, readonly Rule[]>> = {
  'wrong peg': ['does not move'],
  'does not move': ['wrong peg'],
  // What sounds may be the note of another string.
  'out of reach': ['another string'],
};

function noticed(mistake: Mistake, { faults, steps, refusals }: Sitting): boolean {
  if (mistake === 'overshoot') return steps.some(({ step }) => step === 'too far');
  if (mistake === 'from above')
    return steps.some((now) => now.step === 'once more' && now.fromAbove);
  if (mistake === 'two strings')
    return refusals.some(({ kind }) => kind === 'more than one string');
  const right = [mistake, ...(ALSO[mistake] ?? [])];
  return faults.some(({ rule }) => right.includes(rule));
}

/** How tidy players differ. */
interface Style {
  readonly strength: readonly [least: number, most: number];
  /** How long a note is left to ring before the next thing. */
  readonly rings: readonly [least: number, most: number];
  /** Of a turn, in cents a second. */
  readonly pace: readonly [least: number, most: number];
  /** No turn is larger. */
  readonly most: Cents;
  /** The string before is still ringing when the next one is plucked. */
  readonly mutes: boolean;
}

const PLAIN: Style = {
  strength: [0.35, 0.65],
  rings: [1, 1.2],
  pace: [40, 80],
  most: 1000,
  mutes: true,
};
const STYLES: Readonly<Record<string, Style>> = {
  plain: PLAIN,
  bold: { ...PLAIN, pace: [80, 130] },
  small: { ...PLAIN, most: 5, pace: [15, 40] },
  quick: { ...PLAIN, rings: [0.55, 0.75], pace: [60, 110] },
  slow: { ...PLAIN, rings: [1.8, 3], pace: [10, 30] },
  ringing: { ...PLAIN, mutes: false },
  soft: { ...PLAIN, strength: [0.12, 0.3] },
  firm: { ...PLAIN, strength: [0.65, 0.85], rings: [0.55, 1] },
};

/** A tidy player: sounds the string, turns as it rings, comes from below, reads twice. */
function clean(seed: number, { strength, rings, pace, most, mutes }: Style): Sitting {
  const s = sitting(seed, little);
  const pluck = (c: number) =>
    s.pluck(c, between(s.random, ...strength), between(s.random, ...rings));
  const tune = (c: number, to: Cents) => {
    pluck(c);
    const from = s.deviation(c);
    const goal = from + Math.max(-most, Math.min(most, to - from));
    s.turn(c, goal, Math.max(0.3, Math.abs(goal - from) / between(s.random, ...pace)));
    s.wait(0.25);
  };
  for (const c of s.order.slice(0, 4)) {
    pluck(c);
    for (let k = 0; k < 8 && Math.abs(s.deviation(c)) > 1.2; k++) {
      if (s.deviation(c) > 0) {
        tune(c, -5);
        s.wait(0.1);
      }
      tune(c, normal(s.random) * 0.7);
    }
    pluck(c);
    pluck(c);
    if (mutes) s.hush();
    s.accept();
  }
  return s;
}

/** False alarms over clean sessions of every style. */
function cleanFigures(first: number, each: number): void {
  for (const [name, style] of Object.entries(STYLES)) {
    const alarms = new Map<string, number>();
    let troubled = 0;
    for (let seed = first; seed < first + each; seed++) {
      const { faults } = clean(seed, style);
      if (faults.length > 0) troubled++;
      for (const rule of new Set(faults.map((fault) => fault.rule)))
        alarms.set(rule, (alarms.get(rule) ?? 0) + 1);
    }
    const list = [...alarms].map(([rule, count]) => `${rule} ${count}`).join(', ');
    console.log(
      `  clean sittings, ${name.padEnd(8)} seeds ${first}–${first + each - 1}: with a false alarm ${troubled} of ${each}${list ? ` (${list})` : ''}`,
    );
  }
}

/** Misses and false alarms of the coach, from the sound of clumsy and of clean sessions. */
export function coachFigures(first: number, each: number, cleanSessions: number): void {
  const last = first + each - 1;
  console.log(
    `\nThe coach, by ear alone: ${each} clumsy sessions a mistake (seeds ${first}–${last}), ${cleanSessions} clean ones a style; guitar (steel, nylon), ukulele, banjo`,
  );
  let missed = 0;
  const kinds = Object.keys(CLUMSY) as Mistake[];
  for (const mistake of kinds) {
    const misses: string[] = [];
    for (let seed = first; seed <= last; seed++) {
      const s = CLUMSY[mistake](seed);
      if (!noticed(mistake, s))
        misses.push(`seed ${seed}: ${s.faults.map(({ rule }) => rule).join(', ') || 'nothing'}`);
    }
    missed += misses.length;
    console.log(
      `  ${mistake.padEnd(20)} missed ${misses.length} of ${each}${misses.length ? `  (${misses.slice(0, 3).join('; ')})` : ''}`,
    );
  }
  const n = each * kinds.length;
  console.log(`  all ${n}: missed ${missed} (${((100 * missed) / n).toFixed(1)} %)`);
  cleanFigures(first, cleanSessions);
}
