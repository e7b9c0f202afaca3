import { expect } from 'chai';
import { type Called, turnCall } from './index.ts';

/** What is called out while a pitch goes by these cents, a value every 20 ms. */
function calls(
  centsAt: (t: number) => number,
  { seconds = 2, ringsLong = true, tolerance = 2 } = {},
): Called[] {
  const track: number[] = [];
  const all: Called[] = [];
  let called: Called | null = null;
  for (let t = 0.06; t < seconds; t += 0.02) {
    track.push(t, centsAt(t));
    const now = turnCall(called, { track, since: 0, tolerance, ringsLong });
    if (now && now !== called) all.push(now);
    called = now;
  }
  return all;
}

const names = (all: readonly Called[]) => all.map(({ call }) => call);

/** Stands at `from`, goes at `pace` cents a second from 0.4 s on until `to`, and stands there. */
const ramp = (from: number, pace: number, to: number) => (t: number) => {
  const gone = from + pace * Math.max(0, t - 0.4);
  return pace > 0 ? Math.min(to, gone) : Math.max(to, gone);
};

describe('what is called out while a string is turned', () => {
  it('nothing while nobody turns, however sharp it was plucked', () => {
    expect(calls((t) => -20 + 12 * Math.exp(-t / 0.15))).to.deep.equal([]);
    expect(calls(() => -20)).to.deep.equal([]);
  });

  it('goes on, slowly, stop, and let it ring', () => {
    const all = calls(ramp(-50, 45, 0));
    expect(names(all)).to.deep.equal(['keep turning', 'slowly', 'stop', 'let it ring']);
    expect(all[0]?.up).to.equal(true);
    expect(names(calls(ramp(-50, 45, 0), { ringsLong: false }))).to.deep.equal([
      'keep turning',
      'stop',
      'let it ring',
    ]);
  });

  it('stops ahead of the note by what a reaction takes at this pace', () => {
    for (const pace of [30, 60, 90, -60]) {
      const from = pace > 0 ? -80 : 80;
      const stop = calls(ramp(from, pace, 0), { seconds: 4 }).find(({ call }) => call === 'stop')!;
      const due = 0.4 + 80 / Math.abs(pace);
      expect(due - stop.at, `${pace}`).to.be.within(0.2, 0.4);
    }
  });

  it('names the wrong way, and says stop to a string that has gone past', () => {
    const away = calls(ramp(-20, -60, -60));
    expect(names(away)).to.deep.equal(['wrong way', 'let it ring']);
    expect(away[0]?.up).to.equal(true);
    expect(names(calls(ramp(-30, 200, 60)))).to.include('stop');
  });

  it('changes no more often than every 0.4 s, except to stop', () => {
    const wavering = calls((t) => -40 + 25 * Math.sin(6 * t), { seconds: 4 });
    wavering.slice(1).forEach((one, i) => {
      if (one.call !== 'stop') expect(one.at - wavering[i]!.at).to.be.at.least(0.39);
    });
  });
});
