import { PracticeInstrument, soundCheck } from '@rosefinch/core/practice';
import type { PracticeReport, PracticeRequest, PracticeStart } from '../audio/protocol.ts';

/** Plays a practice instrument in real time into the sound port and to the page. */
const TICK_MS = 20;
/** After a stall no more than this is made up for. */
const MOST_LATE_MS = 250;

let instrument: PracticeInstrument | null = null;
let sound: MessagePort | null = null;
let timer: ReturnType<typeof setInterval> | undefined;
let courses = 0;

function report(message: PracticeReport, transfer: Transferable[] = []): void {
  postMessage(message, { transfer });
}

function sayTruth(): void {
  if (!instrument) return;
  const deviations = Array.from({ length: courses }, (_, i) => instrument!.deviation(i + 1));
  report({ type: 'truth', deviations });
}

function start(setup: PracticeStart, port: MessagePort): void {
  stop();
  instrument = new PracticeInstrument({
    instrument: setup.instrument,
    targets: setup.targetsHz,
    detune: setup.detuneCents,
    seed: setup.seed,
    sampleRate: setup.sampleRate,
    ...(setup.creep && { creep: setup.creep }),
    ...(setup.neck && { neck: setup.neck }),
  });
  courses = setup.targetsHz.length;
  sound = port;
  let due = performance.now();
  timer = setInterval(() => {
    const now = performance.now();
    due = Math.max(due, now - MOST_LATE_MS);
    for (; due <= now; due += TICK_MS) playBlock((setup.sampleRate * TICK_MS) / 1000);
  }, TICK_MS);
  sayTruth();
}

function playBlock(length: number): void {
  const samples = new Float32Array(length);
  instrument?.render(samples);
  const copy = samples.slice();
  sound?.postMessage(samples, [samples.buffer]);
  report({ type: 'block', samples: copy }, [copy.buffer]);
}

function stop(): void {
  clearInterval(timer);
  sound?.close();
  sound = null;
  instrument = null;
}

self.onmessage = ({ data }: MessageEvent<PracticeRequest>) => {
  switch (data.type) {
    case 'start':
      return start(data.start, data.sound);
    case 'pluck':
      return instrument?.pluckAlone(data.course, data.strength);
    case 'pair':
      return instrument?.pluckPair(data.held, data.open);
    case 'turn':
      instrument?.turn(data.course, data.turns);
      return sayTruth();
    case 'fretted':
      return instrument?.pluckFretted(data.course, data.fret, data.press);
    case 'stretch':
      instrument?.stretch(data.course);
      return sayTruth();
    case 'elapse':
      instrument?.elapse(data.seconds);
      return sayTruth();
    case 'mute':
      return instrument?.mute();
    case 'check': {
      const samples = soundCheck(data.check, data.sampleRate);
      return report({ type: 'check', samples }, [samples.buffer]);
    }
    case 'stop':
      return stop();
  }
};
