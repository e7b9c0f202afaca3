import { expect } from 'chai';
import { differences, digest, strays } from './digestFixture.ts';

const VALUE = {
  name: 'a',
  short: [1, 2],
  long: [1, 2, 3, 4, 5, 6, 7, 8],
  rows: Array.from({ length: 9 }, (_, i) => ({ at: i, word: `w${i}` })),
  sound: Float32Array.from({ length: 40 }, (_, i) => Math.sin(i)),
  none: null,
};

/** What is found after a copy was changed. */
function after(change: (copy: typeof VALUE) => void): string[] {
  const copy = structuredClone(VALUE);
  change(copy);
  return differences(digest(copy), digest(VALUE));
}

describe('a digest', () => {
  it('is the same for the same', () => {
    expect(after(() => {})).to.deep.equal([]);
  });
  const CHANGES: Readonly<Record<string, (copy: typeof VALUE) => void>> = {
    'a word': (copy) => (copy.name = 'b'),
    'a number': (copy) => (copy.short[1] = 2.000001),
    'one of many': (copy) => (copy.long[6] = 7.00001),
    'two of many that change places': (copy) => copy.long.reverse(),
    'a row': (copy) => (copy.rows[4]!.at = 4.0001),
    'a word in a row': (copy) => (copy.rows[8]!.word = 'x'),
    'a sample': (copy) => (copy.sound[20] = 0),
    'one less': (copy) => copy.rows.pop(),
    'no number': (copy) => (copy.short[0] = Number.NaN),
  };
  for (const [name, change] of Object.entries(CHANGES))
    it(`tells ${name}`, () => {
      expect(after(change)).to.not.deep.equal([]);
    });

  it('tells a figure that came, one that went, and whose it is', () => {
    const kept = { a: digest({ x: 1 }), b: digest({ y: 2 }) };
    expect(strays(kept, kept)).to.deep.equal([]);
    expect(strays({ a: kept.a }, kept)).to.deep.equal(['b: y: 2 → undefined']);
    expect(strays({ ...kept, c: digest({ z: 3 }) }, kept)).to.deep.equal(['c: z: undefined → 3']);
    expect(strays({ ...kept, a: digest({ x: 4 }) }, kept)).to.deep.equal(['a: x: 1 → 4']);
  });
});
