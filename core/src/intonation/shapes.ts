import { parseShape, type Shape } from './compromise.ts';

/** Chords that everybody plays first, highest-numbered string first; common practice, no source. */
const COMMON: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  'guitar-standard': {
    C: 'x32010',
    D: 'xx0232',
    E: '022100',
    G: '320003',
    A: 'x02220',
    Am: 'x02210',
    Em: '022000',
  },
  'ukulele-standard': { C: '0003', F: '2010', G: '0232', Am: '2000' },
  'ukulele-baritone': { G: '0003', C: '2010', D: '0232', Em: '2000' },
  'banjo-open-g': { G: '00000', C: '02012', D: '04234', Em: '02002' },
};

/** The common chords of a tuning, by name; none for one that nobody knows by heart. */
export function commonShapes(tuningId: string): Shape[] {
  return Object.entries(COMMON[tuningId] ?? {}).flatMap(([name, text]) => {
    const shape = parseShape(text, text.length);
    return shape ? [{ ...shape, name }] : [];
  });
}
