import {
  knowledgeOf,
  type ListenEvent,
  Listener,
  type Reading,
  type StringKnowledge,
  whoSounded,
} from '@rosefinch/core/listen';
import { between, normal, type Random, seededRandom } from '@rosefinch/core/maths';
import type { Cents, Hz, Seconds } from '@rosefinch/core/units';
import { click, level, reverberate } from './foreign/places.ts';
import { exactHz, type Gesture, glideAt, type Struck, sound, strike } from './foreign/string.ts';
import { type Talker, voice } from './foreign/voices.ts';
import { movedFigures } from './moved.ts';
import { power } from './noises.ts';
import { quantile } from './print.ts';
import { OPEN_STRINGS, type OpenString, stringsOfModel } from './strings.ts';

const RATE = 24_000;
/** The room before the pluck. */
const LEAD: Seconds = 0.45;
/** Floor of a quiet room, rms against full scale. */
const QUIET = 2e-4;

type Outcome = Extract<ListenEvent, { type: 'outcome' }>;

/** What was played, and what an ear should make of it. */
interface Scene {
  readonly sound: Float32Array;
  readonly string: OpenString;
  /** Pitch of an exact reading; null where none can be had. */
  readonly exact: Hz | null;
  /** Pitch at a moment of a note that is turned, by which its reading is judged: that of the middle of its window. */
  readonly exactAt?: (sinceOnset: Seconds) => Hz;
  readonly known?: readonly StringKnowledge[];
  readonly intended?: number | null;
  /** When the pluck that is scored was made; null where nobody plucked ours. */
  readonly at?: Seconds | null;
  /** Plucks of ours besides the one that is scored. */
  readonly others?: readonly { readonly string: OpenString; readonly at: Seconds }[];
}

/** A sound this near to a pluck is that pluck. */
const SAME_PLUCK: Seconds = 0.09;

function heard(samples: Float32Array, known: readonly StringKnowledge[] = []): Outcome[] {
  const outcomes: Outcome[] = [];
  const listener = new Listener(RATE, (event) => {
    if (event.type === 'outcome') outcomes.push(event);
  });
  listener.know(known);
  listener.hear(samples);
  listener.finish();
  return outcomes;
}

const silence = (seconds: Seconds, random: Random, floor = QUIET): Float32Array =>
  Float32Array.from({ length: Math.round((LEAD + seconds) * RATE) }, () => floor * normal(random));

const courseOf = ({ set, hz }: OpenString) => 1 + set.indexOf(hz);

const knownTargets = ({ set }: OpenString): StringKnowledge[] =>
  set.map((hz, i) => ({ target: { course: i + 1, midi: 0, hz } }));

const sameSet = (a: OpenString, b: OpenString) => a.set.join() === b.set.join();

const off = (hz: Hz, cents: Cents): Hz => hz * 2 ** (cents / 1200);

/** What is played: four instruments by turns, or the one that was named. */
let played = OPEN_STRINGS;

/** One of its strings by chance. */
function anyString(random: Random, of: (string: OpenString) => boolean = () => true): OpenString {
  const strings = played.filter(of);
  return strings[Math.floor(random() * strings.length)]!;
}

function struckNear(random: Random, string: OpenString, gesture: Gesture = {}): Struck {
  return strike(random, string, off(string.hz, between(random, -50, 50)), gesture);
}

interface Count {
  [what: string]: number;
}

/** What came of the scenes of one row. */
class Row {
  readonly errors: number[] = [];
  readonly stated: number[] = [];
  readonly counts: Count = {};
  readonly notes: string[] = [];
  n = 0;

  add(what: string, by = 1): void {
    this.counts[what] = (this.counts[what] ?? 0) + by;
  }

  take(seed: number, scene: Scene): void {
    this.n++;
    const { string, exact, at = LEAD } = scene;
    const known = scene.known ?? knownTargets(string);
    const outcomes = heard(scene.sound, known);
    const isAt = (time: Seconds | null, { start }: Outcome) =>
      time !== null && Math.abs(start - time) < SAME_PLUCK;
    // A note that is turned is read again: its last reading is the one that stays.
    const own = outcomes.findLast((one) => isAt(at, one));
    for (const one of outcomes)
      if (!isAt(at, one))
        this.harm(
          one,
          scene.others?.find((other) => isAt(other.at, one)),
          known,
        );
    if (at === null) return;
    if (!own) return this.add('not noticed');
    const { outcome } = own;
    if (outcome.kind !== 'reading')
      return this.add(outcome.kind === 'not sure' ? outcome.reason : outcome.kind);
    this.put(seed, scene, outcome, known);
    if (exact === null) return;
    const error = 1200 * Math.log2(outcome.hz / exact);
    this.errors.push(Math.abs(error));
    this.stated.push(Math.abs(error) / outcome.errorCents);
    const confident = Math.abs(error) > Math.max(3, 3 * outcome.errorCents);
    if (!confident || outcome.moving) return;
    this.add('falsely sure');
    this.notes.push(
      `seed ${seed} ${string.name}: ${error.toFixed(1)} ± ${outcome.errorCents.toFixed(1)}`,
    );
  }

  /** What a sound did that is not scored: harm counts wherever in the scene it is done. */
  private harm(
    { outcome }: Outcome,
    made: { readonly string: OpenString } | undefined,
    known: readonly StringKnowledge[],
  ): void {
    if (outcome.kind !== 'reading') return;
    const identity = whoSounded(outcome, known, null);
    if (identity.kind === 'doubt')
      return this.add(made ? 'another pluck asked' : 'not ours, asked');
    if (identity.kind === 'none') return;
    if (!made) return this.add('not ours, booked');
    if (identity.kind !== 'known' || identity.course !== courseOf(made.string))
      this.add('another pluck booked to a wrong string');
  }

  private put(seed: number, scene: Scene, reading: Reading, known: readonly StringKnowledge[]) {
    const { string, intended = null } = scene;
    const identity = whoSounded(reading, known, intended);
    if (identity.kind === 'touched')
      return this.add(identity.of === courseOf(string) ? 'touched' : 'touched, another string');
    if (identity.kind !== 'known')
      return this.add(identity.kind === 'doubt' ? 'asked' : 'no string');
    if (identity.course === courseOf(string)) return this.add('read');
    this.add('another string');
    this.notes.push(`seed ${seed} ${string.name} taken for ${identity.course}`);
  }

  print(name: string): void {
    const counts = Object.entries(this.counts).sort((a, b) => b[1] - a[1]);
    const within = (k: number) =>
      ((100 * this.stated.filter((s) => s <= k).length) / Math.max(1, this.stated.length)).toFixed(
        0,
      );
    const errors =
      this.errors.length === 0
        ? ''
        : `; error ${quantile(this.errors, 0.5, 2)} / ${quantile(this.errors, 0.95, 2)}, most ${quantile(this.errors, 1, 1)}, within ±1/±2: ${within(1)}/${within(2)} %`;
    console.log(`  ${name}, ${this.n}: ${counts.map(([k, n]) => `${k} ${n}`).join(', ')}${errors}`);
    for (const note of this.notes.slice(0, 3)) console.log(`      ${note}`);
  }
}

type Make = (random: Random) => Scene;

/** A pluck, and a finger on it soon after. */
function cut(random: Random): Scene {
  const string = anyString(random);
  const struck = struckNear(random, string);
  const until = between(random, 0.17, 0.4);
  const out = silence(1.2, random);
  sound(out, struck, { rate: RATE, at: LEAD, until });
  return { sound: out, string, exact: exactHz(struck, 0.2, 0.8) };
}

/** A pluck that the next one of another string ends. */
function next(random: Random): Scene {
  const string = anyString(random);
  const struck = struckNear(random, string);
  const until = between(random, 0.2, 0.4);
  const out = silence(2, random);
  sound(out, struck, { rate: RATE, at: LEAD, until: until - 0.01 });
  const other = anyString(random, (s) => sameSet(s, string) && s !== string);
  sound(out, struckNear(random, other), { rate: RATE, at: LEAD + until });
  const others = [{ string: other, at: LEAD + until }];
  return { sound: out, string, exact: exactHz(struck, 0.2, 0.8), others };
}

/** The next string, a second or two after one that is damped only then: it is the one that is scored. */
function after(random: Random): Scene {
  const before = anyString(random);
  const until = between(random, 0.9, 2.5);
  const out = silence(until + 1.6, random);
  sound(out, struckNear(random, before), { rate: RATE, at: LEAD, until: until - 0.01 });
  const string = anyString(random, (s) => sameSet(s, before) && s !== before);
  const struck = struckNear(random, string);
  sound(out, struck, { rate: RATE, at: LEAD + until });
  return {
    sound: out,
    string,
    exact: exactHz(struck, 0.2, 0.8),
    others: [{ string: before, at: LEAD }],
    at: LEAD + until,
  };
}

/** A string that dies at once, as on a muted banjo or a dull set. */
function dull(random: Random): Scene {
  const string = anyString(random);
  const struck = struckNear(random, string, { ringing: between(random, 0.04, 0.12) });
  const out = silence(1.4, random);
  sound(out, struck, { rate: RATE, at: LEAD });
  return { sound: out, string, exact: exactHz(struck, 0.2, 0.8) };
}

/** A string that rings, and a metronome. */
function metronome(random: Random): Scene {
  const string = anyString(random);
  const struck = struckNear(random, string);
  const out = silence(1.8, random);
  sound(out, struck, { rate: RATE, at: LEAD });
  const beat = between(random, 0.3, 0.7);
  for (let at = LEAD + between(random, 0.1, beat); at < 2; at += beat)
    click(out, RATE, at, between(random, 0.05, 0.4), random);
  return { sound: out, string, exact: exactHz(struck, 0.2, 0.8) };
}

/** A finger on a node: what is known of the strings differs. */
const touched =
  (node: number, bKnown: boolean, chosen: boolean): Make =>
  (random) => {
    const string = anyString(random);
    const bs = string.set.map((hz) => {
      const own = played.find((s) => sameSet(s, string) && s.hz === hz)!;
      return between(random, ...own.stiffness);
    });
    const b = bs[courseOf(string) - 1]!;
    const struck = struckNear(random, string, { node, b });
    const out = silence(1.4, random);
    sound(out, struck, { rate: RATE, at: LEAD });
    const targets = knownTargets(string).map(({ target }) => target);
    const readings = targets.map(({ course, hz }, i) => ({
      course,
      hz: course === courseOf(string) ? struck.hz : off(hz, between(random, -20, 20)),
      inharmonicity: bs[i]! * (1 + 0.1 * normal(random)),
    }));
    return {
      sound: out,
      string,
      exact: null,
      known: knowledgeOf(targets, bKnown ? readings : []),
      intended: chosen ? courseOf(string) : null,
    };
  };

/** A device that levels by itself. */
function levelled(random: Random): Scene {
  const string = anyString(random);
  const struck = struckNear(random, string);
  const out = silence(1.3, random);
  sound(out, struck, { rate: RATE, at: LEAD });
  const device = {
    ratio: between(random, 2, 8),
    attack: 10 ** between(random, -2.3, -1.3),
    release: 10 ** between(random, -1, 0),
  };
  return { sound: level(out, RATE, device), string, exact: exactHz(struck, 0.2, 0.8) };
}

/** A string far from its note, nothing heard before. */
const far =
  (least: Cents, most: Cents, of: (string: OpenString) => boolean = () => true): Make =>
  (random) => {
    const string = anyString(random, of);
    const down = least < 0 ? 1 : random() < 0.8 ? -1 : 1;
    const size = Math.abs(least) + random() * (Math.abs(most) - Math.abs(least));
    const struck = strike(random, string, off(string.hz, down * size));
    const out = silence(1.3, random);
    sound(out, struck, { rate: RATE, at: LEAD });
    return { sound: out, string, exact: exactHz(struck, 0.2, 0.8) };
  };

/** Another instrument of the class plays too. */
const classroom =
  (db: readonly [number, number], alone = false): Make =>
  (random) => {
    const string = anyString(random);
    const struck = struckNear(random, string);
    const out = silence(1.6, random);
    const own = new Float32Array(out.length);
    sound(own, struck, { rate: RATE, at: LEAD });
    const other = anyString(random, (s) => sameSet(s, string));
    const beside = new Float32Array(out.length);
    sound(beside, strike(random, other, off(other.hz, between(random, -30, 30))), {
      rate: RATE,
      at: between(random, 0, LEAD + 0.6),
    });
    const at = Math.round(LEAD * RATE);
    const gain =
      Math.sqrt(power(own, at, at + RATE) / power(beside)) * 10 ** (-between(random, ...db) / 20);
    for (let i = 0; i < out.length; i++) out[i]! += (alone ? 0 : own[i]!) + gain * beside[i]!;
    return {
      sound: out,
      string,
      exact: exactHz(struck, 0.2, 0.8),
      ...(alone && { at: null }),
    };
  };

/** Two strings of a course, not in unison. */
function pair(random: Random): Scene {
  const string = anyString(random);
  const apart = between(random, 15, 35);
  const first = struckNear(random, string);
  const second = strike(random, string, off(first.hz, apart), { b: first.b, level: first.level });
  const out = silence(1.6, random);
  sound(out, first, { rate: RATE, at: LEAD });
  sound(out, second, { rate: RATE, at: LEAD + between(random, 0.004, 0.02) });
  return { sound: out, string, exact: exactHz(first, 0.2, 0.8) };
}

const inRoom =
  (lasts: Seconds, of: (string: OpenString) => boolean = () => true, db?: number): Make =>
  (random) => {
    const string = anyString(random, of);
    const struck = struckNear(random, string, { glide: Math.abs(normal(random)) * 4 });
    const dry = silence(1.4, random, 0);
    sound(dry, struck, { rate: RATE, at: LEAD });
    const out = reverberate(dry, RATE, { lasts, wet: between(random, 0.2, 0.6) }, random);
    const at = Math.round(LEAD * RATE);
    const floor =
      db === undefined ? QUIET : Math.sqrt(power(out, at, at + RATE)) * 10 ** (-db / 20);
    for (let i = 0; i < out.length; i++) out[i]! += floor * normal(random);
    return { sound: out, string, exact: exactHz(struck, 0.2, 0.8) };
  };

/** 12 to 20 dB over a floor of −75. */
function soft(random: Random): Scene {
  const string = anyString(random);
  const floor = 10 ** (-75 / 20);
  const struck = struckNear(random, string);
  const bare = new Float32Array(Math.round((LEAD + 1.3) * RATE));
  sound(bare, struck, { rate: RATE, at: LEAD });
  const from = Math.round(LEAD * RATE);
  const gain =
    (floor * 10 ** (between(random, 12, 22) / 20)) / Math.sqrt(power(bare, from, from + RATE / 2));
  const out = silence(1.3, random, floor);
  for (let i = 0; i < out.length; i++) out[i]! += gain * bare[i]!;
  return { sound: out, string, exact: exactHz(struck, 0.2, 0.8) };
}

/** Fingers that go on to the next string four times a second, letting ring. */
function picked(random: Random): Scene {
  const string = anyString(random);
  const out = silence(2.6, random);
  const struck = struckNear(random, string);
  const others: { string: OpenString; at: Seconds }[] = [];
  for (let k = 0; k < 6; k++) {
    const other = k === 3 ? string : anyString(random, (s) => sameSet(s, string) && s !== string);
    const at = LEAD + k * 0.25;
    if (k !== 3) others.push({ string: other, at });
    sound(out, k === 3 ? struck : struckNear(random, other), { rate: RATE, at, until: 0.5 });
  }
  return { sound: out, string, exact: exactHz(struck, 0.2, 0.8), others, at: LEAD + 0.75 };
}

/** A peg turned while the string rings. */
function turned(random: Random): Scene {
  const string = anyString(random);
  const struck = struckNear(random, string);
  const rate = between(random, 10, 30) * (random() < 0.5 ? -1 : 1);
  const out = silence(1.4, random);
  sound(out, struck, { rate: RATE, at: LEAD, moved: (t) => rate * t });
  // Where it stands at the window's end is what matters: a mean of the window is 9 cents old.
  return { sound: out, string, exact: off(struck.hz, rate * 0.5 + glideAt(struck, 0.5)) };
}

const ROWS: readonly (readonly [name: string, make: Make])[] = [
  ['cut by a finger at 0.17–0.4 s', cut],
  ['cut by the next string at 0.2–0.4 s', next],
  ['dies within a tenth of its time', dull],
  ['a metronome beside', metronome],
  ['touched at 12, nothing known', touched(2, false, false)],
  ['touched at 12, nothing known, string chosen', touched(2, false, true)],
  ['touched at 12, stiffness known', touched(2, true, false)],
  ['touched at 12, stiffness known, string chosen', touched(2, true, true)],
  ['touched at 7, nothing known', touched(3, false, false)],
  ['touched at 7, stiffness known', touched(3, true, false)],
  ['touched at 5, stiffness known', touched(4, true, false)],
  ['a microphone that levels by itself', levelled],
  ['4–7 semitones off, nothing heard before', far(400, 700)],
  [
    'G4 and A4 of a ukulele 120–250 cents off',
    far(120, 250, (s) => s.set.length === 4 && s.hz > 380),
  ],
  ['another instrument beside, 6–25 dB below', classroom([6, 25])],
  ['another instrument beside, 15 dB below', classroom([15, 15])],
  ['another instrument alone, 6–25 dB below', classroom([6, 25], true)],
  ['a pair 15–35 cents apart', pair],
  ['room of 0.4 s', inRoom(0.4)],
  ['room of 1 s', inRoom(1)],
  ['banjo and ukulele, room of 0.6 s at 10 dB', inRoom(0.6, (s) => s.set.length < 6, 10)],
  ['soft, 12–22 dB over −75 dBFS', soft],
  ['picked every 0.25 s', picked],
  ['peg turned by 10–30 cents a second', turned],
  ['the next string, 0.9–2.5 s later', after],
];

const TALKERS: readonly Talker[] = ['talking', 'counting aloud', 'singing', 'humming', 'laughing'];

/** Whoever plays says on what: the strings of a model in their tuning, or of the four instruments. */
function playOn(model: string | undefined): void {
  const { strings } = model ? stringsOfModel(model) : { strings: OPEN_STRINGS };
  const set = strings.map(({ hz }) => hz);
  played = model ? strings.map((string) => ({ ...string, set })) : OPEN_STRINGS;
}

/** What the ear made of the scenes of a row, by its name; of a model’s strings alone, where one is named. */
export function rowOf(name: string, first: number, each: number, model?: string): Row {
  playOn(model);
  const k = ROWS.findIndex(([other]) => other === name);
  const [, make] = ROWS[k]!;
  const row = new Row();
  for (let seed = first; seed < first + each; seed++)
    row.take(seed, make(seededRandom(seed * 104_729 + k)));
  return row;
}

/** Readings in so many seconds of a seeded voice; strings of the four instruments by turns are known, or a model’s. */
export function readingsOfVoice(
  kind: Talker,
  seed: number,
  seconds: Seconds,
  model?: string,
): number {
  playOn(model);
  const random = seededRandom(seed * 7919);
  const samples = silence(seconds, random);
  const said = voice(kind, samples.length - RATE, RATE, random);
  const gain = 0.08 / Math.sqrt(power(said));
  said.forEach((x, i) => {
    samples[i + RATE / 2]! += gain * x;
  });
  const known = knownTargets(played[seed % played.length]!);
  return heard(samples, known).filter(({ outcome }) => outcome.kind === 'reading').length;
}

/** Readings in minutes of voices, each minute another person. */
function talkers(first: number, minutes: number, model?: string): void {
  for (const kind of TALKERS) {
    let readings = 0;
    for (let seed = first; seed < first + minutes; seed++)
      readings += readingsOfVoice(kind, seed, 60, model);
    console.log(`  ${kind}, ${minutes} min: ${readings} readings`);
  }
}

/** Rows that are about one of the four instruments alone. */
const OF_ITS_OWN = /ukulele/;

/** The ear where it is not one clean open pluck; `--row=` prints only the rows whose name holds it, `--long` an hour of each voice; a model’s strings alone, where one is named. */
export function roomFigures(first: number, each: number, model?: string): void {
  const wanted = process.argv.find((word) => word.startsWith('--row='))?.slice('--row='.length);
  const long = process.argv.includes('--long');
  const last = first + each - 1;
  console.log(
    `\nWhat is no clean pluck${model ? `, ${model}` : ''}, seeds ${first}–${last}; strings of a generator of its own`,
  );
  for (const [name] of ROWS)
    if ((!wanted || name.includes(wanted)) && !(model && OF_ITS_OWN.test(name)))
      rowOf(name, first, each, model).print(name);
  if (!wanted || wanted === 'voices') talkers(first, long ? 60 : 8, model);
  if (!wanted && !model) movedFigures(first, each);
}
