import { between, type Random, seededRandom } from '../maths/index.ts';
import type { StringSpec } from '../strings/index.ts';
import type { Creep } from './creep.ts';

/** Cents over which a new string of a material creeps by the logarithm; invented, nylon and gut far more than steel. */
const SIZE: Readonly<Record<StringSpec['material'], readonly [number, number]>> = {
  steel: [6, 12],
  fluorocarbon: [14, 26],
  nylon: [16, 30],
  gut: [16, 30],
};

/**
 * How a new practice string creeps, by either law; the same string creeps the same way
 * every time it is asked for.
 * @param seed of the restringing, as text
 */
export function freshCreep(seed: string, course: number, material: StringSpec['material']): Creep {
  const random = seededRandom(hash(`${seed} ${course}`));
  const [low, high] = SIZE[material];
  const size = between(random, low, high);
  const jump = between(random, 900, 2400);
  if (random() < 0.6) return { law: 'logarithm', size, scale: logBetween(random, 60, 400), jump };
  return { law: 'exponential', size: 3 * size, scale: logBetween(random, 1500, 6000), jump };
}

const logBetween = (random: Random, low: number, high: number) =>
  Math.exp(between(random, Math.log(low), Math.log(high)));

/** FNV-1a, 32 bits. */
function hash(text: string): number {
  let value = 0x811c9dc5;
  for (const char of text) value = Math.imul(value ^ char.charCodeAt(0), 0x01000193);
  return value >>> 0;
}
