import { FormatError } from '../errors.ts';
import { nth } from '../maths/index.ts';
import { type Message, message } from '../message.ts';
import type { Hz, Seconds } from '../units.ts';

/** Sound as samples: one array per channel, values nominally in −1…1. */
export interface Sound {
  readonly sampleRate: Hz;
  readonly channels: readonly Float32Array[];
  /** What was odd about the file but did not keep it from being read. */
  readonly warnings: readonly Message[];
}

export type WavEncoding = 'pcm16' | 'pcm24' | 'pcm32' | 'float32';

const PCM = 1;
const FLOAT = 3;
const EXTENSIBLE = 0xfffe;
const MOST_CHANNELS = 32;
/** Floats may overshoot full scale; what goes beyond this was written in another scale. */
const FLOAT_LIMIT = 4;
const BYTES: Readonly<Record<WavEncoding, number>> = { pcm16: 2, pcm24: 3, pcm32: 4, float32: 4 };

interface Layout {
  format: number;
  channelCount: number;
  sampleRate: number;
  bits: number;
}

/** Where a WAV file's sound lies, and what its samples are. */
interface Found {
  readonly layout: Layout;
  /** First byte of the sound. */
  readonly body: number;
  /** Bytes of sound as the header says. */
  readonly stated: number;
}

/** Null if the part that was given ends before the sound begins. */
function findSound(view: DataView): Found | null {
  const length = view.byteLength;
  if (length < 12 || tag(view, 0) !== 'RIFF' || tag(view, 8) !== 'WAVE')
    throw new FormatError(message('problems.noWav'));
  let layout: Layout | undefined;
  for (let at = 12; at + 8 <= length; ) {
    const id = tag(view, at);
    const stated = view.getUint32(at + 4, true);
    const body = at + 8;
    const size = Math.min(stated, length - body);
    if (id === 'fmt ') layout = readLayout(view, body, size);
    if (id === 'data') {
      if (!layout) throw new FormatError(message('problems.wavOrder'));
      return { layout, body, stated };
    }
    at = body + size + (size % 2);
  }
  return null;
}

/**
 * How long a WAV file of so many bytes lasts, from its first part alone; null if that part ends
 * before the sound begins. A file that is cut short lasts as long as it goes.
 * @throws FormatError as `readWav` does
 */
export function wavDuration(head: Uint8Array, fileBytes: number): Seconds | null {
  const found = findSound(new DataView(head.buffer, head.byteOffset, head.byteLength));
  if (!found) return null;
  const { layout, body, stated } = found;
  const bytes = Math.min(stated, fileBytes - body);
  const { sampleRate, channelCount } = layout;
  return bytes / (BYTES[encodingOf(layout)] * channelCount * sampleRate);
}

/**
 * Reads a RIFF/WAVE file: PCM 16, 24 or 32 bit, float 32, 8 to 192 kHz, up to 32
 * channels. A file cut short or with a wrong length in its header is
 * read as far as it goes, with a warning.
 * @throws FormatError that says what is wrong and where.
 */
export function readWav(bytes: Uint8Array): Sound {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const found = findSound(view);
  if (!found) throw new FormatError(message('problems.wavNoSound'));
  const { layout, body, stated } = found;
  const size = Math.min(stated, bytes.length - body);
  const warnings: Message[] = [];
  if (stated > size) warnings.push(message('problems.wavCut', { size, stated }));
  return { ...decode(view, body, size, layout, warnings), warnings };
}

function tag(view: DataView, at: number): string {
  return String.fromCharCode(...[0, 1, 2, 3].map((i) => view.getUint8(at + i)));
}

function readLayout(view: DataView, at: number, size: number): Layout {
  if (size < 16) throw new FormatError(message('problems.wavHead', { size }));
  let format = view.getUint16(at, true);
  if (format === EXTENSIBLE && size >= 26) format = view.getUint16(at + 24, true);
  const layout = {
    format,
    channelCount: view.getUint16(at + 2, true),
    sampleRate: view.getUint32(at + 4, true),
    bits: view.getUint16(at + 14, true),
  };
  if (layout.channelCount === 0) throw new FormatError(message('problems.wavNoChannels'));
  if (layout.channelCount > MOST_CHANNELS)
    throw new FormatError(
      message('problems.wavChannels', { channels: layout.channelCount, most: MOST_CHANNELS }),
    );
  if (layout.sampleRate < 8000 || layout.sampleRate > 192_000)
    throw new FormatError(message('problems.wavRate', { rate: layout.sampleRate }));
  encodingOf(layout);
  return layout;
}

function encodingOf({ format, bits }: Layout): WavEncoding {
  if (format === PCM && bits === 16) return 'pcm16';
  if (format === PCM && bits === 24) return 'pcm24';
  if (format === PCM && bits === 32) return 'pcm32';
  if (format === FLOAT && bits === 32) return 'float32';
  throw new FormatError(message('problems.wavEncoding', { format, bits }));
}

function decode(
  view: DataView,
  at: number,
  size: number,
  layout: Layout,
  warnings: Message[],
): Omit<Sound, 'warnings'> {
  const encoding = encodingOf(layout);
  const width = BYTES[encoding];
  const frames = Math.floor(size / (width * layout.channelCount));
  if (frames === 0) throw new FormatError(message('problems.wavEmpty'));
  let odd = 0;
  let peak = 0;
  const channels = Array.from({ length: layout.channelCount }, (_, c) => {
    const samples = new Float32Array(frames);
    for (let i = 0; i < frames; i++) {
      const value = sampleAt(view, at + (i * layout.channelCount + c) * width, encoding);
      if (!Number.isFinite(value)) {
        odd++;
        continue;
      }
      samples[i] = value;
      peak = Math.max(peak, Math.abs(value));
    }
    return samples;
  });
  if (odd > 0) warnings.push(message('problems.wavOdd', { count: odd }));
  if (peak > FLOAT_LIMIT) {
    warnings.push(message('problems.wavLoud', { peak: Number(peak.toPrecision(3)) }));
    for (const samples of channels)
      for (let i = 0; i < frames; i++) samples[i] = nth(samples, i) / peak;
  }
  return { sampleRate: layout.sampleRate, channels };
}

function sampleAt(view: DataView, at: number, encoding: WavEncoding): number {
  switch (encoding) {
    case 'pcm16':
      return view.getInt16(at, true) / 0x8000;
    case 'pcm24':
      return ((view.getInt8(at + 2) << 16) | view.getUint16(at, true)) / 0x800000;
    case 'pcm32':
      return view.getInt32(at, true) / 0x80000000;
    case 'float32':
      return view.getFloat32(at, true);
  }
}

/** Writes channels of equal length as a RIFF/WAVE file; values beyond ±1 are clipped in PCM. */
export function writeWav(
  channels: readonly Float32Array[],
  sampleRate: Hz,
  encoding: WavEncoding = 'pcm16',
): Uint8Array {
  const frames = channels[0]?.length ?? 0;
  const width = BYTES[encoding];
  const size = frames * channels.length * width;
  const bytes = new Uint8Array(44 + size + (size % 2));
  const view = new DataView(bytes.buffer);
  const text = (at: number, value: string) => {
    for (let i = 0; i < value.length; i++) view.setUint8(at + i, value.charCodeAt(i));
  };
  text(0, 'RIFF');
  view.setUint32(4, bytes.length - 8, true);
  text(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, encoding === 'float32' ? FLOAT : PCM, true);
  view.setUint16(22, channels.length, true);
  view.setUint32(24, sampleRate, true);
  view.setUint32(28, sampleRate * channels.length * width, true);
  view.setUint16(32, channels.length * width, true);
  view.setUint16(34, width * 8, true);
  text(36, 'data');
  view.setUint32(40, size, true);
  for (let i = 0, at = 44; i < frames; i++)
    for (const channel of channels) {
      putSample(view, at, nth(channel, i), encoding);
      at += width;
    }
  return bytes;
}

function putSample(view: DataView, at: number, value: number, encoding: WavEncoding): void {
  const scaled = (full: number) => Math.max(-full, Math.min(full - 1, Math.round(value * full)));
  switch (encoding) {
    case 'pcm16':
      return view.setInt16(at, scaled(0x8000), true);
    case 'pcm24': {
      const whole = scaled(0x800000);
      view.setUint16(at, whole & 0xffff, true);
      return view.setInt8(at + 2, whole >> 16);
    }
    case 'pcm32':
      return view.setInt32(at, scaled(0x80000000), true);
    case 'float32':
      return view.setFloat32(at, value, true);
  }
}

/** All channels of a sound as one: their mean. */
export function mixDown(sound: Sound): Float32Array {
  const [first] = sound.channels;
  if (!first || sound.channels.length === 1) return first ?? new Float32Array();
  const mixed = new Float32Array(first.length);
  for (const channel of sound.channels)
    for (let i = 0; i < mixed.length; i++)
      mixed[i] = nth(mixed, i) + nth(channel, i) / sound.channels.length;
  return mixed;
}
