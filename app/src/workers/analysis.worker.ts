import { Listener, type StringKnowledge } from '@rosefinch/core/listen';
import type { AnalysisMessage, AnalysisReport, AnalysisRequest } from '../audio/protocol.ts';

/** Hears whatever source was opened last and reports what it finds. */
let sound: MessagePort | null = null;
let listener: Listener | null = null;
let strings: readonly StringKnowledge[] = [];
let deafUntil = 0;
let opening = 0;

function report(message: AnalysisReport): void {
  postMessage({ opening, report: message } satisfies AnalysisMessage);
}

function open(number: number, sampleRate: number, port: MessagePort): void {
  close();
  opening = number;
  listener = new Listener(sampleRate, report);
  listener.know(strings);
  sound = port;
  port.onmessage = ({ data }: MessageEvent<Float32Array>) => {
    // What the application itself sounds is not heard.
    if (performance.now() < deafUntil) return;
    try {
      listener?.hear(data);
    } catch (error) {
      report({ type: 'failed', message: String(error) });
    }
  };
  report({ type: 'ready' });
}

function close(): void {
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
    } else if (data.type === 'deaf') deafUntil = performance.now() + data.forMs;
    else close();
  } catch (error) {
    report({ type: 'failed', message: error instanceof Error ? error.message : String(error) });
  }
};
