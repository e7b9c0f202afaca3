import { expect } from 'chai';
import { takeListeningLock } from './lock.ts';

/** Locks as several tabs see them: one holder a name (W3C Web Locks, `ifAvailable`). */
function locks() {
  const held = new Set<string>();
  return {
    held,
    request: async (
      name: string,
      { ifAvailable }: { ifAvailable: boolean },
      act: (lock: object | null) => unknown,
    ) => {
      expect(ifAvailable).to.equal(true);
      if (held.has(name)) return act(null);
      held.add(name);
      await act({});
      held.delete(name);
    },
  };
}

describe('the right to listen', () => {
  afterEach(() => Reflect.deleteProperty(navigator, 'locks'));

  it('is one tab’s at a time, and the next one’s once it is given back', async () => {
    const shared = locks();
    Object.assign(navigator, { locks: shared });
    const first = await takeListeningLock();
    expect(first).to.be.a('function');
    expect(await takeListeningLock()).to.equal(null);
    first!();
    await new Promise<void>((resolve) => setImmediate(resolve));
    expect(shared.held.size).to.equal(0);
    expect(await takeListeningLock()).to.be.a('function');
  });

  it('is everybody’s where the browser knows no locks', async () => {
    expect(await takeListeningLock()).to.be.a('function');
    expect(await takeListeningLock()).to.be.a('function');
  });
});
