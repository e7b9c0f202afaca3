import { FormatError } from '../errors.ts';
import { message } from '../message.ts';
import { centsOfStep, type Scale, type ScaleStep } from '../music/index.ts';

/** A longer file is no scale. */
export const LONGEST_SCALE = 100_000;
const MOST_STEPS = 10_000;
const COMMENT = '!';
/** Cents to as many digits as the format's own examples have. */
const DIGITS = 6;

/**
 * Reads a scale of the open format .scl: comments begin with "!", then a description, the number of notes, and
 * a note a line, cents where there is a point, else a ratio or a whole number; what follows a note is ignored.
 * After the public description of the format. @throws FormatError that names the line
 */
export function readScale(text: string): Scale {
  if (text.length > LONGEST_SCALE) throw new FormatError(message('problems.scaleTooLong'));
  const lines = text
    .replace(/^\uFEFF/, '')
    .split(/\r\n|\r|\n/)
    .map((line, i) => ({ line, at: i + 1 }))
    .filter(({ line }) => !line.startsWith(COMMENT));
  const [description, counted, ...rest] = lines;
  if (!description || !counted) throw new FormatError(message('problems.scaleHead'));
  const count = /^\s*(\d+)(?=\s|$)/.exec(counted.line)?.[1];
  if (count === undefined || Number(count) > MOST_STEPS)
    throw new FormatError(message('problems.scaleCount', { line: counted.at, text: counted.line }));
  const given = rest.filter(({ line }) => line.trim() !== '');
  if (given.length < Number(count))
    throw new FormatError(
      message('problems.scaleShort', { line: counted.at, count, given: given.length }),
    );
  return {
    description: description.line.trim(),
    steps: given.slice(0, Number(count)).map(({ line, at }) => stepIn(line, at)),
  };
}

const WIDEST_CENTS = 60_000;

function stepIn(line: string, at: number): ScaleStep {
  const value = /^\s*(\S+)/.exec(line)?.[1] ?? '';
  const text = line.trim();
  if (/^-?\d*\.\d*$/.test(value) && /\d/.test(value))
    return bounded({ kind: 'cents', cents: Number(value) }, line, at);
  const ratio = /^(-?\d+)(?:\/(-?\d+))?$/.exec(value);
  if (!ratio) throw new FormatError(message('problems.scaleNote', { line: at, text }));
  const [over, under] = [Number(ratio[1]), Number(ratio[2] ?? 1)];
  if (over <= 0 || under <= 0)
    throw new FormatError(message('problems.scaleRatio', { line: at, text }));
  return bounded({ kind: 'ratio', over, under }, line, at);
}

/** Fifty octaves are beyond all hearing; hundreds of digits are no number at all. */
function bounded(step: ScaleStep, line: string, at: number): ScaleStep {
  if (Math.abs(centsOfStep(step)) <= WIDEST_CENTS) return step;
  throw new FormatError(message('problems.scaleNote', { line: at, text: line.trim() }));
}

/** A scale as .scl. @throws FormatError where a step is none */
export function writeScale({ description, steps }: Scale, name: string): string {
  const oneLine = (words: string) => words.replace(/[\r\n]+/g, ' ').trim();
  const lines = steps.map((step) => {
    if (!Number.isFinite(centsOfStep(step))) throw new FormatError(message('problems.scaleStep'));
    return step.kind === 'ratio' ? ` ${step.over}/${step.under}` : ` ${step.cents.toFixed(DIGITS)}`;
  });
  // A description that begins like a comment would be taken for one.
  const safe = oneLine(description).replace(/^!+\s*/, '');
  return `! ${oneLine(name)}.scl\n!\n${safe}\n ${steps.length}\n!\n${lines.join('\n')}\n`;
}
