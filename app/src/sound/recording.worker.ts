import { Listener } from '@rosefinch/core/listen';
import type { RecordedPluck } from '@rosefinch/core/records';
import type { Progress } from '../worker/protocol.ts';
import { serve } from '../worker/serve.ts';
import type { ReadRecording, RecordingRequest } from './protocol.ts';

/** Reads every pluck of one sound, says how far it is, and ends. */
const BLOCK = 16_384;
const ENVELOPE_COLUMNS = 900;

function read({ samples, sampleRate }: RecordingRequest, progress: Progress): ReadRecording {
  const plucks: RecordedPluck[] = [];
  const listener = new Listener(sampleRate, (event) => {
    if (event.type !== 'outcome') return;
    const { start, length, outcome, track, clipped } = event;
    // A string that was turned while it rang is listed where it was read again.
    const again = event.again && outcome.kind === 'reading' ? outcome : null;
    const at = again ? start + again.windowFrom : start;
    plucks.push({
      start: at,
      length: again ? again.windowLength : length,
      outcome,
      track,
      clipped,
    });
  });
  for (let at = 0; at < samples.length; at += BLOCK) {
    listener.hear(samples.subarray(at, at + BLOCK));
    progress(at, samples.length);
  }
  listener.finish();
  return { plucks, envelope: envelopeOf(samples) };
}

function envelopeOf(samples: Float32Array): Float32Array {
  const columns = Math.min(ENVELOPE_COLUMNS, samples.length);
  const envelope = new Float32Array(2 * columns);
  for (let c = 0; c < columns; c++) {
    const from = Math.floor((c * samples.length) / columns);
    const to = Math.floor(((c + 1) * samples.length) / columns);
    let low = 0;
    let high = 0;
    for (let i = from; i < to; i++) {
      low = Math.min(low, samples[i]!);
      high = Math.max(high, samples[i]!);
    }
    envelope[2 * c] = low;
    envelope[2 * c + 1] = high;
  }
  return envelope;
}

serve(read);
