import {
  DIRECTION,
  type Direction,
  type EarTrial,
  guessedWays,
  guessing,
  Hearing,
  heardIn,
  hearingOf,
  noticedBy,
  STAIRCASE,
  stepped,
  type Trial,
} from '@rosefinch/core/ear';
import { seededRandom } from '@rosefinch/core/maths';
import { FINDERS, foreignFinder } from './foreign/finders.ts';
import {
  CELLS,
  foreignListener,
  GUESSERS,
  guesser,
  LISTENERS,
  type ListenerKind,
  type Said,
} from './foreign/listeners.ts';
import { quantile } from './print.ts';

type Answer = (cell: number, cents: number, trial: number) => Said;

/** Asks so many questions, each cell in turn. */
function asked(answer: Answer, trials: number, seed: number, cells: number) {
  const random = seededRandom(seed * 37 + 5);
  const hearing = new Hearing(DIRECTION);
  const said: Trial<Direction>[] = [];
  for (let i = 0; i < trials; i++) {
    const cell = i % cells;
    const cents = hearing.next(String(cell), random);
    const trial = { cell: String(cell), cents, answer: answer(cell, cents, i) };
    hearing.add(trial);
    said.push(trial);
  }
  const guess = guessing(guessedWays(said.map((one) => one.answer)), hearing.evidence);
  return { hearing, guess };
}

/** Just-noticeable differences of foreign listeners, so many cells in one session. */
export function hearingFigures(
  first: number,
  each: number,
  { cells, trials }: { readonly cells: number; readonly trials: number },
  kinds: readonly ListenerKind[] = LISTENERS,
): void {
  for (const kind of kinds) {
    const errors: number[] = [];
    const widths: number[] = [];
    const inCell: number[] = [];
    let [held, heldIn, called] = [0, 0, 0];
    for (let seed = first; seed < first + each; seed++) {
      const listener = foreignListener(seededRandom(seed * 101 + kind.length), kind);
      const { hearing, guess } = asked(listener.answer, trials, seed, cells);
      const truths = Array.from({ length: cells }, (_, i) => listener.threshold(i));
      const truth = Math.exp(truths.reduce((sum, t) => sum + Math.log(t), 0) / cells);
      const { cents, low, high } = hearing.overall();
      errors.push(Math.log(cents / truth));
      widths.push((high - low) / 2 / cents);
      if (low <= truth && truth <= high) held++;
      if (guess > 0.5) called++;
      truths.forEach((t, i) => {
        const own = hearing.of(String(i));
        inCell.push(Math.abs(Math.log(own.cents / t)));
        if (own.low <= t && t <= own.high) heldIn++;
      });
    }
    console.log(
      `Hearing, ${kind}, ${trials} questions in ${cells}, seeds ${first}–${first + each - 1}: bias ${quantile(errors, 0.5, 3)} (ln, median), error ${quantile(errors.map(Math.abs), 0.5, 2)}; 90 % interval holds ${((100 * held) / each).toFixed(1)} %, half as wide as ${quantile(widths, 0.5, 2)} of it; by cell ${quantile(inCell, 0.5, 2)}, holds ${((100 * heldIn) / (each * cells)).toFixed(1)} %; called a guesser ${called}`,
    );
  }
}

/** Those who guess, and the classic staircase beside the questions chosen, at one cell. */
export function guesserFigures(first: number, each: number): void {
  for (const kind of GUESSERS) {
    const called = [20, 40, 60].map((trials) => {
      let n = 0;
      for (let seed = first; seed < first + each; seed++)
        if (asked(guesser(seededRandom(seed * 7), kind), trials, seed, CELLS).guess > 0.5) n++;
      return `${n} after ${trials}`;
    });
    console.log(
      `Guessers, ${kind}, seeds ${first}–${first + each - 1}: called so ${called.join(', ')} of ${each}`,
    );
  }
}

/** How many questions the classic staircase takes, its error, and that of as many chosen ones. */
export function staircaseFigures(first: number, each: number): void {
  const took: number[] = [];
  const [errors, beside, half] = [[], [], []] as number[][];
  let open = 0;
  for (let seed = first; seed < first + each; seed++) {
    const kind = LISTENERS[seed % LISTENERS.length]!;
    const listener = foreignListener(seededRandom(seed * 101 + kind.length), kind);
    const random = seededRandom(seed * 3);
    let [at, trials] = [STAIRCASE, 0];
    while (noticedBy(at) === null && trials < 200) {
      const sign = random() < 0.5 ? -1 : 1;
      const said = listener.answer(0, sign * at.cents, trials++);
      at = stepped(at, said === (sign < 0 ? 'lower' : 'higher'));
    }
    const noticed = noticedBy(at);
    if (noticed === null) open++;
    else {
      const truth = listener.threshold(0);
      took.push(trials);
      errors!.push(Math.abs(Math.log(noticed / truth)));
      const again = foreignListener(seededRandom(seed * 101 + kind.length), kind);
      const error = (n: number) =>
        Math.abs(Math.log(asked(again.answer, n, seed, 1).hearing.overall().cents / truth));
      beside!.push(error(trials));
      half!.push(error(Math.round(trials / 2)));
    }
  }
  console.log(
    `Staircase, two down, one up, all kinds, seeds ${first}–${first + each - 1}: ${quantile(took, 0.5, 0)} questions in the median, error ${quantile(errors!, 0.5, 2)} (9 of 10: ${quantile(errors!, 0.9, 2)}); as many chosen ones ${quantile(beside!, 0.5, 2)} (${quantile(beside!, 0.9, 2)}), half as many ${quantile(half!, 0.5, 2)} (${quantile(half!, 0.9, 2)}); never turned often enough ${open}`,
  );
}

/** Strings that are out, and pure chords, found by foreign finders; each string in turn, sixty questions. */
export function findingFigures(first: number, each: number): void {
  for (const strings of [4, 6])
    for (const kind of FINDERS) {
      const rows = { string: emptyRow(), pure: emptyRow() };
      for (let seed = first; seed < first + each; seed++) {
        const finder = foreignFinder(seededRandom(seed * 71 + strings), kind, strings);
        const truth = finder.thresholds();
        const string = found('string', 2 * strings, seed, (i, cents) =>
          finder.string((i % strings) + 1, cents),
        );
        put(rows.string, string, truth.strings);
        put(
          rows.pure,
          found('pure', 2, seed, (_, cents) => finder.chord(Math.abs(cents))),
          truth.chords,
        );
      }
      for (const [name, { errors, widths, held, called }] of Object.entries(rows))
        console.log(
          `Finding, ${kind}, ${name} of ${strings}, 60 questions, seeds ${first}–${first + each - 1}: bias ${quantile(errors, 0.5, 2)} (ln, median), error ${quantile(errors.map(Math.abs), 0.5, 2)}; 90 % interval holds ${held} of ${errors.length}, half as wide as ${quantile(widths, 0.5, 2)} of it; without a figure ${called} of ${each}`,
        );
    }
  for (const [name, among] of [
    ['string', 12],
    ['pure', 2],
  ] as const)
    for (const trials of [20, 40, 60]) {
      let called = 0;
      for (let seed = first; seed < first + each; seed++) {
        const random = seededRandom(seed * 7 + 1);
        if (!found(name, among, seed, () => random() < 1 / among, trials).noticed) called++;
      }
      console.log(
        `Guessers among ${among}, ${name}: without a figure ${called} of ${each} after ${trials}`,
      );
    }
}

interface FoundRow {
  readonly errors: number[];
  readonly widths: number[];
  held: number;
  called: number;
}
const emptyRow = (): FoundRow => ({ errors: [], widths: [], held: 0, called: 0 });

function put(row: FoundRow, { noticed }: ReturnType<typeof heardIn>, truth: number): void {
  if (!noticed) {
    row.called++;
    return;
  }
  const { cents, low, high } = noticed;
  row.errors.push(Math.log(cents / truth));
  row.widths.push((high - low) / 2 / cents);
  if (low <= truth && truth <= high) row.held++;
}

/** No chord is asked about that lies further from pure than equal temperament has it. */
const EQUAL_THIRD = 13.69;

/** So many questions, each string in turn, as the exercise asks them. */
function found(
  exercise: 'string' | 'pure',
  among: number,
  seed: number,
  finds: (question: number, cents: number) => boolean,
  questions = 60,
) {
  const random = seededRandom(seed * 43);
  const trials: EarTrial[] = [];
  for (let i = 0; i < questions; i++) {
    const cell = exercise === 'pure' ? 'chord' : `string ${(i % (among / 2)) + 1}`;
    const wanted = hearingOf(exercise, trials, among).next(cell, random);
    const asked = exercise === 'pure' ? Math.min(EQUAL_THIRD, Math.abs(wanted)) : wanted;
    trials.push({ at: i, cell, asked, among, answer: finds(i, asked) ? 'right' : 'wrong' });
  }
  return heardIn(exercise, trials, among);
}
