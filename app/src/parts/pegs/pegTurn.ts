import { type Instrument, loosen, type TightenDirection } from '@rosefinch/core/strings';

/** The turn of a peg that raises or lowers its string; null for a course that is not there. */
export function pegTurn(
  instrument: Instrument,
  course: number,
  raises: boolean,
): { readonly course: number; readonly way: TightenDirection } | null {
  const tighten = instrument.courses[course - 1]?.strings[0]?.peg.tighten;
  return tighten === undefined ? null : { course, way: raises ? tighten : loosen(tighten) };
}
