import { expect } from 'chai';
import { earVerdict, type HeardPluck } from '../coach/index.ts';
import { message } from '../message.ts';
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
    expect(byEarInWords(3).say).to.deep.equal(message('advice.byEar', { string: 3 }));
    expect(words([pluck(-30, 0.4), pluck(0.5)])).to.deep.equal({
      say: message('advice.earAgrees'),
      more: message('advice.earMovement', { movement: 'up' }),
    });
    expect(words([pluck(20, 5), pluck(5)])).to.deep.equal({
      say: message('advice.earLeft', { side: 'high', cents: 5 }),
      more: message('advice.earMovement', { movement: 'down' }),
    });
    const left = (off: number) => earVerdictInWords({ off, agrees: false, movement: 'none' }).say;
    expect(left(0.6)).to.deep.equal(message('advice.earLeft', { side: 'high', cents: 0.6 }));
    expect(left(-0.6)).to.deep.equal(message('advice.earLeft', { side: 'low', cents: 0.6 }));
    expect(words([pluck(0.3)])?.more).to.deep.equal(
      message('advice.earMovement', { movement: 'none' }),
    );
    expect(words([])).to.equal(null);
  });
});
