import { problemOf } from '@rosefinch/core/errors';
import {
  MICROPHONE_TROUBLES,
  notOpenedInWords,
  type Processing,
  processedInWords,
} from '@rosefinch/core/sentences';
import { standIn } from '../environment.ts';
import captureUrl from './capture.worklet.ts?worker&url';
import type { CaptureRequest } from './protocol.ts';
import { MicrophoneProblem, type Source } from './source.ts';
import { openStandIn } from './standIn.ts';

type Channel = 'left' | 'right' | 'mix';

/** Which input to hear, and what to call when it fails later. */
export interface MicrophoneWish {
  readonly deviceId?: string;
  readonly channel?: Channel;
  readonly lost: (problem: MicrophoneProblem) => void;
}

/** The browser's own processing would bend what is measured: all of it off. */
const PLAIN: MediaTrackConstraints = {
  echoCancellation: false,
  noiseSuppression: false,
  autoGainControl: false,
};

/**
 * Opens the microphone. The worklet is loaded before the device is asked for,
 * so that not a sample of it is missed.
 * @throws MicrophoneProblem with a plain message and a way on.
 */
export async function openMicrophone(wish: MicrophoneWish): Promise<Source> {
  if (standIn) return openStandIn(standIn);
  if (!navigator.mediaDevices?.getUserMedia) throw new MicrophoneProblem(MICROPHONE_TROUBLES.none);
  const context = new AudioContext({ latencyHint: 'interactive' });
  let stream: MediaStream | null = null;
  try {
    await context.audioWorklet.addModule(captureUrl);
    const capture = new AudioWorkletNode(context, 'rosefinch-capture', { numberOfOutputs: 0 });
    const { port1, port2 } = new MessageChannel();
    const tell = (request: CaptureRequest, transfer: Transferable[] = []) =>
      capture.port.postMessage(request, transfer);
    tell({ type: 'start', sound: port1, channel: wish.channel ?? 'mix' }, [port1]);
    const input = await navigator.mediaDevices.getUserMedia({
      audio: wish.deviceId ? { ...PLAIN, deviceId: { exact: wish.deviceId } } : PLAIN,
    });
    stream = input;
    context.createMediaStreamSource(input).connect(capture);
    await context.resume();
    const unwatch = watch(input, context, wish.lost);
    // What sounds now is captured so much later.
    const settings: MediaTrackSettings & { readonly latency?: number } =
      input.getAudioTracks()[0]?.getSettings() ?? {};
    const latency = settings.latency ?? 0;
    return {
      sampleRate: context.sampleRate,
      sound: port2,
      mark: (mark) =>
        tell({
          type: 'mark',
          mark: mark.mark === 'ask' ? { ...mark, ago: mark.ago - latency } : mark,
        }),
      close: () => {
        unwatch();
        release(input);
        void context.close();
      },
    };
  } catch (error) {
    // A microphone that was opened before the failure must not stay on.
    if (stream) release(stream);
    void context.close();
    throw asProblem(error);
  }
}

function release(stream: MediaStream): void {
  for (const track of stream.getTracks()) track.stop();
}

/** Reports everything that can befall an open microphone; returns an unsubscribe function. */
function watch(
  stream: MediaStream,
  context: AudioContext,
  lost: (problem: MicrophoneProblem) => void,
): () => void {
  const bent = stillProcessed(stream);
  if (bent) lost(new MicrophoneProblem(processedInWords(bent)));
  const watching = new AbortController();
  const { signal } = watching;
  const [track] = stream.getAudioTracks();
  const unplugged = () => lost(new MicrophoneProblem(MICROPHONE_TROUBLES.unplugged));
  const muted = () => lost(new MicrophoneProblem(MICROPHONE_TROUBLES.muted));
  track?.addEventListener('ended', unplugged, { signal });
  track?.addEventListener('mute', muted, { signal });
  const wake = () => {
    if (context.state === 'running' || context.state === 'closed') return;
    context.resume().catch(() => lost(new MicrophoneProblem(MICROPHONE_TROUBLES.asleep)));
  };
  context.addEventListener('statechange', wake, { signal });
  document.addEventListener('visibilitychange', wake, { signal });
  return () => watching.abort();
}

/** What browsers do to sound on their own. */
const PROCESSING: readonly Processing[] = [
  'echoCancellation',
  'noiseSuppression',
  'autoGainControl',
];

/** Names the processing that the browser left on against our wish, or null. */
function stillProcessed(stream: MediaStream): Processing | null {
  const settings = stream.getAudioTracks()[0]?.getSettings();
  return PROCESSING.find((one) => settings?.[one]) ?? null;
}

const PROBLEMS: Readonly<Record<string, keyof typeof MICROPHONE_TROUBLES>> = {
  NotAllowedError: 'refused',
  NotFoundError: 'not found',
  NotReadableError: 'held',
  OverconstrainedError: 'gone',
};

function asProblem(error: unknown): MicrophoneProblem {
  if (error instanceof MicrophoneProblem) return error;
  const known = error instanceof Error ? PROBLEMS[error.name] : undefined;
  if (known) return new MicrophoneProblem(MICROPHONE_TROUBLES[known]);
  return new MicrophoneProblem(notOpenedInWords(problemOf(error)));
}
