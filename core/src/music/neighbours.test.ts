import { expect } from 'chai';
import { findTuning, movesBetween, neighboursOf, TUNINGS } from './index.ts';

const STANDARD = findTuning('guitar-standard')!;

const away = (id: string) =>
  neighboursOf(findTuning(id)!)
    .filter(({ moves }) => moves.length === 1)
    .map(({ tuning }) => tuning.id);

describe('tunings near another one', () => {
  it('knows what is one string away', () => {
    expect(away('guitar-standard')).to.have.members(['guitar-drop-d', 'guitar-lute']);
    expect(away('banjo-open-g')).to.have.members([
      'banjo-sawmill',
      'banjo-c',
      'banjo-open-g-minor',
    ]);
  });

  it('drop D is one string away, double drop D two by it, D A D G A D three', () => {
    const near = neighboursOf(STANDARD);
    const of = (id: string) => near.find(({ tuning }) => tuning.id === id)!;
    expect(of('guitar-drop-d').moves).to.deep.equal([{ course: 6, semitones: -2 }]);
    expect(of('guitar-drop-d').by.id).to.equal('guitar-standard');
    expect(of('guitar-double-drop-d').by.id).to.equal('guitar-drop-d');
    expect(of('guitar-dadgad').moves.map(({ course }) => course)).to.deep.equal([6, 2, 1]);
    expect(of('guitar-dadgad').by.id).to.equal('guitar-double-drop-d');
    expect(near.map(({ moves }) => moves.length)).to.deep.equal(
      near.map(({ moves }) => moves.length).sort(),
    );
  });

  it('of every tuning are those that a count of differing strings finds', () => {
    for (const from of TUNINGS) {
      const counted = TUNINGS.filter((to) => {
        if (to.kind !== from.kind || to.courses.length !== from.courses.length) return false;
        const differ = to.courses.filter((course, i) => course[0] !== from.courses[i]![0]).length;
        return differ >= 1 && differ <= 3;
      });
      const near = neighboursOf(from);
      expect(near.map(({ tuning }) => tuning.id)).to.have.members(counted.map(({ id }) => id));
      for (const { tuning, moves, by } of near) {
        expect(movesBetween(from, tuning)).to.deep.equal(moves);
        if (by !== from) expect(movesBetween(by, tuning).length).to.equal(1);
      }
    }
  });
});
