import { getEventListeners } from 'node:events';
import { message } from '@rosefinch/core/message';
import { expect } from 'chai';
import { openMicrophone } from './microphone.ts';
import type { MicrophoneProblem } from './source.ts';

class Track extends EventTarget {
  stopped = false;
  constructor(readonly settings: object) {
    super();
  }
  getSettings = () => this.settings;
  stop = () => {
    this.stopped = true;
  };
}

/** A browser’s sound, as far as a microphone needs it; `refusal` is what it answers instead of one. */
function browser({
  settings = {},
  refusal,
  resume = async () => {},
}: {
  settings?: object;
  refusal?: Error;
  resume?: () => Promise<void>;
} = {}) {
  const track = new Track(settings);
  const stream = { getAudioTracks: () => [track], getTracks: () => [track] };
  const asked: unknown[] = [];
  const told: unknown[] = [];
  const contexts: Context[] = [];
  const page = new EventTarget();
  class Context extends EventTarget {
    state = 'running';
    sampleRate = 48_000;
    resumed = 0;
    audioWorklet = { addModule: async () => {} };
    constructor() {
      super();
      contexts.push(this);
    }
    createMediaStreamSource = () => ({ connect: () => {} });
    resume = () => {
      this.resumed++;
      return resume();
    };
    close = async () => {
      this.state = 'closed';
    };
  }
  class Capture {
    port = { postMessage: (message: unknown) => told.push(message) };
  }
  Object.assign(globalThis, { AudioContext: Context, AudioWorkletNode: Capture, document: page });
  Object.assign(navigator, {
    mediaDevices: {
      getUserMedia: async (wish: unknown) => {
        asked.push(wish);
        if (refusal) throw refusal;
        return stream;
      },
    },
  });
  const listeners = () =>
    getEventListeners(track, 'ended').length +
    getEventListeners(track, 'mute').length +
    getEventListeners(page, 'visibilitychange').length +
    contexts.reduce((sum, one) => sum + getEventListeners(one, 'statechange').length, 0);
  return { track, asked, told, contexts, page, listeners };
}

const named = (name: string) => Object.assign(new Error('no'), { name });

describe('the microphone', () => {
  const ports: MessagePort[] = [];
  afterEach(() => {
    for (const port of ports.splice(0)) port.close();
    for (const name of ['AudioContext', 'AudioWorkletNode', 'document'])
      Reflect.deleteProperty(globalThis, name);
    Reflect.deleteProperty(navigator, 'mediaDevices');
  });

  async function opened(sound: ReturnType<typeof browser>, wish: object = {}) {
    const lost: MicrophoneProblem[] = [];
    const source = await openMicrophone({ lost: (problem) => lost.push(problem), ...wish });
    ports.push(source.sound);
    const [start] = sound.told as { sound: MessagePort }[];
    ports.push(start!.sound);
    return { source, lost };
  }

  const problemOf = (wish: Promise<unknown>): Promise<MicrophoneProblem> =>
    wish.then(
      () => expect.fail('it was opened'),
      (problem) => problem,
    );

  it('is asked for without any processing of the browser’s own, by its name if it has one', async () => {
    const sound = browser();
    await opened(sound);
    await openMicrophone({ deviceId: 'desk', lost: () => {} }).then(({ sound: port }) =>
      ports.push(port),
    );
    ports.push((sound.told[1] as { sound: MessagePort }).sound);
    const plain = { echoCancellation: false, noiseSuppression: false, autoGainControl: false };
    expect(sound.asked).to.deep.equal([
      { audio: plain },
      { audio: { ...plain, deviceId: { exact: 'desk' } } },
    ]);
  });

  it('says its rate, and hears both channels unless one is wished for', async () => {
    const sound = browser();
    const { source } = await opened(sound);
    expect(source.sampleRate).to.equal(48_000);
    expect(sound.told[0]).to.include({ type: 'start', channel: 'mix' });
    const other = browser();
    await opened(other, { channel: 'right' });
    expect(other.told[0]).to.include({ channel: 'right' });
  });

  it('places what the page says where it is captured, later by the input’s delay', async () => {
    const sound = browser({ settings: { latency: 0.02 } });
    const { source } = await opened(sound);
    source.mark({ mark: 'ask', asked: 7, ago: 0.05 });
    source.mark({ mark: 'deaf', seconds: 1 });
    const [, ask, deaf] = sound.told as { mark: { ago: number } }[];
    expect(ask!.mark.ago).to.be.closeTo(0.03, 1e-12);
    expect(deaf!.mark).to.deep.equal({ mark: 'deaf', seconds: 1 });
  });

  it('that is closed is off, and nobody listens to it any more', async () => {
    const sound = browser();
    const { source, lost } = await opened(sound);
    expect(sound.listeners()).to.equal(4);
    source.close();
    expect(sound.listeners()).to.equal(0);
    expect([sound.track.stopped, sound.contexts[0]!.state]).to.deep.equal([true, 'closed']);
    sound.track.dispatchEvent(new Event('ended'));
    expect(lost).to.deep.equal([]);
  });

  for (const [event, told] of [
    ['ended', message('troubles.unplugged')],
    ['mute', message('troubles.muted')],
  ] as const)
    it(`tells of “${event}”`, async () => {
      const sound = browser();
      const { lost } = await opened(sound);
      sound.track.dispatchEvent(new Event(event));
      expect(lost.map(({ sentence }) => sentence.say)).to.deep.equal([told]);
      expect(lost[0]!.sentence.more).to.not.equal(null);
    });

  it('wakes with the page, and says so where it cannot', async () => {
    let sleeps = false;
    const sound = browser({
      resume: async () => {
        if (sleeps) throw new Error('asleep');
      },
    });
    const { lost } = await opened(sound);
    const [context] = sound.contexts;
    sound.page.dispatchEvent(new Event('visibilitychange'));
    expect(context!.resumed).to.equal(1);
    context!.state = 'suspended';
    sound.page.dispatchEvent(new Event('visibilitychange'));
    context!.dispatchEvent(new Event('statechange'));
    expect(context!.resumed).to.equal(3);
    expect(lost).to.deep.equal([]);
    sleeps = true;
    context!.dispatchEvent(new Event('statechange'));
    await new Promise<void>((resolve) => setImmediate(resolve));
    expect(lost.map(({ sentence }) => sentence.say)).to.deep.equal([message('troubles.asleep')]);
  });

  for (const [left, words] of [
    ['echoCancellation', message('troubles.processed', { processing: 'echoCancellation' })],
    ['noiseSuppression', message('troubles.processed', { processing: 'noiseSuppression' })],
    ['autoGainControl', message('troubles.processed', { processing: 'autoGainControl' })],
  ] as const)
    it(`says that ${left} was left on, and is heard all the same`, async () => {
      const { lost, source } = await opened(browser({ settings: { [left]: true } }));
      expect(lost).to.have.length(1);
      expect(lost[0]!.sentence.say).to.deep.equal(words);
      expect(source.sampleRate).to.equal(48_000);
    });

  for (const [name, words] of [
    ['NotAllowedError', message('troubles.refused')],
    ['NotFoundError', message('troubles.notFound')],
    ['NotReadableError', message('troubles.held')],
    ['OverconstrainedError', message('troubles.gone')],
    ['SomethingElse', message('troubles.notOpened', { reason: 'no' })],
  ] as const)
    it(`${name} is told with a way on; nothing stays open`, async () => {
      const sound = browser({ refusal: named(name) });
      const problem = await problemOf(openMicrophone({ lost: () => {} }));
      expect(problem.sentence.say).to.deep.equal(words);
      expect(problem.sentence.more).to.not.equal(null);
      expect(sound.contexts[0]!.state).to.equal('closed');
      (sound.told[0] as { sound: MessagePort }).sound.close();
    });

  it('that fails once it is on is switched off again', async () => {
    const sound = browser({ resume: async () => Promise.reject(named('NotAllowedError')) });
    await problemOf(openMicrophone({ lost: () => {} }));
    expect([sound.track.stopped, sound.listeners()]).to.deep.equal([true, 0]);
    (sound.told[0] as { sound: MessagePort }).sound.close();
  });

  it('is not there where pages are given none', async () => {
    browser();
    Object.assign(navigator, { mediaDevices: undefined });
    const problem = await problemOf(openMicrophone({ lost: () => {} }));
    expect(problem.sentence.say).to.deep.equal(message('troubles.microphoneNone'));
  });
});
