const OWN_MARK = 'rosefinch';

/** Base of every named error that this project throws on misuse or bad input. */
export class RosefinchError extends Error {
  override readonly name: string = 'RosefinchError';
  readonly ownMark = OWN_MARK;
}

/** By its mark, not by its class: what is loaded later may bring classes of its own. */
export function isRosefinchError(error: unknown): error is RosefinchError {
  return error instanceof Error && (error as Partial<RosefinchError>).ownMark === OWN_MARK;
}

/** A value lay outside what a function accepts. */
export class RangeMisuse extends RosefinchError {
  override readonly name = 'RangeMisuse';
}

/** A text or file could not be understood; the message says what and where. */
export class FormatError extends RosefinchError {
  override readonly name = 'FormatError';
}

/** A rule of a stored record was broken; `path` names the field. */
export class RecordError extends RosefinchError {
  override readonly name = 'RecordError';
  constructor(
    readonly path: string,
    message: string,
  ) {
    super(`${path}: ${message}`);
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
