import { expect } from 'chai';
import { takeListeningLock } from './lock.ts';

/** Locks as several tabs see them: one holder a name, the others wait (W3C Web Locks, `signal`). */
function locks() {
  let holder = Promise.resolve();
  const waiting: AbortController[] = [];
  return {
    /** All who wait have waited long enough. */
    giveUp: () => waiting.forEach((one) => void one.abort()),
    request: async (_: string, { signal }: { signal: AbortSignal }, act: () => Promise<void>) => {
      const before = holder;
      const patience = new AbortController();
      waiting.push(patience);
      expect(signal.aborted).to.equal(false);
      const late = new Promise<never>((__, reject) => {
        patience.signal.addEventListener('abort', () => reject(new DOMException('', 'AbortError')));
      });
      let done = () => {};
      holder = new Promise((resolve) => {
        done = resolve;
      });
      await Promise.race([before, late]).catch((problem: unknown) => {
        void before.then(done);
        throw problem;
      });
      await act();
      done();
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
    const impatient = takeListeningLock();
    shared.giveUp();
    expect(await impatient).to.equal(null);
    const patient = takeListeningLock();
    first!();
    expect(await patient).to.be.a('function');
  });

  it('is everybody’s where the browser knows no locks', async () => {
    expect(await takeListeningLock()).to.be.a('function');
    expect(await takeListeningLock()).to.be.a('function');
  });
});
