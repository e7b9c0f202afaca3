import { asText, problemOf } from '@rosefinch/core/errors';
import { mixDown, readWav, wavDuration } from '@rosefinch/core/formats';
import type { Message, Sentence } from '@rosefinch/core/message';
import {
  RECORDING_TROUBLES,
  readingStoppedInWords,
  tooLargeInWords,
  tooLongInWords,
  unreadableInWords,
} from '@rosefinch/core/sentences';
import type { Hz, Seconds } from '@rosefinch/core/units';
import { Cancelled, doAside, type Progress } from '../worker/index.ts';
import type { ReadRecording, RecordingRequest } from './protocol.ts';
import { makeReader } from './workers.ts';

const MEGABYTE = 2 ** 20;
const MOST_BYTES = 200 * MEGABYTE;
const MOST_SECONDS = 30 * 60;
/** The description of a WAV file stands in its first part. */
const HEAD_BYTES = 2 ** 20;
/** Below this peak nothing was recorded. */
const SILENT = 1e-4;

/** Why a recording cannot be read, and what to do. */
export class RecordingProblem extends Error {
  override readonly name = 'RecordingProblem';
  constructor(readonly sentence: Sentence) {
    super(asText(sentence.say));
  }
}

/** A recording's sound as one channel. */
export interface DecodedRecording {
  readonly samples: Float32Array<ArrayBuffer>;
  readonly sampleRate: Hz;
  readonly duration: Seconds;
  readonly warnings: readonly Message[];
}

/**
 * Decodes a chosen file: WAV by our own reader, everything else by the browser.
 * @throws RecordingProblem saying what is wrong; nothing was kept then.
 */
export async function decodeRecording(file: File): Promise<DecodedRecording> {
  if (file.size === 0) throw new RecordingProblem(RECORDING_TROUBLES.empty);
  if (file.size > MOST_BYTES)
    throw new RecordingProblem(tooLargeInWords(file.size / MEGABYTE, MOST_BYTES / MEGABYTE));
  // What is too long is refused before it is decoded: that may take minutes and gigabytes.
  const head = new Uint8Array(await file.slice(0, HEAD_BYTES).arrayBuffer());
  const wav = isWav(head);
  refuseTooLong(wav ? readAsWav(() => wavDuration(head, file.size)) : await statedDuration(file));
  const bytes = new Uint8Array(await file.arrayBuffer());
  const decoded = wav ? decodeWav(bytes) : await decodeByBrowser(bytes);
  refuseTooLong(decoded.duration);
  if (decoded.samples.every((x) => Math.abs(x) < SILENT))
    throw new RecordingProblem(RECORDING_TROUBLES.silent);
  return decoded;
}

function refuseTooLong(seconds: Seconds | null): void {
  if (seconds === null || seconds <= MOST_SECONDS) return;
  throw new RecordingProblem(tooLongInWords(seconds / 60, MOST_SECONDS / 60));
}

/** What a compressed file says of its length; null where it says nothing that can be read. */
async function statedDuration(file: File): Promise<number | null> {
  const { parseBlob } = await import('music-metadata');
  try {
    const { format } = await parseBlob(file, { skipCovers: true });
    return format.duration ?? null;
  } catch {
    // Whether it is sound at all is for the browser to say.
    return null;
  }
}

function isWav(bytes: Uint8Array): boolean {
  return String.fromCharCode(...bytes.subarray(0, 4)) === 'RIFF';
}

function decodeWav(bytes: Uint8Array): DecodedRecording {
  const sound = readAsWav(() => readWav(bytes));
  const samples = Float32Array.from(mixDown(sound));
  const duration = samples.length / sound.sampleRate;
  return { samples, sampleRate: sound.sampleRate, duration, warnings: sound.warnings };
}

function readAsWav<T>(read: () => T): T {
  try {
    return read();
  } catch (error) {
    throw new RecordingProblem(unreadableInWords(problemOf(error)));
  }
}

async function decodeByBrowser(bytes: Uint8Array<ArrayBuffer>): Promise<DecodedRecording> {
  const context = new OfflineAudioContext(1, 1, 48_000);
  try {
    const buffer = await context.decodeAudioData(bytes.buffer);
    const channels = Array.from({ length: buffer.numberOfChannels }, (_, c) =>
      buffer.getChannelData(c),
    );
    const sound = { sampleRate: buffer.sampleRate, channels, warnings: [] };
    const samples = Float32Array.from(mixDown(sound));
    return { samples, sampleRate: buffer.sampleRate, duration: buffer.duration, warnings: [] };
  } catch {
    throw new RecordingProblem(RECORDING_TROUBLES['no sound']);
  }
}

/**
 * Reads every pluck in a worker. Aborting `signal` cancels.
 * @throws RecordingProblem if it fails, Cancelled if it was aborted
 */
export async function readRecording(
  { samples, sampleRate }: DecodedRecording,
  progress: Progress,
  signal: AbortSignal,
): Promise<ReadRecording> {
  try {
    const request: RecordingRequest = { samples, sampleRate };
    return await doAside<RecordingRequest, ReadRecording>({
      start: makeReader,
      request,
      progress,
      signal,
    });
  } catch (error) {
    if (error instanceof Cancelled || !(error instanceof Error)) throw error;
    throw new RecordingProblem(readingStoppedInWords(problemOf(error)));
  }
}
