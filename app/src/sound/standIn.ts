import type { Given } from '../environment.ts';
import type { SoundMessage } from './protocol.ts';
import type { Source } from './source.ts';

const RATE = 48_000;

/** A microphone that hears what is fed to it, at 48 kHz, mono, as fast as it can be heard. */
export function openStandIn(device: NonNullable<Given['microphone']>): Source {
  const { port1, port2 } = new MessageChannel();
  const send = (message: SoundMessage) =>
    port1.postMessage(message, message instanceof Float32Array ? [message.buffer] : []);
  device.feed = send;
  return {
    sampleRate: RATE,
    sound: port2,
    mark: send,
    close: () => {
      delete device.feed;
      port1.close();
    },
  };
}
