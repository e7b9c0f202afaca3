import { expect } from 'chai';
import { keepAwake } from './awake.ts';

/** A screen that can be kept awake, and a tab that can be hidden (W3C Screen Wake Lock). */
function screen(refuses = false) {
  const state = { asked: 0, held: 0 };
  const page = new EventTarget() as EventTarget & { visibilityState: string };
  page.visibilityState = 'visible';
  Object.assign(globalThis, { document: page });
  Object.assign(navigator, {
    wakeLock: {
      request: async () => {
        state.asked++;
        if (refuses) throw new DOMException('', 'NotAllowedError');
        state.held++;
        return { release: async () => void state.held-- };
      },
    },
  });
  const show = (visible: boolean) => {
    page.visibilityState = visible ? 'visible' : 'hidden';
    page.dispatchEvent(new Event('visibilitychange'));
  };
  return { state, show };
}

const aMoment = () => new Promise((resolve) => setImmediate(resolve));

describe('a screen that is kept awake', () => {
  afterEach(() => {
    Reflect.deleteProperty(navigator, 'wakeLock');
    Reflect.deleteProperty(globalThis, 'document');
  });

  it('is let sleep again when it is no longer wanted', async () => {
    const { state, show } = screen();
    const stop = keepAwake();
    await aMoment();
    expect(state.held).to.equal(1);
    stop();
    await aMoment();
    expect(state.held).to.equal(0);
    show(true);
    await aMoment();
    expect(state.asked).to.equal(1);
  });

  it('is asked for anew when a hidden tab is seen again, and not while it is hidden', async () => {
    const { state, show } = screen();
    keepAwake();
    show(false);
    await aMoment();
    expect(state.asked).to.equal(1);
    show(true);
    await aMoment();
    expect(state.asked).to.equal(2);
  });

  it('is let go even where leave comes only after it was given up', async () => {
    const { state } = screen();
    keepAwake()();
    await aMoment();
    expect(state.held).to.equal(0);
  });

  it('sleeps as it is used to where the machine refuses, or knows nothing of it', async () => {
    const { state } = screen(true);
    const stop = keepAwake();
    await aMoment();
    stop();
    expect(state).to.deep.equal({ asked: 1, held: 0 });
    Reflect.deleteProperty(navigator, 'wakeLock');
    keepAwake()();
  });
});
