import { writeWav } from '@rosefinch/core/formats';
import { message } from '@rosefinch/core/message';
import { expect } from 'chai';
import { decodeRecording, RecordingProblem } from './recording.ts';

const RATE = 8000;
const tone = (seconds: number, level = 0.5) =>
  Float32Array.from({ length: seconds * RATE }, (_, i) => level * Math.sin(i / 3));

function fileOf(bytes: Uint8Array, size = bytes.length): File {
  const file = new File([bytes as Uint8Array<ArrayBuffer>], 'a.wav');
  if (size !== bytes.length) Object.defineProperty(file, 'size', { value: size });
  return file;
}

async function problemOf(file: File): Promise<RecordingProblem> {
  const answer = await decodeRecording(file).catch((error: unknown) => error);
  expect(answer).to.be.instanceOf(RecordingProblem);
  return answer as RecordingProblem;
}

describe('a recording that is chosen', () => {
  it('is one channel, as long as it lasts', async () => {
    const left = tone(0.5);
    const right = left.map((x) => x / 2);
    const read = await decodeRecording(fileOf(writeWav([left, right], RATE)));
    expect([read.sampleRate, read.duration, read.warnings]).to.deep.equal([RATE, 0.5, []]);
    expect(read.samples[7]).to.be.closeTo(0.75 * left[7]!, 1e-4);
  });

  it('that is empty, silent or no sound is refused with a way on', async () => {
    const empty = await problemOf(fileOf(new Uint8Array()));
    expect(empty.sentence.say).to.deep.equal(message('troubles.fileEmpty'));
    const silent = await problemOf(fileOf(writeWav([tone(0.5, 0)], RATE)));
    expect(silent.sentence.say).to.deep.equal(message('troubles.fileSilent'));
    expect(silent.sentence.more).to.not.equal(null);
    const broken = await problemOf(fileOf(writeWav([tone(0.5)], RATE).slice(0, 20)));
    expect(broken.sentence.say).to.deep.equal(
      message('troubles.unreadable', { reason: message('problems.wavHead', { size: 0 }) }),
    );
    expect(broken.sentence.more).to.not.equal(null);
  });

  for (const [what, level, silent] of [
    ['just below', 0.000_099, true],
    ['just above', 0.000_101, false],
  ] as const)
    it(`${what} what counts as sound is ${silent ? 'silent' : 'read'}`, async () => {
      const sound = Float32Array.from({ length: 800 }, (_, i) => (i % 2 ? level : -level));
      const file = fileOf(writeWav([sound], RATE, 'float32'));
      if (silent) expect((await problemOf(file)).message).to.match(/troubles\.fileSilent/);
      else expect((await decodeRecording(file)).samples).to.have.length(800);
    });

  it('of more than 200 MB is refused before it is read', async () => {
    const most = 200 * 1024 * 1024;
    const file = fileOf(writeWav([tone(0.1)], RATE), most + 1);
    Object.defineProperty(file, 'arrayBuffer', { value: () => expect.fail('it was read') });
    expect((await problemOf(file)).message).to.match(/troubles\.tooLarge.*200/);
  });

  it('of more than half an hour is refused before it is decoded; half an hour is not', async () => {
    const seconds = (count: number) => {
      const head = writeWav([new Float32Array(1)], RATE);
      // The size of the samples stands in the last four bytes before them (RIFF, WAVE).
      const bytes = head.slice();
      const data = new DataView(bytes.buffer);
      data.setUint32(40, count * RATE * 2, true);
      data.setUint32(4, 36 + count * RATE * 2, true);
      const file = fileOf(bytes, 44 + count * RATE * 2);
      Object.defineProperty(file, 'arrayBuffer', {
        value: async () => writeWav([tone(0.1)], RATE).buffer,
      });
      return file;
    };
    const long = await problemOf(seconds(1801 + 30));
    expect(long.sentence.say).to.deep.equal(
      message('troubles.tooLong', { lasts: (1801 + 30) / 60, most: 30 }),
    );
    expect((await decodeRecording(seconds(1800))).samples).to.have.length(800);
  });
});
