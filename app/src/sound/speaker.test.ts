import { expect } from 'chai';
import { Speaker } from './speaker.ts';

/** A loudspeaker that writes down when each block begins. */
function loudspeaker() {
  const begun: number[] = [];
  const contexts: Context[] = [];
  class Context {
    state = 'suspended';
    currentTime = 0;
    destination = {};
    gain = { gain: { value: 1 }, connect: () => {} };
    constructor(readonly wish: { sampleRate: number }) {
      contexts.push(this);
    }
    createGain = () => this.gain;
    createBuffer = (_: number, length: number, rate: number) => ({
      duration: length / rate,
      copyToChannel: () => {},
    });
    createBufferSource = () => ({ connect: () => {}, start: (at: number) => begun.push(at) });
    resume = async () => {
      this.state = 'running';
    };
    close = async () => {
      this.state = 'closed';
    };
  }
  Object.assign(globalThis, { AudioContext: Context });
  return { begun, contexts };
}

describe('the loudspeaker', () => {
  afterEach(() => Reflect.deleteProperty(globalThis, 'AudioContext'));
  const block = () => new Float32Array(480);

  it('joins blocks without a gap, and begins anew a moment ahead where they came late', async () => {
    const { begun, contexts } = loudspeaker();
    const speaker = new Speaker(24_000);
    await speaker.start(0.5);
    expect(contexts[0]!.wish.sampleRate).to.equal(24_000);
    expect(contexts[0]!.gain.gain.value).to.equal(0.5);
    contexts[0]!.currentTime = 1;
    for (let i = 0; i < 3; i++) speaker.play(block());
    contexts[0]!.currentTime = 2;
    speaker.play(block());
    for (const [i, at] of [1.04, 1.06, 1.08, 2.04].entries())
      expect(begun[i]!).to.be.closeTo(at, 1e-9);
  });

  it('is silent before it is started and after it is stopped, and changes its volume as it sounds', async () => {
    const { begun, contexts } = loudspeaker();
    const speaker = new Speaker(24_000);
    speaker.play(block());
    await speaker.start(0.5);
    await speaker.start(0.1);
    expect(contexts).to.have.length(1);
    expect(contexts[0]!.gain.gain.value).to.equal(0.1);
    speaker.stop();
    speaker.play(block());
    expect(begun).to.deep.equal([]);
    expect(contexts[0]!.state).to.equal('closed');
    await speaker.start(0.3);
    expect(contexts).to.have.length(2);
  });

  it('sounds at once when it is started again, however long it sounded before', async () => {
    const { begun, contexts } = loudspeaker();
    const speaker = new Speaker(24_000);
    await speaker.start(0.5);
    contexts[0]!.currentTime = 100;
    speaker.play(block());
    speaker.stop();
    await speaker.start(0.5);
    contexts[1]!.currentTime = 0.01;
    speaker.play(block());
    expect(begun[1]!).to.be.closeTo(0.05, 1e-9);
  });
});
