import {
  BEAT_SECONDS,
  beatOf,
  type ListenEvent,
  Listener,
  type StringKnowledge,
} from '@rosefinch/core/listen';
import type { AnalysisMessage, AnalysisReport, AnalysisRequest } from '../audio/protocol.ts';

/** Hears whatever source was opened last and reports what it finds. */
let sound: MessagePort | null = null;
let listener: Listener | null = null;
let strings: readonly StringKnowledge[] = [];
let deafUntil = 0;
let opening = 0;

/** Two strings that are to be heard together: near which pitch, and their sound since the last onset. */
let pair: { readonly hz: number; readonly sound: number[]; begun: boolean } | null = null;

function report(message: AnalysisReport): void {
  postMessage({ opening, report: message } satisfies AnalysisMessage);
}

function open(number: number, sampleRate: number, port: MessagePort): void {
  close();
  opening = number;
  listener = new Listener(sampleRate, hearEvent);
  listener.know(strings);
  sound = port;
  port.onmessage = ({ data }: MessageEvent<Float32Array>) => {
    // What the application itself sounds is not heard.
    if (performance.now() < deafUntil) return;
    try {
      listener?.hear(data);
      hearPair(data, sampleRate);
    } catch (error) {
      report({ type: 'failed', message: String(error) });
    }
  };
  report({ type: 'ready' });
}

/** Passes on what was found; two strings on purpose are no readings. */
function hearEvent(event: ListenEvent): void {
  if (pair && event.type === 'onset') {
    // The second string is often sounded a moment after the first.
    pair.sound.length = 0;
    pair.begun = true;
  }
  if (!pair || event.type === 'level' || event.type === 'room') report(event);
}

function hearPair(data: Float32Array, sampleRate: number): void {
  if (!pair?.begun) return;
  for (const sample of data) pair.sound.push(sample);
  if (pair.sound.length < BEAT_SECONDS * sampleRate) return;
  const beat = beatOf(pair.sound, sampleRate, pair.hz);
  pair = null;
  report({ type: 'pair', beat });
}

function close(): void {
  pair = null;
  if (sound) {
    sound.onmessage = null;
    sound.close();
  }
  sound = null;
  listener = null;
}

self.onmessage = ({ data }: MessageEvent<AnalysisRequest>) => {
  try {
    if (data.type === 'open') open(data.opening, data.sampleRate, data.sound);
    else if (data.type === 'know') {
      strings = data.strings;
      listener?.know(strings);
    } else if (data.type === 'pair')
      pair = data.hz === null ? null : { hz: data.hz, sound: [], begun: false };
    else if (data.type === 'deaf') deafUntil = performance.now() + data.forMs;
    else close();
  } catch (error) {
    report({ type: 'failed', message: error instanceof Error ? error.message : String(error) });
  }
};
