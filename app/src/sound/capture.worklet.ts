import type { CaptureRequest, SoundMessage } from './protocol.ts';

/** Copies the microphone's samples, and the page's marks between them, to anyone who holds the port; does nothing else. */
const BLOCK = 512;

class Capture extends AudioWorkletProcessor {
  private readonly block = new Float32Array(BLOCK);
  private filled = 0;
  private sound: MessagePort | null = null;
  private channel: 'left' | 'right' | 'mix' = 'mix';

  constructor() {
    super();
    this.port.onmessage = ({ data }: MessageEvent<CaptureRequest>) => {
      if (data.type === 'start') {
        this.sound = data.sound;
        this.channel = data.channel;
        return;
      }
      this.send();
      this.sound?.postMessage(data.mark satisfies SoundMessage);
    };
  }

  process(inputs: Float32Array[][]): boolean {
    const channels = inputs[0];
    const first = channels?.[0];
    if (!channels || !first || !this.sound) return true;
    for (let i = 0; i < first.length; i++) {
      this.block[this.filled++] = this.pick(channels, i);
      if (this.filled === BLOCK) this.send();
    }
    return true;
  }

  private pick(channels: Float32Array[], i: number): number {
    const left = channels[0]![i]!;
    const right = channels[1]?.[i] ?? left;
    if (this.channel === 'left') return left;
    return this.channel === 'right' ? right : (left + right) / 2;
  }

  private send(): void {
    const block = this.block.slice(0, this.filled);
    this.sound?.postMessage(block satisfies SoundMessage, [block.buffer]);
    this.filled = 0;
  }
}

registerProcessor('rosefinch-capture', Capture);
