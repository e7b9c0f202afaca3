import { type ChildProcess, fork } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';
import { writeWav } from '@rosefinch/core/formats';
import { mutatedBackup, mutatedRecording } from './mutations.ts';
import type { FileAnswer, FileCase } from './reader.ts';

/** No file may take longer than this, in ms. */
const WITHIN_MS = 10_000;

interface Tally {
  readonly n: number;
  readonly ends: Map<string, number>;
  readonly slowest: number;
  readonly endless: number;
  readonly broken: readonly string[];
}

/** A reader that is ready: how long it takes to begin is not what is tried. */
async function start(): Promise<ChildProcess> {
  const reader = fork(join(import.meta.dirname, 'reader.ts'), {
    execArgv: ['--import', 'tsx'],
    serialization: 'advanced',
  });
  await once(reader, 'message');
  return reader;
}

/** Gives every case to a process of its own; one that does not end in time is stopped and counted. */
async function readAll(cases: Iterable<FileCase & { readonly name: string }>): Promise<Tally> {
  let reader = await start();
  const ends = new Map<string, number>();
  const broken: string[] = [];
  let n = 0;
  let slowest = 0;
  let endless = 0;
  for (const { name, ...one } of cases) {
    n++;
    const began = performance.now();
    const answer = await answerOf(reader, one);
    slowest = Math.max(slowest, performance.now() - began);
    if (answer === null) {
      endless++;
      broken.push(`${name}: did not end`);
      reader.kill('SIGKILL');
      reader = await start();
      continue;
    }
    ends.set(answer.end, (ends.get(answer.end) ?? 0) + 1);
    if (answer.end === 'broken' || (answer.end !== 'taken' && answer.says === ''))
      broken.push(`${name}: ${answer.says}`);
  }
  reader.kill();
  return { n, ends, slowest, endless, broken };
}

function answerOf(reader: ChildProcess, one: FileCase): Promise<FileAnswer | null> {
  return new Promise((resolve) => {
    const timer = setTimeout(() => {
      reader.off('exit', died);
      reader.off('message', end);
      resolve(null);
    }, WITHIN_MS);
    const end = (answer: FileAnswer) => {
      clearTimeout(timer);
      reader.off('exit', died);
      reader.off('message', end);
      resolve(answer);
    };
    const died = () => end({ end: 'broken', says: 'the reader ended' });
    reader.once('message', end);
    reader.once('exit', died);
    reader.send(one);
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
