/** What a sentence of the bench asks of two hands, for players who do literally what is said. */
export type Asked =
  | { readonly do: 'turn'; readonly way: 'tighten' | 'loosen'; readonly turns: number }
  | { readonly do: 'pluck'; readonly course: number | null }
  | {
      readonly do: 'next pass' | 'go on' | 'turn back' | 'press' | 'below' | 'name' | 'again';
    }
  | { readonly do: 'over' };

/** A hand that turns as little as it can, in turns of the button: common practice, no source. */
export const LEAST = 2 / 360;

const PARTS: Readonly<Record<string, number>> = {
  'a sixteenth': 0.5,
  'an eighth': 1,
  'a quarter': 2,
  'three eighths': 3,
  half: 4,
  'five eighths': 5,
  'three quarters': 6,
  'seven eighths': 7,
  'a whole': 8,
};
const EIGHTH_SIGNS = ['', '⅛', '¼', '⅜', '½', '⅝', '¾', '⅞'];

/**
 * The size of a turn that a sentence names, in turns of the button; the least that a hand can do where it names none.
 * @example turnsIn('Low. Tighten, away from you, nearly a quarter turn.') // => 0.22
 */
export function turnsIn(sentence: string): number {
  const degrees = /(\d+)° on the button/.exec(sentence);
  if (degrees) return Number(degrees[1]) / 360;
  const many = /(\d+)([⅛¼⅜½⅝¾⅞]?) turns/.exec(sentence);
  if (many) return Number(many[1]) + EIGHTH_SIGNS.indexOf(many[2]!) / 8;
  const part =
    /(nearly |a little over )?(a|an|three|five|seven|half)( [a-z]+)?( of)?( a)? turn/.exec(
      sentence,
    );
  if (!part) return LEAST;
  const eighths = PARTS[`${part[2]}${part[3] ?? ''}`.replace(/ (of|a)$/, '')] ?? 0;
  const off = part[1] === 'nearly ' ? -0.3 : part[1] ? 0.3 : 0;
  return (eighths + off) / 8;
}

const PATTERNS: readonly (readonly [RegExp, (found: RegExpExecArray, more: string) => Asked])[] = [
  [/^In tune/, () => ({ do: 'over' })],
  [/Now string (\d+)/, ([, course]) => ({ do: 'pluck', course: Number(course) })],
  [/^Pluck string (\d+)/, ([, course]) => ({ do: 'pluck', course: Number(course) })],
  [/^Was that string/, () => ({ do: 'name' })],
  [/^Go round again/, () => ({ do: 'next pass' })],
  [/^Leave it for now/, () => ({ do: 'go on' })],
  [/^The wrong way/, () => ({ do: 'turn back' })],
  [
    /press (it gently )?behind the nut/i,
    ({ input }) => ({ do: /Go below/.test(input) ? 'below' : 'press' }),
  ],
  [/^To and fro. Loosen/, ({ input }) => ({ do: 'turn', way: 'loosen', turns: turnsIn(input) })],
  [/^It slipped back/, () => ({ do: 'below' })],
  [/^Too far/, (_, more) => ({ do: 'turn', way: 'loosen', turns: turnsIn(more) + LEAST })],
  [
    /(tighten|loosen), [a-z -]+, /i,
    ({ 1: way, input }) => ({
      do: 'turn',
      way: way!.toLowerCase() as 'tighten' | 'loosen',
      turns: turnsIn(input),
    }),
  ],
];

/** What a sentence asks for; a pluck of the string in hand where it asks for nothing else. */
export function askedBy({ say, more }: { readonly say: string; readonly more: string }): Asked {
  for (const [pattern, asked] of PATTERNS) {
    const found = pattern.exec(say);
    if (found) return asked(found, more);
  }
  return { do: 'again' };
}
