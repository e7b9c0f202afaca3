import { expect } from 'chai';
import fc from 'fast-check';
import { FormatError } from '../errors.ts';
import { message } from '../message.ts';
import { mixDown, readWav, type WavEncoding, wavDuration, writeWav } from './index.ts';

/** Half a step of each encoding, and its full-scale limit. */
const STEP: Readonly<Record<WavEncoding, number>> = {
  pcm16: 1 / 0x8000,
  pcm24: 1 / 0x800000,
  pcm32: 2 ** -24,
  float32: 0,
};

const sounds = fc.record({
  encoding: fc.constantFrom<WavEncoding>('pcm16', 'pcm24', 'pcm32', 'float32'),
  rate: fc.constantFrom(8000, 11_025, 44_100, 48_000, 96_000, 192_000),
  channels: fc.integer({ min: 1, max: 5 }),
  frames: fc.integer({ min: 1, max: 60 }),
  seed: fc.integer(),
});

describe('WAV', () => {
  it('reads back what it wrote, in every encoding, rate and channel count', () => {
    fc.assert(
      fc.property(sounds, ({ encoding, rate, channels, frames, seed }) => {
        const written = Array.from({ length: channels }, (_, c) =>
          Float32Array.from({ length: frames }, (_, i) => Math.sin(seed + 7 * c + i)),
        );
        const read = readWav(writeWav(written, rate, encoding));
        expect(read.sampleRate).to.equal(rate);
        expect(read.warnings).to.deep.equal([]);
        expect(read.channels.length).to.equal(channels);
        read.channels.forEach((channel, c) => {
          channel.forEach((value, i) => {
            expect(value).to.be.closeTo(written[c]![i]!, STEP[encoding] + 1e-9);
          });
        });
      }),
      { seed: 1 },
    );
  });

  const good = () => writeWav([Float32Array.from({ length: 100 }, (_, i) => i / 100)], 48_000);
  const set = (change: (view: DataView) => void) => {
    const bytes = good();
    change(new DataView(bytes.buffer));
    return bytes;
  };

  it('reads a file cut short as far as it goes, and says so', () => {
    const read = readWav(good().subarray(0, 44 + 60));
    expect(read.channels[0]!.length).to.equal(30);
    expect(read.warnings[0]).to.deep.equal(message('problems.wavCut', { size: 60, stated: 200 }));
  });

  it('survives a data length that lies', () => {
    const read = readWav(set((v) => v.setUint32(40, 0xffffffff, true)));
    expect(read.channels[0]!.length).to.equal(100);
    expect(read.warnings.length).to.equal(1);
  });

  it('skips parts it does not know', () => {
    const bytes = good();
    const list = new Uint8Array([0x4c, 0x49, 0x53, 0x54, 3, 0, 0, 0, 1, 2, 3, 0]);
    const padded = new Uint8Array([...bytes.subarray(0, 36), ...list, ...bytes.subarray(36)]);
    expect(readWav(padded).channels[0]!.length).to.equal(100);
  });

  const bad: readonly (readonly [string, Uint8Array, string])[] = [
    ['text', new TextEncoder().encode('hello, this is no sound at all'), 'noWav'],
    ['nothing', new Uint8Array(), 'noWav'],
    ['the head alone', good().subarray(0, 12), 'wavNoSound'],
    ['no samples', writeWav([new Float32Array()], 48_000), 'wavEmpty'],
    ['8-bit sound', set((v) => v.setUint16(34, 8, true)), 'wavEncoding'],
    ['a compressed format', set((v) => v.setUint16(20, 85, true)), 'wavEncoding'],
    ['no channels', set((v) => v.setUint16(22, 0, true)), 'wavNoChannels'],
    ['a rate of 4 kHz', set((v) => v.setUint32(24, 4000, true)), 'wavRate'],
  ];
  for (const [what, bytes, problem] of bad)
    it(`refuses ${what} with a reason`, () => {
      expect(() => readWav(bytes)).to.throw(FormatError, `problems.${problem}`);
    });

  it('never does worse than a named error on mangled files', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(243), fc.nat(255)), { maxLength: 12 }), (edits) => {
        const bytes = good();
        for (const [at, value] of edits) bytes[at] = value;
        try {
          for (const channel of readWav(bytes).channels)
            for (const value of channel) expect(Number.isFinite(value)).to.equal(true);
        } catch (error) {
          expect(error).to.be.instanceOf(FormatError);
        }
      }),
    );
  });

  it('mixes channels to their mean', () => {
    const mixed = mixDown({
      sampleRate: 48_000,
      channels: [Float32Array.of(1, 0), Float32Array.of(0, 0.5)],
      warnings: [],
    });
    expect([...mixed]).to.deep.equal([0.5, 0.25]);
  });

  it('tells from its first part how long a file lasts', () => {
    // 3.6 hours in 16 bits and mono at 8 kHz: 12,960 s · 8000 · 2 bytes.
    const head = writeWav([new Float32Array(8)], 8000);
    new DataView(head.buffer).setUint32(40, 12_960 * 16_000, true);
    expect(wavDuration(head, 44 + 12_960 * 16_000)).to.be.closeTo(12_960, 1e-9);
    // A file that was cut short lasts as long as it goes.
    expect(wavDuration(head, 44 + 16_000)).to.be.closeTo(1, 1e-9);
    // The part ends before the sound begins.
    expect(wavDuration(head.subarray(0, 40), 1000)).to.equal(null);
    expect(() => wavDuration(new Uint8Array(100), 100)).to.throw(FormatError, /problems\.noWav/);
  });

  it('takes 32 channels, and no more', () => {
    const channels = (count: number) =>
      writeWav(
        Array.from({ length: count }, () => Float32Array.of(0.5, -0.5)),
        48_000,
      );
    expect(readWav(channels(32)).channels).to.have.length(32);
    expect(() => readWav(channels(33))).to.throw(FormatError, /problems\.wavChannels.*33.*32/);
  });

  // RIFF/WAVE as published: "Multimedia Programming Interface and Data Specifications 1.0" (IBM and
  // Microsoft, 1991), the fmt chunk byte by byte; the order of its fields is from memory.
  for (const [encoding, format, width] of [
    ['pcm16', 1, 2],
    ['pcm24', 1, 3],
    ['float32', 3, 4],
  ] as const)
    it(`writes the head that the format prescribes: ${encoding}`, () => {
      const bytes = writeWav([new Float32Array(3), new Float32Array(3)], 44_100, encoding);
      const view = new DataView(bytes.buffer);
      const text = (at: number, length = 4) =>
        String.fromCharCode(...bytes.subarray(at, at + length));
      expect([text(0), text(8), text(12), text(36)]).to.deep.equal([
        'RIFF',
        'WAVE',
        'fmt ',
        'data',
      ]);
      expect(view.getUint32(4, true)).to.equal(bytes.length - 8);
      expect(view.getUint32(16, true)).to.equal(16);
      expect(view.getUint16(20, true)).to.equal(format);
      expect(view.getUint16(22, true)).to.equal(2);
      expect(view.getUint32(24, true)).to.equal(44_100);
      expect(view.getUint32(28, true), 'bytes a second').to.equal(44_100 * 2 * width);
      expect(view.getUint16(32, true), 'bytes a frame').to.equal(2 * width);
      expect(view.getUint16(34, true), 'bits').to.equal(8 * width);
      expect(view.getUint32(40, true)).to.equal(3 * 2 * width);
    });

  it('reads what an extended description says of the encoding, where it is long enough to say it', () => {
    const extended = (size: number) => {
      const plain = good();
      const more = new Uint8Array(size - 16);
      const bytes = new Uint8Array([...plain.subarray(0, 36), ...more, ...plain.subarray(36)]);
      const view = new DataView(bytes.buffer);
      view.setUint32(16, size, true);
      view.setUint16(20, 0xfffe, true);
      if (size >= 26) view.setUint16(44, 1, true);
      return bytes;
    };
    expect(readWav(extended(40)).channels[0]).to.have.length(100);
    expect(readWav(extended(26)).channels[0]).to.have.length(100);
    expect(() => readWav(extended(24))).to.throw(FormatError, /65534/);
  });

  it('refuses 768 kHz', () => {
    expect(() => readWav(set((v) => v.setUint32(24, 768_000, true)))).to.throw(
      /problems\.wavRate.*768000/,
    );
  });

  it('scales floats far beyond full scale down, with a word', () => {
    const within = readWav(writeWav([Float32Array.of(0, 4, -4)], 48_000, 'float32'));
    expect(within.warnings).to.deep.equal([]);
    expect([...within.channels[0]!]).to.deep.equal([0, 4, -4]);
    const beyond = readWav(writeWav([Float32Array.of(0, 8, -4)], 48_000, 'float32'));
    expect([...beyond.channels[0]!]).to.deep.equal([0, 1, -0.5]);
    expect(beyond.warnings[0]).to.deep.equal(message('problems.wavLoud', { peak: 8 }));
  });
});
