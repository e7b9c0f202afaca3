import { LOUDNESS_RATE, PracticeInstrument, soundCheck, sounded } from '@rosefinch/core/practice';
import type { Hz, Seconds } from '@rosefinch/core/units';
import { monotonic } from '../environment.ts';
import type { PracticeReport, PracticeRequest, PracticeStart, SoundMessage } from './protocol.ts';

/**
 * Plays a practice instrument into the sound port and to the page. In real pace its time is
 * the samples it has sounded; what the hands do falls between two blocks, and waits for them.
 * In fast pace every movement of the hands is sounded at once for as long as it takes to be
 * read, and time stands still between them.
 */
const TICK_MS = 20;
/** After a stall no more than this is sounded at once: the instrument's time has stood still. */
const MOST_LATE_MS = 250;
/** How long a movement sounds in fast pace, in seconds: the room, a pluck to its reading, a turn, a mute. */
const FAST = {
  start: 0.6,
  pluck: 1.3,
  strum: 1.8,
  pair: 4,
  turn: 0.06,
  mute: 0.5,
  wind: 0.3,
} as const;

let instrument: PracticeInstrument | null = null;
let sound: MessagePort | null = null;
let timer: ReturnType<typeof setInterval> | undefined;
let courses = 0;
/** In fast pace: sounds so many seconds. */
let playOn: (seconds: Seconds) => void = () => {};

function report(message: PracticeReport, transfer: Transferable[] = []): void {
  postMessage(message, { transfer });
}

function sayTruth(): void {
  if (!instrument) return;
  const deviations = Array.from({ length: courses }, (_, i) => instrument!.deviation(i + 1));
  report({ type: 'truth', deviations });
}

function start(setup: PracticeStart, port: MessagePort, pace: 'real' | 'fast'): void {
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
  if (pace === 'real') playInTime(setup.sampleRate);
  else {
    playOn = (seconds) => send(rendered(Math.round(seconds * setup.sampleRate)));
    playOn(FAST.start);
  }
  sayTruth();
}

function playInTime(sampleRate: Hz): void {
  let due = monotonic();
  timer = setInterval(() => {
    const now = monotonic();
    due = Math.max(due, now - MOST_LATE_MS);
    for (; due <= now; due += TICK_MS) {
      const samples = rendered((sampleRate * TICK_MS) / 1000);
      const copy = samples.slice();
      send(samples);
      report({ type: 'block', samples: copy }, [copy.buffer]);
    }
  }, TICK_MS);
}

function rendered(length: number): Float32Array<ArrayBuffer> {
  const samples = new Float32Array(length);
  instrument?.render(samples);
  return samples;
}

function send(message: SoundMessage): void {
  sound?.postMessage(message, message instanceof Float32Array ? [message.buffer] : []);
}

function stop(): void {
  clearInterval(timer);
  playOn = () => {};
  sound?.close();
  sound = null;
  instrument = null;
}

self.onmessage = ({ data }: MessageEvent<PracticeRequest>) => {
  switch (data.type) {
    case 'start':
      return start(data.start, data.sound, data.pace);
    case 'pluck':
      instrument?.pluckAlone(data.course, data.strength);
      return playOn(FAST.pluck);
    case 'strum':
      instrument?.strum();
      return playOn(FAST.strum);
    case 'pair':
      instrument?.pluckPair(data.held, data.open);
      return playOn(FAST.pair);
    case 'turn':
      instrument?.turn(data.course, data.turns);
      playOn(FAST.turn);
      return sayTruth();
    case 'fretted':
      instrument?.pluckFretted(data.course, data.fret, data.press, { capo: data.capo });
      return playOn(FAST.pluck);
    case 'slacken':
      instrument?.slacken(data.course, data.cents);
      playOn(FAST.wind);
      return sayTruth();
    case 'wind':
      instrument?.wind(data.course, data.cents, data.seconds);
      playOn(FAST.wind);
      return sayTruth();
    case 'stretch':
      instrument?.stretch(data.course);
      return sayTruth();
    case 'elapse':
      instrument?.elapse(data.seconds);
      return sayTruth();
    case 'mute':
      instrument?.mute();
      return playOn(FAST.mute);
    case 'mark':
      return send(data.mark);
    case 'check': {
      const samples = soundCheck(data.check, LOUDNESS_RATE);
      return report({ type: 'sounded', samples }, [samples.buffer]);
    }
    case 'notes': {
      const samples = sounded(data.notes);
      return report({ type: 'sounded', samples }, [samples.buffer]);
    }
    case 'stop':
      return stop();
  }
};
