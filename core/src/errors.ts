import type { Value } from './message.ts';

const OWN_MARK = 'rosefinch';

/** Base of every named error that this project throws on misuse or bad input. */
export class RosefinchError extends Error {
  override readonly name: string = 'RosefinchError';
  readonly ownMark = OWN_MARK;

  /** @param problem what is wrong, for anyone who gave the input */
  constructor(
    readonly problem: Value,
    options?: ErrorOptions,
  ) {
    super(asText(problem), options);
  }
}

/** By its mark, not by its class: what is loaded later may bring classes of its own. */
export function isRosefinchError(error: unknown): error is RosefinchError {
  return error instanceof Error && (error as Partial<RosefinchError>).ownMark === OWN_MARK;
}

/** A problem as developers read it: a sentence as it is, a message by its id and arguments. */
export function asText(problem: Value): string {
  return typeof problem === 'string' ? problem : JSON.stringify(problem);
}

/** What is wrong, for the person at the screen: the message that an error carries, or else its own text. */
export function problemOf(error: unknown): Value {
  if (!(error instanceof Error)) return String(error);
  return (error as Partial<RosefinchError>).problem ?? error.message;
}

/** A value lay outside what a function accepts. */
export class RangeMisuse extends RosefinchError {
  override readonly name = 'RangeMisuse';
}

/** A text or file could not be understood; the problem says what and where. */
export class FormatError extends RosefinchError {
  override readonly name = 'FormatError';
}

/** A rule of a stored record was broken; `path` names the field, or the place in a file. */
export class RecordError extends RosefinchError {
  override readonly name = 'RecordError';
  constructor(
    readonly path: Value,
    readonly reason: Value,
  ) {
    super({ id: 'problems.at', args: { place: path, reason } });
  }
}

/**
 * Returns `value` when it is a finite number within the range.
 * @throws RangeMisuse naming `what`, the range and what came.
 */
export function assertRange(what: string, value: number, low: number, high: number): number {
  if (!Number.isFinite(value) || value < low || value > high)
    throw new RangeMisuse(`${what} must lie between ${low} and ${high}; got ${value}`);
  return value;
}
