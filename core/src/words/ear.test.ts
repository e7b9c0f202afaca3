import { expect } from 'chai';
import { earVerdict, type HeardPluck } from '../coach/index.ts';
import { byEarInWords, earVerdictInWords } from './ear.ts';

describe('by ear', () => {
  const pluck = (cents: number, endCents = cents): HeardPluck => ({
    reading: { course: 3, cents, errorCents: 0.3, moving: false, hz: 200 * 2 ** (cents / 1200) },
    refusal: null,
    chosen: null,
    ringing: { attackCents: 0, fastest: 0, endHz: 200 * 2 ** (endCents / 1200) },
    levelDbfs: -20,
    clipped: false,
  });

  const words = (plucks: readonly HeardPluck[]) => {
    const verdict = earVerdict(plucks, 3, 2);
    return verdict && earVerdictInWords(verdict);
  };

  it('gives nothing away before, and tells both checks after', () => {
    expect(byEarInWords(3).say).to.not.match(/low|high|tighten|loosen/i);
    expect(words([pluck(-30, 0.4), pluck(0.5)])).to.deep.equal({
      say: 'Ear and display agree.',
      more: 'The last movement was upward, as it should be.',
    });
    expect(words([pluck(20, 5), pluck(5)])).to.deep.equal({
      say: 'Your ear left it 5.0 cents high.',
      more: 'The last movement was downward: go below, then come up once.',
    });
    const left = (off: number) =>
      earVerdictInWords({ off, agrees: false, movement: 'none' }).say.match(
        /[\d.]+ cents \w+/,
      )?.[0];
    expect([left(0.6), left(-0.6)]).to.deep.equal(['0.6 cents high', '0.6 cents low']);
    expect(words([pluck(0.3)])?.more).to.equal('It was not moved.');
    expect(words([])).to.equal(null);
  });
});
