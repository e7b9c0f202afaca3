import { expect } from 'chai';
import { historyOf, type Look, roomMove, stepsOf, withRoom } from './index.ts';

const AT = Date.UTC(2026, 9, 24, 16);

describe('the room', () => {
  const visit = (course: number, moves: number): Look[] => [
    { course, at: AT, cents: 0, errorCents: 0.2, hz: 100 * course },
    { course, at: AT + 4e7, cents: moves, errorCents: 0.2, hz: 100 * course },
  ];
  const histories = (list: readonly (readonly [number, number])[]) => {
    const taken = stepsOf(
      list.flatMap(([course, moves]) => visit(course, moves)).sort((a, b) => a.at - b.at),
      [],
      2,
    );
    return list.map(([course]) => historyOf(course, AT, taken.get(course)!, 'nylon'));
  };

  it('is told by the old strings; new ones that move alike only point to it', () => {
    const fresh = histories([
      [1, -9],
      [2, -8.5],
      [3, -9.2],
    ]);
    expect(roomMove(fresh, histories([[4, -4]]))).to.deep.equal({ cents: -4, by: 'old strings' });
    expect(roomMove(fresh, [])).to.deep.equal({ cents: -9, by: 'all alike' });
    expect(roomMove(fresh, histories([[4, 0.3]]))).to.equal(null);
  });

  it('is not blamed for one string alone', () => {
    expect(
      roomMove(
        histories([
          [1, -9],
          [2, -1],
          [3, -0.5],
        ]),
        [],
      ),
    ).to.equal(null);
  });
});

describe('what the room did to new strings', () => {
  const look = (course: number, minutes: number, cents: number): Look => ({
    course,
    at: AT + 60_000 * minutes,
    cents,
    errorCents: 0.2,
    hz: 100 * course,
  });
  const isNew = (course: number) => course < 3;

  it('is taken off where an old string was read before and after', () => {
    const looks = [look(3, 0, 1), look(1, 1, 0), look(3, 60, -3), look(1, 61, -6)];
    const taken = withRoom(stepsOf(looks, [], 2), isNew);
    const [before, after] = historyOf(1, AT, taken.get(1)!, 'nylon').events;
    // The room took four of the six cents; by the minute after the first reading a sixtieth of them.
    expect(before)
      .to.have.property('cents')
      .closeTo(4 / 60, 1e-9);
    expect(after).to.have.property('cents').closeTo(-2, 1e-9);
  });

  it('is left where nothing tells it: no old string, or one that was turned', () => {
    const alone = stepsOf([look(1, 0, 0), look(2, 1, 0), look(1, 60, -6)], [], 2);
    expect(
      withRoom(alone, isNew)
        .get(1)!
        .some(({ room }) => room !== undefined),
    ).to.equal(false);
    const turned = stepsOf([look(3, 0, -9), look(1, 1, 0), look(3, 5, 0), look(1, 9, -1)], [], 2);
    for (const { room } of withRoom(turned, isNew).get(1)!) expect(room).to.equal(0);
  });
});
