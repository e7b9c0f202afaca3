import { expect } from 'chai';
import { type Candidate, type HeardString, whoseIsIt } from './index.ts';

const known = (
  instrumentId: string,
  left: readonly number[],
  b: number | null = null,
): Candidate => ({
  instrumentId,
  strings: left.map((cents) => ({
    left: cents,
    spread: 4,
    stiffness: b === null ? null : [0.02, -0.03, 0.01, -0.02, 0.03, 0].map((x) => Math.log(b) + x),
  })),
});
const heard = (cents: readonly number[], b?: number): HeardString[] =>
  cents.map((own, i) => ({
    course: i + 1,
    cents: own,
    errorCents: 0.5,
    ...(b !== undefined && { stiffness: b }),
  }));

describe('whose strings these are', () => {
  it('equal sets are never claimed, however near one lies', () => {
    const others = [known('b', [1, 1, 1, 1]), known('c', [-2, 0, 2, 0])];
    expect(whoseIsIt(heard([1, 1, 1, 1]), known('a', [0, 0, 0, 0]), others)).to.equal(null);
    expect(
      whoseIsIt(heard([1, 1, 1, 1], 1e-4), known('a', [0, 0, 0, 0], 1e-4), [
        known('b', [0, 0, 0, 0], 1e-4),
      ]),
    ).to.equal(null);
  });

  it('pitches that another was left at, and this one was not', () => {
    const mine = known('a', [0, 0, 0, 0]);
    const other = known('b', [0, -38, 0, 31]);
    expect(whoseIsIt(heard([1, -36, -1, 33]), mine, [other])).to.equal('b');
    expect(whoseIsIt(heard([1, 0, -1, 2]), mine, [other])).to.equal(null);
  });

  it('what the air did to all alike tells nothing', () => {
    const mine = known('a', [0, 0, 0, 0]);
    expect(whoseIsIt(heard([-9, -9, -8, -9]), mine, [known('b', [-9, -9, -9, -9])])).to.equal(null);
  });

  it('strings a fifth stiffer, heard often enough', () => {
    const mine = known('a', [0, 0, 0, 0], 1e-4);
    expect(
      whoseIsIt(heard([0, 1, 0, 1], 1.2e-4), mine, [known('b', [0, 0, 0, 0], 1.2e-4)]),
    ).to.equal('b');
  });

  it('two that it could be alike are not told apart', () => {
    const mine = known('a', [0, 0, 0, 0]);
    const others = [known('b', [0, -38, 0, 31]), known('c', [0, -38, 0, 31])];
    expect(whoseIsIt(heard([0, -38, 0, 31]), mine, others)).to.equal(null);
  });
});
