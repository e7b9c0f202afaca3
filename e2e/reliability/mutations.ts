import { type Random, seededRandom } from '@rosefinch/core/maths';
import { SCHEMA } from '@rosefinch/core/records';

/** Ways in which a backup file can be wrong, by their name. */
type Damage =
  | 'bits'
  | 'a type'
  | 'a number'
  | 'an id'
  | 'prototype keys'
  | 'nesting'
  | 'cut short'
  | 'lines swapped'
  | 'schema'
  | 'not UTF-8'
  | 'large';

const DAMAGES: readonly Damage[] = [
  'bits',
  'a type',
  'a number',
  'an id',
  'prototype keys',
  'nesting',
  'cut short',
  'lines swapped',
  'schema',
  'not UTF-8',
];
/** One in so many is as large as this, in bytes. */
const LARGE_EVERY = 500;
const LARGE_BYTES = 50 * 2 ** 20;
const DEEP = 10_000;

export interface Mutated {
  readonly damage: Damage;
  readonly bytes: Uint8Array<ArrayBuffer>;
}

/** A backup that is damaged in one way; the same seed damages it in the same way. */
export function mutatedBackup(good: string, seed: number): Mutated {
  const random = seededRandom(seed);
  const damage = seed % LARGE_EVERY === LARGE_EVERY - 1 ? 'large' : pick(random, DAMAGES);
  return { damage, bytes: damaged(good, damage, random) };
}

function damaged(good: string, damage: Damage, random: Random): Uint8Array<ArrayBuffer> {
  const text = (value: string) => new TextEncoder().encode(value);
  const lines = good.split('\n');
  const at = Math.floor(random() * lines.length);
  const inLine = (pattern: RegExp, to: (found: string) => string) =>
    text(anyMatch(good, pattern, random, to));
  switch (damage) {
    case 'bits': {
      const bytes = text(good);
      for (let i = 0; i < 3; i++)
        bytes[Math.floor(random() * bytes.length)]! ^= 1 << Math.floor(random() * 8);
      return bytes;
    }
    case 'a type':
      return inLine(/:(-?[\d.e+-]+|"[^"]*"|true|false|null)/g, () =>
        pick(random, [':"x"', ':{}', ':[]', ':null', ':true', ':[[0]]']),
      );
    case 'a number':
      return inLine(/:-?\d[\d.e+-]*/g, () =>
        pick(random, [':1e999', ':-1', ':1e308', ':0.1', ':-0', ':9007199254740993']),
      );
    case 'an id':
      return inLine(/"(id|sessionId|instrumentId)":"[^"]*"/g, (found) =>
        found.replace(/:"[^"]*"/, pick(random, [':""', ':"gone"', `:"${'x'.repeat(500)}"`])),
      );
    case 'prototype keys':
      return inLine(/"[a-zA-Z]+":/g, () =>
        pick(random, ['"__proto__":', '"constructor":', '"toString":', '"hasOwnProperty":']),
      );
    case 'nesting':
      return inLine(/:(-?\d[\d.]*)/g, () => `:${'['.repeat(DEEP)}${']'.repeat(DEEP)}`);
    case 'cut short':
      return text(good.slice(0, Math.floor(random() * good.length)));
    case 'lines swapped': {
      const other = Math.floor(random() * lines.length);
      [lines[at], lines[other]] = [lines[other]!, lines[at]!];
      return text(lines.join('\n'));
    }
    case 'schema':
      return text(
        good.replace(
          `"schema":${SCHEMA}`,
          `"schema":${pick(random, ['"constructor"', '99', '0', '-1', 'null', '2.5', '1', '2', '3', '1e999'])}`,
        ),
      );
    case 'not UTF-8': {
      const bytes = text(good);
      bytes[Math.floor(random() * bytes.length)] = pick(random, [0xff, 0xc0, 0x80, 0xf8]);
      return bytes;
    }
    case 'large': {
      const line = lines.find((one) => one.startsWith('{"id":"e')) ?? lines[2]!;
      const fill = `${line}\n`;
      return text(good + fill.repeat(Math.ceil(LARGE_BYTES / fill.length)));
    }
  }
}

/** One of the places that a pattern fits, put otherwise; the text itself where it fits nowhere. */
function anyMatch(
  text: string,
  pattern: RegExp,
  random: Random,
  to: (found: string) => string,
): string {
  const found = [...text.matchAll(pattern)];
  if (found.length === 0) return text;
  const { index, 0: match } = pick(random, found);
  return text.slice(0, index) + to(match) + text.slice(index + match.length);
}

const RECORDING_DAMAGES = ['bits', 'head', 'cut short', 'sound', 'all zero', 'longer'] as const;

/** A recording that is damaged in one way. */
export function mutatedRecording(
  good: Uint8Array,
  seed: number,
): { readonly damage: string; readonly bytes: Uint8Array<ArrayBuffer> } {
  const random = seededRandom(seed);
  const damage = pick(random, RECORDING_DAMAGES);
  const bytes = Uint8Array.from(good);
  const anywhere = (from: number, to: number) => from + Math.floor(random() * (to - from));
  switch (damage) {
    case 'bits':
      for (let i = 0; i < 20; i++)
        bytes[anywhere(0, bytes.length)]! ^= 1 << Math.floor(random() * 8);
      return { damage, bytes };
    case 'head':
      for (let i = 0; i < 4; i++) bytes[anywhere(0, 64)] = Math.floor(random() * 256);
      return { damage, bytes };
    case 'cut short':
      return { damage, bytes: bytes.slice(0, anywhere(0, bytes.length)) };
    case 'sound':
      for (let i = 0; i < 2000; i++) bytes[anywhere(64, bytes.length)] = Math.floor(random() * 256);
      return { damage, bytes };
    case 'all zero':
      return { damage, bytes: bytes.fill(0, anywhere(0, 64)) };
    case 'longer': {
      const longer = new Uint8Array(bytes.length + 100_000);
      longer.set(bytes);
      return { damage, bytes: longer };
    }
  }
}

function pick<T>(random: Random, from: readonly T[]): T {
  return from[Math.floor(random() * from.length)]!;
}
