import { Listener } from '@rosefinch/core/listen';
import type { AnalysisReport, AnalysisRequest } from '../audio/protocol.ts';

/** Hears whatever source was opened last and reports what it finds. */
let sound: MessagePort | null = null;
let listener: Listener | null = null;
let deafUntil = 0;

function report(message: AnalysisReport): void {
  postMessage(message);
}

function open(sampleRate: number, port: MessagePort): void {
  close();
  listener = new Listener(sampleRate, report);
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
  listener?.finish();
  sound = null;
  listener = null;
}

self.onmessage = ({ data }: MessageEvent<AnalysisRequest>) => {
  try {
    if (data.type === 'open') open(data.sampleRate, data.sound);
    else if (data.type === 'deaf') deafUntil = performance.now() + data.forMs;
    else close();
  } catch (error) {
    report({ type: 'failed', message: error instanceof Error ? error.message : String(error) });
  }
};
