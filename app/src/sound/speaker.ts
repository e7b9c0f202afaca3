import type { Hz } from '@rosefinch/core/units';

/** Plays blocks of samples one after the other, as they come. */
export class Speaker {
  private context: AudioContext | null = null;
  private gain: GainNode | null = null;
  private next = 0;

  constructor(private readonly sampleRate: Hz) {}

  /** Starts sounding; must follow a click or key, as browsers ask. */
  async start(volume: number): Promise<void> {
    if (!this.context) {
      this.context = new AudioContext({ sampleRate: this.sampleRate });
      this.gain = this.context.createGain();
      this.gain.connect(this.context.destination);
    }
    if (this.gain) this.gain.gain.value = volume;
    await this.context.resume();
  }

  stop(): void {
    void this.context?.close();
    this.context = null;
    // The next one's time begins anew.
    this.next = 0;
  }

  play(samples: Float32Array<ArrayBuffer>): void {
    const { context, gain } = this;
    if (!context || !gain || context.state !== 'running') return;
    const buffer = context.createBuffer(1, samples.length, this.sampleRate);
    buffer.copyToChannel(samples, 0);
    const node = context.createBufferSource();
    node.buffer = buffer;
    node.connect(gain);
    if (this.next < context.currentTime) this.next = context.currentTime + 0.04;
    node.start(this.next);
    this.next += buffer.duration;
  }
}
