import { expect } from 'chai';
import { Cancelled, doAside } from './job.ts';
import type { JobReport } from './protocol.ts';

/** A helper that says what it is told to. */
class Helper {
  onmessage: ((event: { data: JobReport<number> }) => void) | null = null;
  onerror: ((event: { message: string }) => void) | null = null;
  onmessageerror: (() => void) | null = null;
  asked: unknown[] = [];
  ended = false;
  postMessage(request: unknown): void {
    this.asked.push(request);
  }
  terminate(): void {
    this.ended = true;
  }
  say(data: JobReport<number>): void {
    this.onmessage?.({ data });
  }
}

interface Timer {
  readonly act: () => void;
  readonly ms: number;
  stopped: boolean;
}

describe('a job done aside', () => {
  const helpers: Helper[] = [];
  const timers: Timer[] = [];
  const real = { setTimeout: globalThis.setTimeout, clearTimeout: globalThis.clearTimeout };
  const start = () => {
    const helper = new Helper();
    helpers.push(helper);
    return helper as unknown as Worker;
  };
  /** Time goes by only here. */
  const runOut = () => {
    const [waiting] = timers.filter(({ stopped }) => !stopped).slice(-1);
    waiting?.act();
    return waiting?.ms;
  };
  const settle = () => new Promise<void>((resolve) => real.setTimeout(resolve, 0));

  beforeEach(() => {
    helpers.length = 0;
    timers.length = 0;
    Object.assign(globalThis, {
      setTimeout: (act: () => void, ms: number) => timers.push({ act, ms, stopped: false }),
      clearTimeout: (id: number) => {
        const timer = timers[id - 1];
        if (timer) timer.stopped = true;
      },
    });
  });
  afterEach(() => Object.assign(globalThis, real));

  it('hands over the request, tells how far it is, answers, and ends the helper', async () => {
    const told: [number, number][] = [];
    const done = doAside<string, number>({
      start,
      request: 'sum',
      progress: (n, of) => told.push([n, of]),
    });
    const [helper] = helpers;
    helper?.say({ type: 'here' });
    helper?.say({ type: 'progress', done: 1, of: 3 });
    helper?.say({ type: 'done', answer: 42 });
    expect(await done).to.equal(42);
    expect(helper?.asked).to.deep.equal(['sum']);
    expect(told).to.deep.equal([[1, 3]]);
    expect(helper?.ended).to.equal(true);
    expect(timers.every(({ stopped }) => stopped)).to.equal(true);
  });

  it('is begun anew once when the helper does not take it, and then said', async () => {
    const done = doAside<string, number>({ start, request: 'sum' }).catch((e: Error) => e.message);
    expect(runOut()).to.equal(5000);
    await settle();
    expect(helpers).to.have.length(2);
    expect(helpers[0]?.ended).to.equal(true);
    expect(runOut()).to.equal(5000);
    expect(await done).to.match(/common\.helperSilent/);
    expect(helpers).to.have.length(2);
    expect(helpers[1]?.ended).to.equal(true);
  });

  it('the second helper may answer', async () => {
    const done = doAside<string, number>({ start, request: 'sum' });
    runOut();
    await settle();
    helpers[1]?.say({ type: 'done', answer: 7 });
    expect(await done).to.equal(7);
  });

  it('one that is at work may be silent for a minute, from its last word on', () => {
    void doAside<string, number>({ start, request: 'sum' }).catch(() => {});
    helpers[0]?.say({ type: 'here' });
    helpers[0]?.say({ type: 'progress', done: 1, of: 2 });
    const waiting = timers.filter(({ stopped }) => !stopped);
    expect(waiting.map(({ ms }) => ms)).to.deep.equal([60_000]);
  });

  it('tells why it failed, and is not begun anew for that', async () => {
    const done = doAside<string, number>({ start, request: 'sum' }).catch((e: Error) => e.message);
    helpers[0]?.say({ type: 'failed', problem: 'no such table' });
    expect(await done).to.equal('no such table');
    expect(helpers).to.have.length(1);
  });

  for (const [how, problem, crash] of [
    ['stopped', 'troubles.helperStopped', (helper: Helper) => helper.onerror?.({ message: '' })],
    [
      'sent something unreadable',
      'troubles.helperUnreadable',
      (helper: Helper) => helper.onmessageerror?.(),
    ],
  ] as const)
    it(`tells that the helper ${how}`, async () => {
      const done = doAside<string, number>({ start, request: 1 as never }).catch(
        (e: Error) => e.message,
      );
      crash(helpers[0]!);
      expect(await done).to.contain(problem);
    });

  it('is cancelled by ending the helper', async () => {
    const stop = new AbortController();
    const done = doAside<string, number>({ start, request: 'sum', signal: stop.signal }).catch(
      (e: Error) => e,
    );
    stop.abort();
    expect(await done).to.be.instanceOf(Cancelled);
    expect(helpers[0]?.ended).to.equal(true);
    // What it still says goes nowhere.
    helpers[0]?.say({ type: 'done', answer: 1 });
  });

  it('is not begun at all when it was cancelled before', async () => {
    const stop = new AbortController();
    stop.abort();
    const done = doAside<string, number>({ start, request: 'sum', signal: stop.signal });
    expect(await done.catch((e: Error) => e)).to.be.instanceOf(Cancelled);
    expect(helpers).to.have.length(0);
  });
});
