import { Worker } from 'node:worker_threads';
import { writeWav } from '@rosefinch/core/formats';
import type { FileAnswer, FileCase } from './files.worker.ts';
import { mutatedBackup, mutatedRecording } from './mutations.ts';

/** No file may take longer than this, in ms. */
const WITHIN_MS = 10_000;

interface Tally {
  readonly n: number;
  readonly ends: Map<string, number>;
  readonly slowest: number;
  readonly endless: number;
  readonly broken: readonly string[];
}

const start = () =>
  new Worker(new URL('./files.worker.ts', import.meta.url), { execArgv: ['--import', 'tsx'] });

/** Gives every case to a worker; one that does not end in time is stopped and counted. */
async function readAll(cases: Iterable<FileCase & { readonly name: string }>): Promise<Tally> {
  let worker = start();
  const ends = new Map<string, number>();
  const broken: string[] = [];
  let n = 0;
  let slowest = 0;
  let endless = 0;
  for (const { name, ...one } of cases) {
    n++;
    const began = performance.now();
    const answer = await answerOf(worker, one);
    slowest = Math.max(slowest, performance.now() - began);
    if (answer === null) {
      endless++;
      broken.push(`${name}: did not end`);
      await worker.terminate();
      worker = start();
      continue;
    }
    ends.set(answer.end, (ends.get(answer.end) ?? 0) + 1);
    if (answer.end === 'broken' || (answer.end !== 'taken' && answer.says === ''))
      broken.push(`${name}: ${answer.says}`);
  }
  await worker.terminate();
  return { n, ends, slowest, endless, broken };
}

function answerOf(worker: Worker, one: FileCase): Promise<FileAnswer | null> {
  return new Promise((resolve) => {
    const timer = setTimeout(() => resolve(null), WITHIN_MS);
    const end = (answer: FileAnswer) => {
      clearTimeout(timer);
      worker.off('error', died);
      resolve(answer);
    };
    const died = (error: Error) => end({ end: 'broken', says: error.message });
    worker.once('message', end);
    worker.once('error', died);
    worker.postMessage(one);
  });
}

function inWords(what: string, { n, ends, slowest, endless, broken }: Tally): string {
  const counts = [...ends].map(([end, count]) => `${count} ${end}`).join(', ');
  const rest = broken.slice(0, 5).map((one) => `\n    ${one.slice(0, 200)}`);
  return `${what}: ${n}, ${counts}; slowest ${(slowest / 1000).toFixed(2)} s, endless ${endless}, without an answer ${broken.length}${rest.join('')}`;
}

/** Damaged backups in Node, seeds from 1 on. */
export async function backupDrill(good: string, count: number): Promise<string> {
  function* cases() {
    for (let seed = 1; seed <= count; seed++) {
      const { damage, bytes } = mutatedBackup(good, seed);
      yield { kind: 'backup' as const, bytes, name: `seed ${seed}, ${damage}` };
    }
  }
  return inWords('mutated backups', await readAll(cases()));
}

const ENCODINGS = ['pcm16', 'pcm24', 'pcm32', 'float32'] as const;

/** Damaged recordings in the formats that our own reader reads, seeds from 1 on. */
export async function recordingDrill(sound: Float32Array, count: number): Promise<string> {
  const good = ENCODINGS.map((encoding) => writeWav([sound], 48_000, encoding));
  // The fifth: two channels.
  good.push(writeWav([sound, sound], 44_100));
  function* cases() {
    for (let seed = 1; seed <= count; seed++) {
      const { damage, bytes } = mutatedRecording(good[seed % good.length]!, seed);
      yield { kind: 'recording' as const, bytes, name: `seed ${seed}, ${damage}` };
    }
  }
  return inWords('mutated recordings', await readAll(cases()));
}
