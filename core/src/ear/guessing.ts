/** One in so many does not listen. */
const GUESSERS = 0.1;
/** A guesser favours answers as they like: as if each had been given so often before. */
const BEFORE = 0.7;
/** With fewer answers nobody is called a guesser. */
const FEWEST = 12;

/**
 * How likely it is that answers were given without listening; 0 to 1, and 0 of fewer than twelve.
 * A guesser's answers do not depend on the question: they are as likely as a count of each can be
 * (Dirichlet and multinomial), or follow from the answer before. `evidence` is ln of how likely they
 * are of somebody who listens.
 */
export function guessing<Answer extends string>(
  answers: readonly Answer[],
  kinds: number,
  evidence: number,
): number {
  if (answers.length < FEWEST) return 0;
  const guess = Math.log(Math.exp(counted(answers, kinds)) / 2 + Math.exp(inTurns(answers)) / 2);
  const odds = Math.log(GUESSERS / (1 - GUESSERS)) + guess - evidence;
  return 1 / (1 + Math.exp(-odds));
}

/** Each answer as likely as it was so far. */
function counted(answers: readonly string[], kinds: number): number {
  const seen = new Map<string, number>();
  return answers.reduce((sum, answer, i) => {
    const so = seen.get(answer) ?? 0;
    seen.set(answer, so + 1);
    return sum + Math.log((so + BEFORE) / (i + kinds * BEFORE));
  }, 0);
}

/** Another answer than before, nine times in ten. */
const TURNS = { another: 0.9, same: 0.1 } as const;
function inTurns(answers: readonly string[]): number {
  return answers.reduce(
    (sum, answer, i) =>
      sum + Math.log(i > 0 && answer !== answers[i - 1] ? TURNS.another : TURNS.same),
    0,
  );
}
