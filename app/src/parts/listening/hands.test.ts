import { saltmarshLibrary } from '@rosefinch/core/demo';
import { expect } from 'chai';
import { handActs, handsOn, windingHands } from './hands.ts';

const [banjo, ...others] = [...saltmarshLibrary()].reverse();
const library = [banjo!, ...others];

/** A practice instrument that writes down what is done to it. */
function practice() {
  const done: unknown[][] = [];
  const note =
    (name: string) =>
    (...args: unknown[]) =>
      void done.push([name, ...args]);
  return {
    done,
    hands: {
      pluck: note('pluck'),
      pair: note('pair'),
      turn: note('turn'),
      wind: note('wind'),
      slacken: note('slacken'),
      mute: note('mute'),
    },
  };
}

describe('the hands on a practice instrument', () => {
  it('turn the post by a hair or a good deal, whatever gear its peg has', () => {
    for (const instrument of library)
      for (const { number, strings } of instrument.courses) {
        const { done, hands } = practice();
        const { up, down, upMore, downMore } = handsOn(hands as never, instrument, number);
        for (const turn of [up, down, upMore, downMore]) turn();
        const { ratio } = strings[0]!.peg;
        const posts = done.map(([, course, turns]) => {
          expect(course).to.equal(number);
          return (turns as number) / ratio;
        });
        for (const [i, wanted] of [1 / 3000, -1 / 3000, 1 / 300, -1 / 300].entries())
          expect(posts[i]!).to.be.closeTo(wanted, 1e-12);
      }
  });

  it('wind a slack string by a part of a turn or a whole grip, or let it go by an octave', () => {
    const { done, hands } = practice();
    const { up, down, upMore, downMore, pluck, mute } = windingHands(hands as never, 4);
    for (const act of [up, down, upMore, downMore, pluck, mute]) act();
    expect(done.map(([name, course, cents]) => [name, course, cents]).slice(0, 4)).to.deep.equal([
      ['wind', 4, 50],
      ['wind', 4, -50],
      ['wind', 4, 200],
      ['slacken', 4, 1200],
    ]);
    expect(done.slice(4).map(([name]) => name)).to.deep.equal(['pluck', 'mute']);
  });

  it('pluck one string, or both of a comparison that is asked for', () => {
    const { done, hands } = practice();
    handsOn(hands as never, banjo!, 2).pluck();
    const held = { course: 3, fret: 4 };
    handsOn(hands as never, banjo!, 2, { held, open: 2, octaves: 0 } as never).pluck();
    handsOn(hands as never, banjo!, 2).mute();
    expect(done).to.deep.equal([['pluck', 2, 0.55], ['pair', held, 2], ['mute']]);
  });

  it('do nothing by a key while there is nothing to play', () => {
    expect(Object.values(handActs(null))).to.deep.equal([null, null, null, null, null, null]);
    const some = handsOn(practice().hands as never, banjo!, 1);
    expect(handActs(some)).to.equal(some);
  });
});
