import { signed } from '@rosefinch/core/message';
import { directionInWords } from '@rosefinch/core/sentences';
import type { Words } from '@rosefinch/words';
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
export function CardSvg({ card, t }: { readonly card: Card; readonly t: Words }) {
  let y = MARGIN;
  const rows = linesOf(card, t).map((line) => {
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

function linesOf(card: Card, t: Words): Line[] {
  const heading = (text: string): Line => ({ text, size: 4, bold: true });
  const small = (text: string): Line[] => folded(text).map((part) => ({ text: part, size: 3.2 }));
  return [
    { text: card.title, size: 8, bold: true },
    ...small(card.about),
    ...(card.phrase ? [{ text: card.phrase, size: 4.4 }] : []),
    heading(t('tunings.strings')),
    ...card.strings.flatMap(({ course, note, hz, offset, peg, tighten }) =>
      small(
        Math.abs(offset) >= 0.05
          ? t('tunings.cardStringOffset', {
              string: course,
              note,
              offset: signed(offset),
              hz,
              peg,
              way: directionInWords(tighten),
            })
          : t('tunings.cardString', {
              string: course,
              note,
              hz,
              peg,
              way: directionInWords(tighten),
            }),
      ),
    ),
    ...(card.way
      ? [
          heading(t('tunings.fromFrom', { from: card.way.from })),
          ...card.way.steps.flatMap((step, i) => small(`${i + 1}. ${step}`)),
          ...card.way.warnings.flatMap(small),
        ]
      : []),
    heading(t('tunings.checksByEar')),
    ...card.checks.flatMap((check) => small(t(checkInWords(check)))),
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
