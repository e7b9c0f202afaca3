import { RangeMisuse } from '../errors.ts';
import type { Held } from '../fretboard/index.ts';
import { reportedHz } from '../listen/index.ts';
import type { Random } from '../maths/index.ts';
import { between, normal, nth, nth64, seededRandom } from '../maths/index.ts';
import { centsBetween, shiftHz } from '../music/index.ts';
import type { Course, Instrument } from '../strings/index.ts';
import {
  frequencyOf,
  MATERIALS,
  soundingLength,
  startFret,
  stiffnessOf,
  tensionOf,
  tensionPerTurn,
} from '../strings/index.ts';
import type { Cents, Dbfs, Hz, Millimetres, Newtons, Seconds } from '../units.ts';
import { type Creep, creepAt } from './creep.ts';
import {
  compensationFor,
  depthOf,
  type FrettedString,
  frettedRatio,
  frettedUnderCapo,
  GOOD_NECK,
  type NeckFaults,
  type Press,
} from './fretting.ts';
import { Room } from './room.ts';
import type { PluckGesture, Timbre } from './voice.ts';
import { CONTROL_BLOCK, drawTimbre, glideMean, Voice } from './voice.ts';

/** Neck, body and bridge give way with the string: hands need this much more turn than the string alone. */
const GIVE = 1.6;
/** From peg to anchor a string is longer than its scale, in mm. */
const BEHIND_NUT_AND_BRIDGE = 112;
/** Decay time to 1/e of a string at 110 Hz, in seconds, invented within what such instruments do. */
const DECAY_AT_A2 = { guitar: 2.6, ukulele: 2, banjo: 1.1, bass: 3.2, soft: 1.5 } as const;
/** How far one string's cent moves the others, in cent, where nothing else is asked for. */
const COUPLING = { fixed: 0.04, loose: 0.06, floating: 0.15 } as const;
/** Between two strings of a slow strum, in seconds. */
const STRUM_GAP_S = 0.028;
/** A finger rests on a ringing string this long before it plucks again. */
const FINGER_REST_S = 0.06;
/** A slack string is not lower than this share of its nominal tension. */
const LEAST_TENSION = 0.02;
/** No two pulls on a string are alike. */
const PULL_SCATTER = 0.1;
/** A string that is played ages so much faster than one that hangs; invented. */
const PLAYED_FASTER = 3;
const DAY_S = 86_400;

/** How a practice instrument is set up. */
export interface PracticeSetup {
  readonly instrument: Instrument;
  /** What the strings should sound: reported pitch per course, course 1 first, in Hz. */
  readonly targets: readonly Hz[];
  /** How far each course starts from its target, in cents. */
  readonly detune: readonly Cents[];
  readonly seed: number;
  readonly sampleRate: Hz;
  /** Level of the room's noise and of mains hum. */
  readonly noise?: Dbfs;
  readonly hum?: Dbfs;
  /** How far one string's cent moves the others, in cent; else as its bridge has it. */
  readonly coupling?: number;
  /** Spread of single partials' shifts in cents. */
  readonly shiftCents?: Cents;
  /** How new strings creep, course 1 first; null for one that has settled. */
  readonly creep?: readonly (NewString | null)[];
  /** What is out of its place on the neck. */
  readonly neck?: NeckFaults;
  /** The room warms and cools all strings by so many cents up and down in a day. */
  readonly roomSwing?: Cents;
}

/** A new string as it truly is. */
export interface NewString {
  /** Laws that add up; the first one says what a pull is worth. */
  readonly creep: readonly Creep[];
  /** Since it was fitted, with what every stretch has added. */
  readonly age: Seconds;
}

interface StringState {
  readonly unitWeight: number;
  readonly timbre: Timbre;
  readonly nominalTension: Newtons;
  readonly perTurn: Newtons;
  readonly creep: readonly Creep[];
  tension: Newtons;
  /** It hung slack, and is wound up from there. */
  limp: boolean;
  age: Seconds;
}

/**
 * A simulated instrument: strings with tension and stiffness, pegs that turn
 * either way, a neck that bends, a room with noise. It makes the sound that
 * drives the demo and the tests, and knows the truth.
 */
export class PracticeInstrument {
  private readonly random: Random;
  private readonly strings: StringState[];
  private readonly room: Room;
  private readonly voices: { course: number; voice: Voice; raised: number }[] = [];
  private readonly fingers: {
    course: number;
    gesture: PluckGesture;
    wait: number;
    /** What a fret multiplies the pitch by. */
    raised: number;
  }[] = [];
  private readonly block = new Float64Array(CONTROL_BLOCK);
  private readonly coupling: number;
  /** Where the saddle of each course was set, in mm further out. */
  private readonly compensations = new Map<number, Millimetres>();
  private winding: {
    readonly course: number;
    readonly perSecond: number;
    left: Seconds;
  } | null = null;
  private pending = 0;
  private elapsed: Seconds = 0;

  constructor(private readonly setup: PracticeSetup) {
    this.random = seededRandom(setup.seed);
    this.coupling = setup.coupling ?? COUPLING[setup.instrument.bridge];
    this.strings = setup.instrument.courses.map((course, i) => this.stringOf(course, i));
    this.room = new Room(setup.sampleRate, setup.noise ?? -72, setup.hum ?? -90, this.random);
    this.startAt(setup.detune);
  }

  /**
   * Plucks a course. Strength 0…1; position is the finger's place from the bridge.
   * On a string that rings the finger first comes to rest, as a hand's does.
   */
  pluck(course: number, gesture: Partial<PluckGesture> = {}): void {
    this.stringAt(course);
    const full: PluckGesture = {
      strength: gesture.strength ?? 0.6,
      position: gesture.position ?? between(this.random, 0.12, 0.28),
    };
    const rings = this.voices.some((entry) => entry.course === course);
    this.mute(course);
    this.put(course, full, rings);
  }

  /** Mutes every string, then plucks one, as a tidy hand does. */
  pluckAlone(course: number, strength: number): void {
    this.stringAt(course);
    const position = between(this.random, 0.12, 0.28);
    const rings = this.voices.length > 0;
    this.mute();
    this.put(course, { strength, position }, rings);
  }

  /** Strums all strings slowly, the thickest first, as a hand that listens does. */
  strum(): void {
    this.mute();
    const rest = this.voices.length > 0 ? FINGER_REST_S : 0;
    [...this.setup.instrument.courses].reverse().forEach(({ number }, i) => {
      const gesture = { strength: 0.5, position: between(this.random, 0.12, 0.28) };
      const wait = Math.round((rest + i * STRUM_GAP_S) * this.setup.sampleRate);
      this.fingers.push({ course: number, gesture, wait, raised: 1 });
    });
  }

  /** Sounds a string held at a fret and an open one together, as evenly as a hand can. */
  pluckPair(held: Held, open: number): void {
    this.stringAt(held.course);
    this.stringAt(open);
    const rings = this.voices.length > 0;
    this.mute();
    const frets = held.fret === 0 ? 0 : held.fret - startFret(this.setup.instrument, held.course);
    const gesture = () => ({ strength: 0.5, position: between(this.random, 0.12, 0.28) });
    this.put(held.course, gesture(), rings, 2 ** (frets / 12));
    this.put(open, gesture(), rings);
  }

  private put(course: number, gesture: PluckGesture, rings: boolean, raised = 1): void {
    const wait = rings ? Math.round(FINGER_REST_S * this.setup.sampleRate) : 0;
    this.fingers.push({ course, gesture, wait, raised });
  }

  /** Plucks a course held at a fret, or touched over the twelfth where `press` is null; with a capo on fret 1 where it is asked for. */
  pluckFretted(
    course: number,
    fret: number,
    press: Press | null,
    { strength = 0.6, capo = false }: { readonly strength?: number; readonly capo?: boolean } = {},
  ): void {
    this.stringAt(course);
    const own = fret - startFret(this.setup.instrument, course);
    const ratio =
      press === null
        ? 2
        : (capo ? frettedUnderCapo : frettedRatio)(
            this.frettedString(course),
            this.neckAt(course),
            own,
            depthOf(press, normal(this.random)),
          );
    const rings = this.voices.length > 0;
    this.mute();
    // Touched in its middle, a string sounds where the finger is not.
    const position = press === null ? 0.11 : between(this.random, 0.12, 0.28);
    this.put(course, { strength, position }, rings, ratio);
  }

  /** By how many cents a fretted note is truly off, against its own open string. */
  fretError(course: number, fret: number, press: Press, capo = false): Cents {
    const own = fret - startFret(this.setup.instrument, course);
    const ratio = (capo ? frettedUnderCapo : frettedRatio)(
      this.frettedString(course),
      this.neckAt(course),
      own,
      depthOf(press, 0),
    );
    return centsBetween(1, ratio) - 100 * own;
  }

  /** Turns a course's button by so many turns; positive tightens. Sounding strings follow at once. */
  turn(course: number, turns: number): void {
    const string = this.stringAt(course);
    const least = string.nominalTension * LEAST_TENSION;
    string.tension = Math.max(least, string.tension + turns * string.perTurn);
  }

  /** Winds a course by so many cents within so many seconds, at an even pace; those begun before are let be. */
  wind(course: number, cents: Cents, seconds: Seconds): void {
    this.stringAt(course);
    this.winding = { course, left: seconds, perSecond: cents / seconds };
  }

  /** Lets a course hang slack by so many cents. */
  slacken(course: number, cents: Cents): void {
    const string = this.stringAt(course);
    string.tension *= 2 ** (-cents / 600);
    string.limp = true;
  }

  /** Lets time go by: new strings creep, the room warms and cools. */
  elapse(seconds: Seconds): void {
    this.elapsed += seconds;
    for (const string of this.strings) ageBy(string, seconds);
  }

  /** Plays for so long: new strings creep faster under the hand. */
  play(seconds: Seconds): void {
    this.elapsed += seconds;
    for (const string of this.strings) ageBy(string, seconds * PLAYED_FASTER);
  }

  /** Pulls a new string away from the board, as evenly as a hand can; one that has settled gives no more. */
  stretch(course: number): void {
    const string = this.stringAt(course);
    const [creep] = string.creep;
    if (creep) ageBy(string, creep.jump * Math.max(0.1, 1 + PULL_SCATTER * normal(this.random)));
  }

  /** Damps one course, or all. */
  mute(course?: number): void {
    for (const entry of this.voices)
      if (course === undefined || entry.course === course) entry.voice.damp();
  }

  /** Renders the next samples. */
  render(out: Float32Array): void {
    for (let at = 0; at < out.length; ) {
      if (this.pending === 0) this.renderBlock();
      const from = CONTROL_BLOCK - this.pending;
      const count = Math.min(this.pending, out.length - at);
      for (let k = 0; k < count; k++) out[at + k] = nth64(this.block, from + k);
      at += count;
      this.pending -= count;
    }
  }

  /** The exact pitch of an open course now, in reported pitch, glide gone. */
  truthHz(course: number): Hz {
    const { f0, inharmonicity } = this.truth(course);
    return reportedHz(f0, inharmonicity);
  }

  /** Exact f0 and stiffness of a course now. */
  truth(course: number): { f0: Hz; inharmonicity: number } {
    return { f0: this.f0(course), inharmonicity: stiffnessNow(this.stringAt(course)) };
  }

  /** What an exact reading of a pluck of this strength would say, with the glide left in its window. */
  exactReadingHz(course: number, strength: number, from = 0.2, to = 0.8): Hz {
    return shiftHz(this.truthHz(course), glideMean(strength, from, to));
  }

  /** How far a course lies from its target now, in cents. */
  deviation(course: number): Cents {
    return centsBetween(nth(this.setup.targets, course - 1), this.truthHz(course));
  }

  /** The neck under one string. */
  private neckAt(course: number): NeckFaults {
    const neck = this.setup.neck ?? GOOD_NECK;
    const share = (course - 1) / Math.max(1, this.longCourses - 1);
    const made = neck.compensated ? this.compensationOf(course) : 0;
    return { ...neck, saddleMm: neck.saddleMm + made + share * (neck.slantMm ?? 0) };
  }

  /** Set once, at the pitch that the string is made for. */
  private compensationOf(course: number): Millimetres {
    const kept = this.compensations.get(course);
    if (kept !== undefined) return kept;
    const tension = this.stringAt(course).nominalTension;
    const made = compensationFor({ ...this.frettedString(course), tension });
    this.compensations.set(course, made);
    return made;
  }

  /** Strings that run over the whole neck. */
  private get longCourses(): number {
    const { instrument } = this.setup;
    return instrument.courses.filter(({ number }) => startFret(instrument, number) === 0).length;
  }

  private frettedString(course: number): FrettedString {
    const { instrument } = this.setup;
    const { spec } = nth(nth(instrument.courses, course - 1).strings, 0);
    const scaleMm = soundingLength(instrument, course);
    return {
      scaleMm,
      totalMm: scaleMm + BEHIND_NUT_AND_BRIDGE,
      tension: this.stringAt(course).tension,
      stiffness: (MATERIALS[spec.material].modulus * Math.PI * (spec.coreMm / 1000) ** 2) / 4,
    };
  }

  private release(): void {
    for (let i = this.fingers.length - 1; i >= 0; i--) {
      const finger = nth(this.fingers, i);
      finger.wait -= CONTROL_BLOCK;
      if (finger.wait >= 0) continue;
      this.fingers.splice(i, 1);
      const { course, gesture, raised } = finger;
      const string = this.stringAt(course);
      const timbre = { ...string.timbre, inharmonicity: stiffnessNow(string) };
      const f0 = raised * this.f0(course);
      const voice = new Voice(this.setup.sampleRate, timbre, f0, gesture, this.random);
      this.voices.push({ course, voice, raised });
    }
  }

  private windOn(): void {
    if (!this.winding) return;
    const seconds = Math.min(this.winding.left, CONTROL_BLOCK / this.setup.sampleRate);
    this.winding.left -= seconds;
    this.slacken(this.winding.course, -seconds * this.winding.perSecond);
    if (this.winding.left <= 0) this.winding = null;
  }

  private renderBlock(): void {
    this.block.fill(0);
    if (this.setup.creep) this.elapse(CONTROL_BLOCK / this.setup.sampleRate);
    this.windOn();
    this.release();
    for (let i = this.voices.length - 1; i >= 0; i--) {
      const { course, voice, raised } = nth(this.voices, i);
      voice.render(this.block, CONTROL_BLOCK, raised * this.f0(course));
      if (voice.silent) this.voices.splice(i, 1);
    }
    this.room.render(this.block, CONTROL_BLOCK);
    this.pending = CONTROL_BLOCK;
  }

  private stringAt(course: number): StringState {
    const string = this.strings[course - 1];
    if (!string) throw new RangeMisuse(`the instrument has no string ${course}`);
    return string;
  }

  private f0(course: number): Hz {
    const string = this.stringAt(course);
    const length = soundingLength(this.setup.instrument, course);
    const cents = this.bend(course) + this.warmth();
    return shiftHz(frequencyOf(string.unitWeight, length, string.tension), cents);
  }

  /** What the room does to all strings alike. */
  private warmth(): Cents {
    return (this.setup.roomSwing ?? 0) * Math.sin((2 * Math.PI * this.elapsed) / DAY_S);
  }

  /** The neck bends under the other strings' tension and lets this one fall. */
  private bend(course: number): Cents {
    let cents = 0;
    this.strings.forEach((string, i) => {
      if (i === course - 1) return;
      // One cent is about T · ln 2 / 600.
      const oneCent = (string.nominalTension * Math.LN2) / 600;
      cents += (string.tension - string.nominalTension) / oneCent;
    });
    return -this.coupling * cents;
  }

  private stringOf(course: Course, index: number): StringState {
    const { spec, peg } = nth(course.strings, 0);
    const { kind } = this.setup.instrument;
    const target = nth(this.setup.targets, index);
    const length = soundingLength(this.setup.instrument, course.number);
    const inharmonicity = stiffnessOf(spec, length, target);
    const f0 = target / Math.sqrt(1 + 16 * inharmonicity);
    const nominalTension = tensionOf(spec.unitWeight, length, f0);
    const stretch = {
      coreMm: spec.coreMm,
      modulus: MATERIALS[spec.material].modulus,
      totalMm: length + BEHIND_NUT_AND_BRIDGE,
    };
    return {
      unitWeight: spec.unitWeight,
      timbre: drawTimbre(
        this.random,
        inharmonicity,
        DECAY_AT_A2[spec.material === 'steel' ? kind : 'soft'] * (110 / target) ** 0.45,
        this.setup.shiftCents,
      ),
      nominalTension,
      perTurn: tensionPerTurn(peg, stretch, GIVE),
      tension: nominalTension,
      limp: false,
      creep: this.setup.creep?.[index]?.creep ?? [],
      age: this.setup.creep?.[index]?.age ?? 0,
    };
  }

  /** Sets the tensions so that, with the neck bent by all of them, each course lies where it should. */
  private startAt(detune: readonly Cents[]): void {
    for (let round = 0; round < 12; round++)
      this.strings.forEach((string, i) => {
        const error = (detune[i] ?? 0) - this.deviation(i + 1);
        string.tension *= 2 ** (error / 600);
      });
  }
}

/** A string that has dropped by c cents has lost that much tension: f goes with its root. */
function ageBy(string: StringState, seconds: Seconds): void {
  const dropped = () => string.creep.reduce((sum, law) => sum + creepAt(law, string.age), 0);
  const before = dropped();
  string.age += seconds;
  string.tension *= 2 ** ((before - dropped()) / 600);
}

/** Under less tension the stiffness of the rod counts for more; near its note that is not heard, and left out. */
function stiffnessNow({ timbre, nominalTension, tension, limp }: StringState): number {
  return limp ? (timbre.inharmonicity * nominalTension) / tension : timbre.inharmonicity;
}
