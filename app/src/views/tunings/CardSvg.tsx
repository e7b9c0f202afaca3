import { signedCents } from '@rosefinch/core/words';
import { fixed } from '@rosefinch/core/writing';
import { type Card, checkInWords } from '../../parts/cards/index.ts';

/** A5 in millimetres. */
const WIDTH = 148;
const HEIGHT = 210;
const MARGIN = 10;
/** About so many letters of the small text fit on a line. */
const LETTERS = 84;

interface Line {
  readonly text: string;
  readonly size: number;
  readonly bold?: boolean;
}

/** The card as one page of A5 for other programs: plain text and lines, black on white. */
export function CardSvg({ card }: { card: Card }) {
  let y = MARGIN;
  const rows = linesOf(card).map((line) => {
    y += line.size * 1.45;
    return { ...line, y };
  });
  return (
    <svg
      xmlns="http://www.w3.org/2000/svg"
      width={`${WIDTH}mm`}
      height={`${HEIGHT}mm`}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      fontFamily="sans-serif"
    >
      <title>{card.title}</title>
      <rect width={WIDTH} height={HEIGHT} fill="#ffffff" />
      {rows.map(({ text, size, bold, y: at }) => (
        <text key={at} x={MARGIN} y={at} fontSize={size} {...(bold && { fontWeight: 700 })}>
          {text}
        </text>
      ))}
    </svg>
  );
}

function linesOf(card: Card): Line[] {
  const heading = (text: string): Line => ({ text, size: 4, bold: true });
  const small = (text: string): Line[] => folded(text).map((part) => ({ text: part, size: 3.2 }));
  return [
    { text: card.title, size: 8, bold: true },
    ...small(card.about),
    ...(card.phrase ? [{ text: card.phrase, size: 4.4 }] : []),
    heading('Strings'),
    ...card.strings.flatMap(({ course, note, hz, offset, peg, tighten }) =>
      small(
        `${course}   ${note}${Math.abs(offset) >= 0.05 ? ` ${signedCents(offset)} cents` : ''}   ${fixed(hz, 2)} Hz   peg: ${peg}; tighten ${tighten}`,
      ),
    ),
    ...(card.way
      ? [
          heading(`From ${card.way.from}`),
          ...card.way.steps.flatMap((step, i) => small(`${i + 1}. ${step}`)),
          ...card.way.warnings.flatMap(small),
        ]
      : []),
    heading('Checks by ear'),
    ...card.checks.flatMap((check) => small(checkInWords(check))),
    ...(card.harmonics ? small(card.harmonics) : []),
  ];
}

/** A text cut at spaces into lines that fit. */
function folded(text: string): string[] {
  const lines = [''];
  for (const word of text.split(' ')) {
    const last = lines[lines.length - 1]!;
    if (last !== '' && last.length + word.length > LETTERS) lines.push(word);
    else lines[lines.length - 1] = last === '' ? word : `${last} ${word}`;
  }
  return lines;
}
