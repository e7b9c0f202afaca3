import { expect } from 'chai';
import { Outbox } from './outbox.ts';

/** A disk that is full until it is mended, and what is to be done later. */
function full() {
  const stored: string[] = [];
  const later: (() => void)[] = [];
  let room = false;
  const outbox = new Outbox<{ readonly id: string }>(
    async ({ id }) => {
      if (!room) throw new Error('full');
      stored.push(id);
    },
    (act) => later.push(act),
  );
  const mend = () => {
    room = true;
  };
  return { outbox, stored, later, mend };
}

describe('an outbox', () => {
  it('tries again once for all that waits, however much comes meanwhile', async () => {
    const { outbox, later } = full();
    for (const id of ['a', 'b', 'c', 'd']) {
      outbox.add({ id });
      await outbox.flush();
    }
    expect(later).to.have.length(1);
    expect(outbox.problem()).to.equal('full');
    later.shift()!();
    await outbox.flush();
    expect(later).to.have.length(1);
  });

  it('stores what waited in its order once there is room, and says so to whoever asked', async () => {
    const { outbox, stored, later, mend } = full();
    let told = 0;
    const stop = outbox.subscribe(() => told++);
    for (const id of ['a', 'b', 'c']) outbox.add({ id });
    await outbox.flush();
    expect(outbox.pending()).to.have.length(3);
    mend();
    later.shift()!();
    await outbox.flush();
    expect(stored).to.deep.equal(['a', 'b', 'c']);
    expect([outbox.pending(), outbox.problem()]).to.deep.equal([[], null]);
    const before = told;
    stop();
    outbox.add({ id: 'd' });
    await outbox.flush();
    expect(told).to.equal(before);
  });
});
