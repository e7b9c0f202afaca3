import { knowledgeOf, type ListenEvent, Listener, type PluckOutcome } from '@rosefinch/core/listen';
import { between, type Random, seededRandom } from '@rosefinch/core/maths';
import { findTuning, targetsOf } from '@rosefinch/core/music';
import { PracticeInstrument } from '@rosefinch/core/practice';
import { findModel } from '@rosefinch/core/strings';
import type { Cents } from '@rosefinch/core/units';

const RATE = 24_000;
const MODELS = ['steel-guitar', 'nylon-guitar', 'ukulele-concert', 'banjo-five'];
const STEP_S = 0.005;

/** How a hand moves a sounding string: cents from where it stood, by seconds since the pluck. */
type Movement = (seconds: number) => Cents;

/** A finger that rocks, from the start or after a moment. */
function vibrato(random: Random): Movement {
  const [size, rate, from] = [
    between(random, 12, 60),
    between(random, 4, 7),
    between(random, 0, 0.3),
  ];
  return (t) => (t < from ? 0 : size * Math.sin(2 * Math.PI * rate * (t - from)));
}

/** A string pushed aside and held there, or let back. */
function bend(random: Random): Movement {
  const [size, from, takes] = [
    between(random, 50, 200),
    between(random, 0.05, 0.4),
    between(random, 0.15, 0.5),
  ];
  const back = random() < 0.4;
  return (t) => {
    const share = Math.min(1, Math.max(0, (t - from) / takes));
    return size * (back ? Math.sin(Math.PI * share) : share);
  };
}

/** What the ear says of one pluck while its string is moved. */
function heardWhile(seed: number, movementOf: (random: Random) => Movement): PluckOutcome[] {
  const random = seededRandom(seed * 6151);
  const instrument = findModel(MODELS[seed % MODELS.length]!)!.build('x', 'X');
  const targets = targetsOf(findTuning(instrument.tuningId)!, 440);
  const course = 1 + Math.floor(random() * targets.length);
  const practice = new PracticeInstrument({
    instrument,
    targets: targets.map(({ hz }) => hz),
    detune: targets.map(() => between(random, -30, 30)),
    seed: Math.floor(random() * 1e9),
    sampleRate: RATE,
    noise: -72,
  });
  const outcomes: PluckOutcome[] = [];
  const hear = (event: ListenEvent) => {
    if (event.type === 'outcome') outcomes.push(event.outcome);
  };
  const listener = new Listener(RATE, hear);
  listener.know(knowledgeOf(targets, []));
  const play = (seconds: number) => {
    const sound = new Float32Array(Math.round(seconds * RATE));
    practice.render(sound);
    listener.hear(sound);
  };
  play(0.5);
  const stood = practice.deviation(course);
  const movement = movementOf(random);
  practice.pluckAlone(course, between(random, 0.35, 0.65));
  for (let t = 0; t < 1.4; t += STEP_S) {
    const now = practice.deviation(course);
    practice.turn(course, 1e-4);
    const slope = (practice.deviation(course) - now) / 1e-4;
    practice.turn(course, (stood + movement(t) - now) / slope - 1e-4);
    play(STEP_S);
  }
  practice.mute();
  play(0.5);
  return outcomes;
}

/** The ear while a hand moves the string. */
export function movedFigures(first: number, each: number): void {
  console.log(
    `\nWhat is no clean pluck, seeds ${first}–${first + each - 1}; guitar (steel, nylon), ukulele, banjo`,
  );
  for (const [name, movement] of [
    ['vibrato of 12–60 cents', vibrato],
    ['bends of 50–200 cents', bend],
  ] as const) {
    const kinds = new Map<string, number>();
    for (let seed = first; seed < first + each; seed++)
      for (const outcome of heardWhile(seed, movement)) {
        const kind = kindOf(outcome);
        kinds.set(kind, (kinds.get(kind) ?? 0) + 1);
      }
    const list = [...kinds].sort((a, b) => b[1] - a[1]).map(([kind, n]) => `${kind} ${n}`);
    console.log(`  ${name}, ${each} plucks: ${list.join(', ')}`);
  }
}

function kindOf(outcome: PluckOutcome): string {
  if (outcome.kind === 'reading') return outcome.moving ? 'read, moving' : 'read';
  return outcome.kind === 'not sure' ? outcome.reason : outcome.kind;
}
