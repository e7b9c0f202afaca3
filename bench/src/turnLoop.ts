import {
  askedAtBench,
  type BenchTalk,
  benchSaying,
  benchTalk,
  startBenchTalk,
} from '@rosefinch/core/dialogue';
import { knowledgeOf, type ListenEvent, Listener } from '@rosefinch/core/listen';
import { between, normal, type Random, seededRandom } from '@rosefinch/core/maths';
import { findTuning, type Target, targetsOf, tuningsFor } from '@rosefinch/core/music';
import { PracticeInstrument } from '@rosefinch/core/practice';
import type { Saying } from '@rosefinch/core/sentences';
import {
  BeliefKeeper,
  type BenchState,
  benchAfter,
  currentPass,
  isClosed,
  offBy,
  startBench,
  stringOf,
} from '@rosefinch/core/sitting';
import { setupFor } from '@rosefinch/core/state';
import { expectedCoupling, findModel, type Instrument } from '@rosefinch/core/strings';
import type { Cents, Seconds } from '@rosefinch/core/units';
import { quantile } from './print.ts';

const RATE = 24_000;
const BLOCK: Seconds = 0.02;
const MOST_PLUCKS = 12;
/** Whoever reads a sentence begins to turn so long after the pluck, and waits so long before the next one. */
const BEGINS: Seconds = 0.35;
const PAUSE: Seconds = 0.25;
/** Nobody turns so fast that the note would be reached sooner than this. */
const NO_SOONER: Seconds = 0.8;
/** … nor slower than this, in cents a second; a turn of so few cents is made by feel. */
const SLOWEST = 20;
const SMALL: Cents = 8;
/** A string rings on so long that it is worth turning, by its material. */
const WORTH_TURNING = { steel: 2.6, soft: 1.3 } as const;

/** What came of one string. */
interface Tuned {
  readonly plucks: number;
  readonly seconds: Seconds;
  /** Where the first turn stopped, from the note, on the side where it went: positive is past it; null where nothing was turned. */
  readonly firstStop: Cents | null;
  readonly done: boolean;
}

/** A hand that does what the sentence says, so long after it was said. */
class Hand {
  pace = 0;
  private readonly orders: { readonly at: Seconds; readonly pace: number }[] = [];

  constructor(private readonly random: Random) {}

  /** Acts on what is said now, after a reaction. */
  order(now: Seconds, pace: number): void {
    const at = now + Math.max(0.1, 0.25 + 0.06 * normal(this.random));
    this.orders.push({ at, pace });
  }

  act(now: Seconds): void {
    while (this.orders[0] && this.orders[0].at <= now) this.pace = this.orders.shift()!.pace;
  }

  rest(): void {
    this.pace = 0;
    this.orders.length = 0;
  }
}

class Loop {
  private talk: BenchTalk = startBenchTalk();
  private state: BenchState;
  private readonly practice: PracticeInstrument;
  private readonly listener: Listener;
  private readonly hand: Hand;
  private now: Seconds = 0;
  private readonly beliefs: BeliefKeeper;
  private readonly coupling = expectedCoupling({ tensions: [], bridge: 'fixed' });

  constructor(
    private readonly random: Random,
    private readonly instrument: Instrument,
    private readonly targets: readonly Target[],
    private readonly course: number,
    from: Cents,
  ) {
    this.practice = new PracticeInstrument({
      instrument,
      targets: targets.map(({ hz }) => hz),
      detune: targets.map((target) => (target.course === course ? from : 0)),
      seed: Math.floor(random() * 1e9),
      sampleRate: RATE,
      noise: -72,
    });
    const goal = { order: targets.map((target) => target.course).reverse(), tolerance: 2 };
    this.state = benchAfter(startBench(goal), { type: 'choose', course });
    const before = targets.map(() => null);
    const tunings = tuningsFor(instrument.kind, targets.length);
    this.beliefs = new BeliefKeeper(setupFor({ instrument, targets, before, tunings, goal }));
    this.listener = new Listener(RATE, (event) => this.hear(event));
    this.listener.know(knowledgeOf(targets, []));
    this.hand = new Hand(random);
    this.play(0.5);
  }

  private get world() {
    const { state, targets, instrument } = this;
    return {
      state,
      targets,
      instrument,
      heard: [],
      fitted: [],
      tuning: findTuning(instrument.tuningId) ?? null,
      strings: knowledgeOf(targets, []),
      followed: this.beliefs.of(state.history),
      before: targets.map(() => null),
      coupling: this.coupling,
      aiming: false,
      a4: 440,
      practice: true,
      listening: true,
      planned: undefined,
      retuning: false,
      bold: false,
    };
  }

  private hear(heard: ListenEvent): void {
    if (heard.type === 'level' || heard.type === 'room') return;
    const asked = askedAtBench(this.talk, this.state);
    const { state, effects } = benchTalk(this.talk, { type: 'heard', heard, asked }, this.world);
    this.talk = state;
    for (const effect of effects)
      if (effect.do === 'record') this.state = benchAfter(this.state, effect.event);
  }

  private play(seconds: Seconds): void {
    const sound = new Float32Array(Math.round(seconds * RATE));
    this.practice.render(sound);
    this.listener.hear(sound);
    this.now += seconds;
  }

  private turnBy(cents: Cents): void {
    const before = this.practice.deviation(this.course);
    this.practice.turn(this.course, 1e-4);
    const slope = (this.practice.deviation(this.course) - before) / 1e-4;
    this.practice.turn(this.course, cents / slope - 1e-4);
  }

  private get saying(): Saying {
    return benchSaying(this.talk, this.world);
  }

  private get isDone(): boolean {
    const entry = stringOf(currentPass(this.state), this.course);
    return entry !== undefined && isClosed(entry);
  }

  /** The live figure on the screen. */
  private get shown(): Cents {
    const { hz } = this.targets[this.course - 1]!;
    const live = this.talk.track.at(-1);
    return live === undefined ? 0 : 1200 * Math.log2(live / hz);
  }

  tune(): Tuned {
    const { hand, random, practice, course } = this;
    const pace = between(random, 50, 100);
    let plucks = 0;
    let firstStop: Cents | null = null;
    const start = this.now;
    const steel =
      this.instrument.courses[course - 1]!.strings[0]!.spec.material === 'steel' &&
      this.instrument.kind !== 'banjo';
    while (!this.isDone && plucks < MOST_PLUCKS) {
      practice.pluckAlone(course, between(random, 0.4, 0.65));
      plucks++;
      const pluckedAt = this.now;
      const rings = steel ? WORTH_TURNING.steel : WORTH_TURNING.soft;
      let turning = false;
      let way = 0;
      let turnsAt = pace;
      let last = '';
      while (this.now - pluckedAt < rings + 0.8 && !this.isDone) {
        this.play(BLOCK);
        const since = this.now - pluckedAt;
        const off = this.shown;
        // The live figure is seen: anyone who sees that it is off turns, as long as there is ring left.
        const mayTurn =
          since > BEGINS && since < rings - 0.5 && !turning && this.talk.called === null;
        if (mayTurn && Math.abs(off) > 2 && this.seesOff()) {
          turning = true;
          way = -Math.sign(off);
          turnsAt = Math.max(SLOWEST, Math.min(pace, Math.abs(off) / NO_SOONER));
          hand.order(this.now, way * turnsAt);
          // A small turn is over before anybody could call out: the hand knows its size, within a quarter.
          if (Math.abs(off) < SMALL)
            hand.order(this.now + (Math.abs(off) * (1 + 0.25 * normal(random))) / turnsAt, 0);
        }
        hand.act(this.now);
        if (hand.pace !== 0) this.turnBy(hand.pace * BLOCK);
        const saying = this.saying;
        const call = saying.about === 'turning' ? saying.call : '';
        if (call !== last) {
          if (call === 'slowly') hand.order(this.now, (way * turnsAt) / 3);
          if (call === 'stop' || call === 'let it ring' || call === 'wrong way')
            hand.order(this.now, 0);
          last = call;
        }
        if (turning && hand.pace === 0 && this.hasStopped(since)) {
          firstStop ??= way * practice.deviation(course);
          turning = false;
          hand.rest();
        }
        // Ringing no more, or read as right: the next pluck.
        const read = stringOf(currentPass(this.state), course)?.readings.at(-1);
        const isRight =
          read !== undefined && Math.abs(offBy(read)) <= 2 && this.talk.newest?.reading === read;
        if (!turning && hand.pace === 0 && this.talk.called === null && since > 0.85 && isRight)
          break;
        if (since > rings && hand.pace === 0) break;
      }
      hand.rest();
      this.play(PAUSE);
    }
    return { plucks, seconds: this.now - start, firstStop, done: this.isDone };
  }

  /** The screen says to stop or to let it ring, or nothing more. */
  private hasStopped(since: Seconds): boolean {
    const { called } = this.talk;
    return called === null ? since > 1 : called.call === 'let it ring' || called.call === 'stop';
  }

  /** The live figure shows that the string is off. */
  private seesOff(): boolean {
    return this.talk.track.length > 6 && this.talk.sounding === this.course;
  }
}

/** Strings tuned by a hand that does what the sentence says. */
export function turnLoopFigures(first: number, n: number): void {
  console.log(
    `\nTuned while it rings by a hand that follows the sentence, practice instrument, seeds ${first}–${first + n - 1}`,
  );
  for (const [name, models] of [
    ['steel guitar', ['steel-guitar']],
    ['ukulele and banjo', ['ukulele-concert', 'banjo-five']],
  ] as const) {
    const all: Tuned[] = [];
    for (let seed = first; seed < first + n; seed++) {
      const random = seededRandom(seed * 12_289);
      const instrument = findModel(models[seed % models.length]!)!.build('x', 'X');
      const targets = targetsOf(findTuning(instrument.tuningId)!, 440);
      const course = 1 + Math.floor(random() * targets.length);
      const from = random() < 0.75 ? -between(random, 8, 80) : between(random, 5, 40);
      // The string is chosen by its number: which one it is is another bench's matter.
      all.push(new Loop(random, instrument, targets, course, from).tune());
    }
    const stops = all.flatMap(({ firstStop }) => firstStop ?? []);
    const mean = (of: (one: Tuned) => number) => all.reduce((sum, one) => sum + of(one), 0) / n;
    const part = (count: number) => `${((100 * count) / Math.max(1, stops.length)).toFixed(1)} %`;
    console.log(
      `  ${name}, ${n}: plucks ${mean(({ plucks }) => plucks).toFixed(2)}, seconds ${mean(({ seconds }) => seconds).toFixed(1)}; ` +
        `first stop over 3 cents past ${part(stops.filter((s) => s > 3).length)}, over 6 short ${part(stops.filter((s) => s < -6).length)}, median ${quantile(stops, 0.5, 1)}; not done in ${MOST_PLUCKS} plucks ${all.filter(({ done }) => !done).length}`,
    );
  }
}
