import { partKey } from '@rosefinch/core/intonation';
import { expect } from 'chai';
import { NECK_KINDS, WORLDS } from './foreign/necks.ts';
import { checksOf } from './frets.ts';

/** A check that was led to its end, in one word. */
const outcome = ({ judgement: { verdict } }: ReturnType<typeof checksOf>[number]) =>
  verdict.kind === 'at fault'
    ? verdict.faults.map(({ part }) => partKey(part)).join()
    : verdict.kind;

// The figures over many seeds are `npm run bench -- frets`; here it is shown that they hold at all.
describe('the fret check in worlds that are not its own', () => {
  for (const kind of NECK_KINDS)
    for (const world of WORLDS)
      it(`orders nothing on a sound ${kind}, ${world}`, () => {
        const outcomes = checksOf(9001, 2, world, kind, null).map(outcome);
        for (const one of outcomes)
          expect(one).to.be.oneOf(['certified', 'nothing to order', 'undecided']);
      });

  for (const world of WORLDS)
    it(`finds a bad fret and a saddle out of its place on a nylon guitar, ${world}`, () => {
      for (const fault of ['fret', 'saddle'] as const) {
        const [check] = checksOf(9001, 1, world, 'nylon guitar', { kind: fault, low: 8, high: 10 });
        const { which } = check!.neck.fault!;
        expect(outcome(check!)).to.equal(fault === 'fret' ? `fret ${which}` : 'saddle');
        const { verdict } = check!.judgement;
        // The amount is that of the world's own law, within its interval or near it.
        const [found] = verdict.kind === 'at fault' ? verdict.faults : [];
        const { course, fret } = found!.at;
        const truth = check!.neck.net(course, fret) - check!.neck.netRight(course, fret);
        expect(found!.cents / truth).to.be.within(0.6, 1.5);
      }
    });

  it('hears no truth: the same plucks lead to the same words', () => {
    const twice = [0, 1].map(() => checksOf(9003, 1, 'worn', 'ukulele', null).map(outcome));
    expect(twice[0]).to.deep.equal(twice[1]);
  });
});
