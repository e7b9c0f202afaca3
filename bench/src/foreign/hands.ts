import { between, normal, type Random, seededRandom } from '@rosefinch/core/maths';
import { findTuning, type Target, targetsOf, tuningsFor } from '@rosefinch/core/music';
import { findModel, type Instrument, soundingLength, stiffnessOf } from '@rosefinch/core/strings';
import type { Cents, Hz } from '@rosefinch/core/units';

/**
 * Hands on an instrument, as people tune: where its strings stand, what is plucked and what is
 * turned. It knows nothing of how the application decides which string sounded.
 */
export const STARTS = ['ordinary', 'new set', 'box-fresh', 'other tuning', 'one replaced'] as const;
export type Start = (typeof STARTS)[number];
export const HABITS = ['asked', 'digit', 'random', 'returns'] as const;
export type Habit = (typeof HABITS)[number];

/** Which instruments, each in its own tuning. */
const INSTRUMENTS = [
  ['steel-guitar', 'guitar-standard'],
  ['nylon-guitar', 'guitar-standard'],
  ['ukulele-concert', 'ukulele-standard'],
  ['ukulele-concert', 'ukulele-low-g'],
  ['banjo-five', 'banjo-open-g'],
] as const;

/** A string and what a microphone would make of it. */
export interface HandString {
  readonly target: Target;
  /** Where it stands, in cents from its target. */
  cents: Cents;
  /** ln(B·f²) of this very string, and how it scatters from pluck to pluck. */
  readonly stiff: number;
  readonly stiffScatter: number;
  /** How loud it is in this hand, dB. */
  readonly level: number;
}

export interface HeardNote {
  readonly hz: Hz;
  readonly inharmonicity?: number;
  readonly levelDbfs: number;
}

export interface Scene {
  readonly random: Random;
  readonly instrument: Instrument;
  readonly start: Start;
  readonly habit: Habit;
  readonly strings: readonly HandString[];
  /** Thickest first, or as the strings lie. */
  readonly order: readonly number[];
  readonly neighbours: boolean;
}

/** A scene by its seed; every fifth number has another start, every fourth another habit. */
export function sceneOf(seed: number, start?: Start, habit?: Habit): Scene {
  const random = seededRandom(seed * 7919 + 13);
  for (let i = 0; i < 5; i++) random();
  const pick = <T>(from: readonly T[]): T => from[Math.floor(from.length * random())]!;
  const [model, tuningId] = pick(INSTRUMENTS);
  const own = start ?? pick(STARTS);
  const instrument = findModel(model)!.build('h', 'H');
  const targets = targetsOf(findTuning(tuningId)!, 440);
  const found = foundAt(own, targets, tuningId, random);
  const plain = model === 'ukulele-concert';
  const strings = targets.map((target, i) => {
    const spec = instrument.courses[i]!.strings[0]!.spec;
    const b = stiffnessOf(spec, soundingLength(instrument, target.course), target.hz);
    return {
      target,
      cents: found[i]!,
      stiff: Math.log(b * target.hz ** 2) + (plain ? 0.7 : 0.4) * normal(random),
      stiffScatter: plain ? between(random, 0.3, 1.5) : between(random, 0.06, 0.4),
      level: 2.5 * normal(random),
    };
  });
  const courses = targets.map(({ course }) => course);
  return {
    random,
    instrument,
    start: own,
    habit: habit ?? pick(HABITS),
    strings,
    order: random() < 0.85 ? courses.reverse() : courses,
    neighbours: random() < 0.3,
  };
}

/** Where the strings stand when the case is opened, cents. */
function foundAt(
  start: Start,
  targets: readonly Target[],
  tuningId: string,
  random: Random,
): Cents[] {
  const usual = () => (random() < 0.1 ? 45 : 14) * normal(random);
  switch (start) {
    case 'ordinary':
      return targets.map(usual);
    case 'new set': {
      // Wound up by ear to somewhere below, some further than others.
      const about = between(random, -450, -60);
      return targets.map(() => Math.min(80, about + 130 * normal(random)));
    }
    case 'box-fresh': {
      // Shipped slack: alike within a semitone or two.
      const about = between(random, -900, -250);
      return targets.map(() => about + 80 * normal(random));
    }
    case 'other tuning': {
      const { kind, courses } = findTuning(tuningId)!;
      // Further than a fourth nobody goes without other strings.
      const others = tuningsFor(kind, courses.length).filter(
        (one) =>
          one.id !== tuningId &&
          one.courses.every(([midi], i) => Math.abs(midi! - targets[i]!.midi) <= 5),
      );
      const other = others[Math.floor(others.length * random())]!;
      return targets.map(
        (target, i) => 100 * (other.courses[i]![0]! - target.midi) + 9 * normal(random),
      );
    }
    case 'one replaced': {
      const which = Math.floor(targets.length * random());
      return targets.map((_, i) => (i === which ? between(random, -900, -90) : usual()));
    }
  }
}

/** What is heard of a string that is plucked now. */
export function heardOf({ random }: Scene, string: HandString): HeardNote {
  const hz = string.target.hz * 2 ** ((string.cents + 0.5 * normal(random)) / 1200);
  const b = Math.exp(string.stiff + string.stiffScatter * normal(random)) / hz ** 2;
  const known = random() < 0.9;
  return {
    hz,
    ...(known && { inharmonicity: b }),
    levelDbfs: -24 + string.level + 3.5 * normal(random),
  };
}

/** Somebody else in the room tunes the same kind of instrument, further off. */
export function neighbourNote({ random, strings }: Scene): HeardNote {
  const any = strings[Math.floor(strings.length * random())]!;
  const hz = any.target.hz * 2 ** ((60 * normal(random)) / 1200);
  return {
    hz,
    inharmonicity: Math.exp(any.stiff + 0.5 * normal(random)) / hz ** 2,
    levelDbfs: -36 + 3.5 * normal(random),
  };
}

/** Turns towards the note, as far as a hand manages at once; the others give a little. */
export function turnTowards(scene: Scene, string: HandString, by = -string.cents): void {
  const { random, strings } = scene;
  const far = Math.abs(by) > 350 && random() < 0.5;
  const share = far ? between(random, 0.4, 0.75) : between(random, 0.72, 1.1);
  const moved = share * by + 3 * normal(random);
  for (const other of strings)
    other.cents += other === string ? moved : -0.01 * moved * between(random, 0.3, 1.6);
}
