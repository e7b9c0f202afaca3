import { expect } from 'chai';
import { LiveNote } from './live.ts';

describe('the note that rings', () => {
  it('draws its stroke on its own string only', () => {
    const live = new LiveNote();
    live.begin();
    live.add(3, 0.1, -12);
    live.add(3, 0.12, -11);
    expect(Array.from(live.strokeOf(3)!)).to.deep.equal([0.1, -12, 0.12, -11]);
    expect(live.strokeOf(4)).to.equal(null);
  });

  it('drops what it took for another string at first', () => {
    const live = new LiveNote();
    live.begin();
    live.add(6, 0.1, 900);
    live.add(1, 0.12, 3);
    expect(live.strokeOf(6)).to.equal(null);
    expect(Array.from(live.strokeOf(1)!)).to.deep.equal([0.12, 3]);
  });

  it('is a perch once it has its reading, but goes on showing its pitch', () => {
    const live = new LiveNote();
    live.begin();
    live.add(3, 0.5, -4);
    live.conclude();
    live.add(3, 0.9, -3.5);
    expect(live.strokeOf(3)).to.equal(null);
    expect(live.cents).to.equal(-3.5);
  });

  it('tells its watchers until they stop watching', () => {
    const live = new LiveNote();
    let told = 0;
    const stop = live.subscribe(() => told++);
    live.begin();
    live.add(1, 0.1, 0);
    live.end();
    stop();
    live.begin();
    expect(told).to.equal(3);
    expect(live.cents).to.equal(null);
  });
});
