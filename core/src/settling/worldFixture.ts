import { normal, type Random, seededRandom } from '../maths/index.ts';
import type { Said } from '../sitting/index.ts';
import type { Cents, Seconds } from '../units.ts';
import { historyOf, type Look, type StringHistory, stepsOf } from './index.ts';

export const AT = Date.UTC(2026, 9, 24, 9);

/** How far a string has fallen by an age, in cents. */
export type Fall = (age: Seconds) => Cents;

/**
 * Laws of creep as they are published, from the first minute to the first hour by so many
 * cents: power (Andrade 1910), logarithm (primary creep), stretched exponential
 * (Kohlrausch 1854), two exponentials (Burgers). The judge contains none of them.
 */
export const LAWS = {
  power: (cents: Cents) => scaled((t) => t ** 0.3, cents),
  logarithm: (cents: Cents) => scaled((t) => Math.log1p(t / 120), cents),
  'stretched exponential': (cents: Cents) =>
    scaled((t) => -Math.expm1(-Math.sqrt(t / 8000)), cents),
  'two exponentials': (cents: Cents) =>
    scaled((t) => -0.5 * Math.expm1(-t / 400) - 0.5 * Math.expm1(-t / 20_000), cents),
};

function scaled(law: Fall, cents: Cents): Fall {
  const size = cents / (law(3600) - law(60));
  return (age) => size * law(age);
}

/** Strings that fall by their laws, and hands that pull, turn and pluck them. */
export class Strings {
  readonly looks: Look[] = [];
  seconds: Seconds = 90;
  private readonly level: Cents[];
  private readonly pulled: Seconds[];
  private readonly random: Random;

  constructor(
    private readonly laws: readonly Fall[],
    seed: number,
    private readonly error: Cents = 0.3,
  ) {
    this.random = seededRandom(seed);
    this.level = laws.map(() => 0);
    this.pulled = laws.map(() => 0);
    laws.forEach((_, i) => {
      this.bringTo(i + 1, 0);
    });
  }

  stands(course: number): Cents {
    return this.level[course - 1]! - this.fallen(course);
  }

  private fallen(course: number): Cents {
    return this.laws[course - 1]!(this.seconds + this.pulled[course - 1]!);
  }

  bringTo(course: number, cents: Cents): void {
    this.level[course - 1] = cents + this.fallen(course);
  }

  pull(course: number): void {
    this.pulled[course - 1]! += 600 * Math.exp(0.35 * normal(this.random));
  }

  /** The winding lets go. */
  slip(course: number, cents: Cents): void {
    this.level[course - 1]! -= cents;
  }

  pluck(course: number, asked?: 'pull' | 'leave'): void {
    const cents = this.stands(course) + this.error * normal(this.random);
    const hz = 200 * 2 ** (course / 4 + cents / 1200);
    const at = AT + Math.round(1000 * this.seconds);
    this.looks.push({
      course,
      at,
      cents,
      errorCents: this.error,
      hz,
      ...(asked && { asked }),
    });
    this.seconds += 6;
  }

  /** Pulled, read, brought up, read. */
  round(course: number): void {
    this.seconds += 6;
    this.pull(course);
    this.pluck(course, 'pull');
    this.seconds += 6;
    this.bringTo(course, 0.5 * normal(this.random));
    this.pluck(course);
  }

  histories(
    material: StringHistory['material'] = 'nylon',
    said: readonly Said[] = [],
  ): StringHistory[] {
    const taken = stepsOf(this.looks, said, 2);
    return this.laws.map((_, i) => historyOf(i + 1, AT, taken.get(i + 1) ?? [], material));
  }

  /** Seconds from now until it has left the tolerance; at most a day. */
  hold(course: number, tolerance: Cents): Seconds {
    const [from, level] = [this.seconds, this.level[course - 1]!];
    let time = 0;
    while (time < 86_400 && Math.abs(this.stands(course)) <= tolerance) {
      time = 1.02 * time + 1;
      this.seconds = from + time;
    }
    this.seconds = from;
    this.level[course - 1] = level;
    return time;
  }
}
