import { VoiceFollower } from '@rosefinch/core/ear';
import { problemOf } from '@rosefinch/core/errors';
import {
  BEAT_SECONDS,
  beatOf,
  type ListenEvent,
  Listener,
  type StringKnowledge,
  type StrumTuning,
  WindingListener,
} from '@rosefinch/core/listen';
import type { Hz } from '@rosefinch/core/units';
import type {
  AnalysisMessage,
  AnalysisReport,
  AnalysisRequest,
  SoundMark,
  SoundMessage,
} from './protocol.ts';

/** Hears whatever source was opened last and reports what it finds. */
let sound: MessagePort | null = null;
let listener: Listener | null = null;
let strings: readonly StringKnowledge[] = [];
let tunings: readonly StrumTuning[] = [];
type Opening = Extract<AnalysisRequest, { type: 'open' }>;

/** So many samples are heard at once, whatever the blocks in which they come. */
const PIECE = 2048;
/** Samples that are still to go by unheard. */
let deaf = 0;
let opening = 0;

/** Two strings that are to be heard together: near which pitch, and their sound since the last onset. */
let pair: { readonly hz: Hz; readonly sound: number[]; begun: boolean } | null = null;

/** Follows a voice. */
let voice: VoiceFollower | null = null;

/** Follows the string that is being wound, and whether its plucks are read as well. */
let winding: WindingListener | null = null;
let readsWhileWinding = false;

function report(message: AnalysisReport): void {
  postMessage({ opening, report: message } satisfies AnalysisMessage);
}

function open({ opening: number, sampleRate, sound: port, pace }: Opening): void {
  close();
  opening = number;
  listener = new Listener(sampleRate, hearEvent);
  listener.know(strings, tunings);
  sound = port;
  port.onmessage = ({ data }: MessageEvent<SoundMessage>) => {
    try {
      if (data instanceof Float32Array) hearAll(data, sampleRate, pace);
      else heed(data, sampleRate);
    } catch (error) {
      report({ type: 'failed', problem: problemOf(error) });
    }
  };
  report({ type: 'ready' });
}

function hearAll(block: Float32Array, sampleRate: Hz, pace: 'real' | 'fast'): void {
  for (let at = 0; at < block.length; at += PIECE) {
    const piece = block.subarray(at, at + PIECE);
    hear(piece, sampleRate);
    const over = at + PIECE >= block.length;
    if (pace === 'fast') report({ type: 'ahead', seconds: piece.length / sampleRate, over });
  }
}

function hear(block: Float32Array, sampleRate: Hz): void {
  // What the application itself sounds is not heard.
  const passed = Math.min(deaf, block.length);
  if (passed > 0) {
    listener?.pass(passed / sampleRate);
    winding?.pass(passed / sampleRate);
    deaf -= passed;
    if (deaf === 0) report({ type: 'deaf', deaf: false });
  }
  const sound = block.subarray(passed);
  listener?.hear(sound);
  winding?.hear(sound);
  voice?.hear(sound);
  hearPair(sound, sampleRate);
}

/** Heeds a mark at its place in the sound. */
function heed(mark: SoundMark, sampleRate: Hz): void {
  if (mark.mark === 'ask') listener?.ask(mark.asked, mark.ago);
  else if (mark.mark === 'pair')
    pair = mark.hz === null ? null : { hz: mark.hz, sound: [], begun: false };
  else if (mark.mark === 'strum') listener?.expectStrum(mark.expected);
  else if (mark.mark === 'voice')
    voice = mark.follow
      ? new VoiceFollower(sampleRate, (frame) => report({ type: 'sung', frame }))
      : null;
  else if (mark.mark === 'wind') {
    readsWhileWinding = mark.reads;
    winding =
      mark.string &&
      new WindingListener(sampleRate, mark.string, (pitch) => report({ type: 'wound', pitch }));
  } else {
    deaf = Math.round(mark.seconds * sampleRate);
    report({ type: 'deaf', deaf: true });
  }
}

/** Passes on what was found; two strings on purpose are no readings, nor a voice, nor one that is wound from slack. */
function hearEvent(event: ListenEvent): void {
  if (pair && event.type === 'onset') {
    // The second string is often sounded a moment after the first.
    pair.sound.length = 0;
    pair.begun = true;
  }
  const isHeld = pair || voice || (winding && !readsWhileWinding);
  if (!isHeld || event.type === 'level' || event.type === 'room') report(event);
}

function hearPair(data: Float32Array, sampleRate: Hz): void {
  if (!pair?.begun) return;
  for (const sample of data) pair.sound.push(sample);
  if (pair.sound.length < BEAT_SECONDS * sampleRate) return;
  const beat = beatOf(pair.sound, sampleRate, pair.hz);
  pair = null;
  report({ type: 'pair', beat });
}

function close(): void {
  pair = null;
  winding = null;
  voice = null;
  deaf = 0;
  if (sound) {
    sound.onmessage = null;
    sound.close();
  }
  sound = null;
  listener = null;
}

self.onmessage = ({ data }: MessageEvent<AnalysisRequest>) => {
  try {
    if (data.type === 'open') open(data);
    else if (data.type === 'know') {
      strings = data.strings;
      tunings = data.tunings;
      listener?.know(strings, tunings);
    } else if (data.type === 'ask') report({ type: 'here' });
    else close();
  } catch (error) {
    report({ type: 'failed', problem: problemOf(error) });
  }
};
