/** One in so many does not listen. */
const GUESSERS = 0.1;
/** A guesser favours answers as they like: as if each had been given so often before. */
const BEFORE = 0.7;
/** Lower, same, higher. */
const WAYS = 3;
/** Another answer than before, nine times in ten. */
const TURNS = { another: 0.9, same: 0.1 } as const;

/**
 * How likely it is that answers were given without listening, 0 to 1, from the logarithms of how likely
 * they are of somebody who does not listen, and of somebody who does.
 */
export function guessing(guessed: number, listened: number): number {
  return 1 / (1 + Math.exp(listened - guessed - Math.log(GUESSERS / (1 - GUESSERS))));
}

/**
 * ln of how likely directions are of a guesser, whose answers do not depend on the question: each as likely as
 * it was given so far (Dirichlet and multinomial), or in turns.
 */
export function guessedWays(answers: readonly string[]): number {
  const [a, b] = [counted(answers), inTurns(answers)];
  const most = Math.max(a, b);
  return most + Math.log((Math.exp(a - most) + Math.exp(b - most)) / 2);
}

/** ln of how likely it is that a guesser finds so many, where one of `among` answers is right. */
export function guessedFinds(right: number, asked: number, among: number): number {
  return -right * Math.log(among) + (asked - right) * Math.log1p(-1 / among);
}

function counted(answers: readonly string[]): number {
  const seen = new Map<string, number>();
  return answers.reduce((sum, answer, i) => {
    const so = seen.get(answer) ?? 0;
    seen.set(answer, so + 1);
    return sum + Math.log((so + BEFORE) / (i + WAYS * BEFORE));
  }, 0);
}

function inTurns(answers: readonly string[]): number {
  return answers.reduce(
    (sum, answer, i) =>
      sum + Math.log(i > 0 && answer !== answers[i - 1] ? TURNS.another : TURNS.same),
    0,
  );
}
