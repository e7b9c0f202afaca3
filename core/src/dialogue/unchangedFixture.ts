import type { Refusal } from '../listen/index.ts';
import { digest } from '../maths/digestFixture.ts';
import { normal, type Random, seededRandom } from '../maths/index.ts';
import { findTuning, shiftHz, type Target, targetsOf } from '../music/index.ts';
import {
  type BenchState,
  benchAfter,
  ledger,
  type StringReading,
  startBench,
} from '../sitting/index.ts';
import { expectedCoupling, findModel, type Instrument, withPeg } from '../strings/index.ts';
import { askedAtBench, benchTalk, startBenchTalk } from './bench.ts';
import { NOTHING_ASKED, outcomeOf, plainWorld, readingAt } from './benchFixture.ts';
import { benchFault, benchSaying } from './benchSaying.ts';
import type { BenchInput, BenchTalk, BenchWorld } from './benchTypes.ts';

const REFUSALS: readonly Refusal[] = [
  { kind: 'not sure', reason: 'no pitch' },
  { kind: 'too quiet', levelDbfs: -70 },
  { kind: 'interrupted' },
];
const PRESSES: readonly BenchInput['type'][] = [
  'accept',
  'accept',
  'next pass',
  'by ear',
  'compare',
  'reference',
  'peg test',
  'sound target',
  'start afresh',
];
const COUPLING = 0.05;

interface Way {
  readonly model: string;
  readonly tuning: string;
  readonly from: string;
  readonly seed: number;
  readonly change: Partial<BenchWorld>;
}

/** What one input led to: what was done, what is to be said, and every fact of it. */
interface Told {
  readonly done: string;
  readonly about: string;
  readonly saying: ReturnType<typeof benchSaying>;
  readonly fault: string;
}

/** A player who mostly follows, turns too far, names the wrong string, and plays with the buttons. */
class Walk {
  readonly told: Told[] = [];
  talk: BenchTalk = startBenchTalk();
  state: BenchState;
  private readonly targets: readonly Target[];
  private readonly strings: number[];
  private readonly heard: StringReading[] = [];
  private readonly random: Random;
  private instrument: Instrument;

  constructor(private readonly way: Way) {
    this.random = seededRandom(way.seed);
    this.targets = targetsOf(findTuning(way.tuning)!, 440);
    this.strings = targetsOf(findTuning(way.from)!, 440).map(({ hz }) =>
      shiftHz(hz, 15 * normal(this.random)),
    );
    this.instrument = findModel(way.model)!.build('i', 'I');
    const order = this.targets.map(({ course }) => course).reverse();
    this.state = startBench({ order, tolerance: 2 });
  }

  get world(): BenchWorld {
    const { state, heard, targets, instrument } = this;
    return plainWorld({
      state,
      heard,
      tuning: findTuning(this.way.tuning)!,
      targets,
      coupling: expectedCoupling({ tensions: targets.map(() => 70), bridge: 'fixed' }),
      instrument,
      ...this.way.change,
    });
  }

  go(steps: number) {
    for (let i = 0; i < steps; i++) this.act();
    return { told: this.told, ledger: ledger(this.state) };
  }

  private send(input: BenchInput): void {
    const { state, effects } = benchTalk(this.talk, input, this.world);
    this.talk = state;
    for (const effect of effects) {
      if (effect.do === 'save peg')
        this.instrument = withPeg(this.instrument, effect.course, effect.peg);
      if (effect.do !== 'record') continue;
      this.state = benchAfter(this.state, effect.event);
      if (effect.event.type === 'reading') this.heard.push(effect.event.reading);
    }
    const fault = benchFault(this.talk, this.world);
    const saying = benchSaying(this.talk, this.world);
    this.told.push({
      done: effects.map((e) => (e.do === 'record' ? e.event.type : e.do)).join('+') || '–',
      about: saying.about,
      saying,
      fault: fault?.rule ?? '–',
    });
  }

  private turn(course: number, cents: number): void {
    this.strings.forEach((hz, j) => {
      this.strings[j] = shiftHz(hz, j === course - 1 ? cents : -COUPLING * cents);
    });
  }

  private pluck(course: number, ringsTo = 0): void {
    const asked = askedAtBench(this.talk, this.state);
    const hz = this.strings[course - 1]!;
    this.send({ type: 'heard', heard: { type: 'onset', at: 0, asked: 0 }, asked });
    const track = Array.from({ length: 40 }, (_, k) => [
      0.05 + 0.03 * k,
      shiftHz(hz, 3 * Math.exp(-k / 2) + (ringsTo * Math.max(0, k - 10)) / 30),
    ]).flat();
    const outcome = { ...readingAt(hz, 0.3), levelDbfs: -24 + 18 * normal(this.random) };
    this.send({ type: 'heard', heard: outcomeOf(outcome, track), asked });
  }

  /** One thing that hands do. */
  private act(): void {
    const { random, targets } = this;
    const any = 1 + Math.floor(random() * targets.length);
    const course = random() < 0.8 ? (this.state.active ?? any) : any;
    const chance = random();
    if (chance < 0.3) this.pluck(course);
    else if (chance < 0.55) {
      this.turn(course, 25 * normal(random) * (random() < 0.3 ? 3 : 0.4));
      this.pluck(course, random() < 0.3 ? 14 * normal(random) : 0);
    } else if (chance < 0.62)
      this.send({
        type: 'heard',
        heard: outcomeOf(REFUSALS[Math.floor(random() * REFUSALS.length)]!),
        asked: NOTHING_ASKED,
      });
    else if (chance < 0.72) this.send({ type: 'choose', course: random() < 0.3 ? null : any });
    else if (chance < 0.8) {
      this.pluck(course);
      this.pluck(course);
    } else if (chance < 0.84) {
      this.turn(course, 1200 * Math.sign(random() - 0.5));
      this.pluck(course);
    } else if (chance < 0.9 && this.talk.led.kind === 'pair')
      this.send({
        type: 'heard',
        heard: { type: 'pair', beat: { kind: 'beat', cents: 4, hz: 0.5 } },
        asked: NOTHING_ASKED,
      });
    else this.send({ type: PRESSES[Math.floor(random() * PRESSES.length)]! } as BenchInput);
  }
}

const walk = (way: Way) => new Walk(way).go(70);

const STANDARD = { model: 'steel-guitar', tuning: 'guitar-standard', from: 'guitar-standard' };
const UKULELE = {
  model: 'ukulele-concert',
  tuning: 'ukulele-standard',
  from: 'ukulele-half-step-down',
};
const BANJO = { model: 'banjo-five', tuning: 'banjo-double-c', from: 'banjo-open-g' };

/** What is said on some seeded ways over the bench, and what its log makes of them. */
export function figures(): Record<string, ReturnType<typeof digest>> {
  return {
    walks: digest([
      walk({ ...STANDARD, seed: 1, change: {} }),
      walk({ ...STANDARD, seed: 2, change: { aiming: true, bold: true } }),
      walk({ ...STANDARD, tuning: 'guitar-open-d', seed: 3, change: { retuning: true } }),
      walk({ ...STANDARD, seed: 4, change: { practice: true } }),
      walk({ ...UKULELE, seed: 5, change: {} }),
      walk({ ...BANJO, seed: 6, change: { retuning: true, aiming: true } }),
      walk({ ...BANJO, seed: 7, change: { listening: false } }),
    ]),
  };
}
