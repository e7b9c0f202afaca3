import { between, normal, type Random } from '@rosefinch/core/maths';
import type { Hz, Seconds } from '@rosefinch/core/units';

type Point = readonly [x: number, y: number, z: number];

/** A room of six walls, with a place for the microphone. Lengths in metres. */
export interface Room {
  readonly size: Point;
  /** To −60 dB. */
  readonly lasts: Seconds;
  readonly microphone: Point;
}

/** In air, at 20 °C: 343 m/s. */
const SOUND = 343;
/** Each wall's own echoes are followed so long; then they are too many to be told apart. */
const ECHOES: Seconds = 0.08;
/** So many echoes a second stand for those that are too many. */
const DENSE = 1500;
/** No table or player is nearer to a wall. */
const FROM_WALL = 0.4;

/** A classroom, from a small to a large one. */
export function classroomOf(random: Random, lasts: readonly [Seconds, Seconds]): Room {
  const size: Point = [between(random, 5, 10), between(random, 4, 8), between(random, 2.6, 3.4)];
  return {
    size,
    lasts: between(random, ...lasts),
    microphone: [
      between(random, 1, size[0] - 1),
      between(random, 1, size[1] - 1),
      between(random, 0.75, 1.1),
    ],
  };
}

/** A place so far from the microphone; null where the room is too small for it that way. */
export function placeAt(random: Random, room: Room, distance: number): Point | null {
  const around = between(random, 0, 2 * Math.PI);
  const up = between(random, -0.15, 0.25);
  const [x, y, z] = room.microphone;
  const place: Point = [
    x + distance * Math.cos(around),
    y + distance * Math.sin(around),
    z + Math.min(0.6, distance) * up,
  ];
  const [wide, deep] = room.size;
  const fits = (at: number, size: number) => at > FROM_WALL && at < size - FROM_WALL;
  return fits(place[0], wide) && fits(place[1], deep) ? place : null;
}

interface Echo {
  readonly delay: number;
  readonly gain: number;
}

/**
 * Image sources (Allen & Berkley 1979) for the first echoes, then dense ones that fall as the room does;
 * how much the walls take up follows from how long it rings (Sabine).
 */
function echoesOf(random: Random, room: Room, place: Point, rate: Hz): Echo[] {
  const { size, microphone, lasts } = room;
  const [a, b, c] = size;
  const volume = a * b * c;
  const surface = 2 * (a * b + b * c + a * c);
  const absorbs = Math.min(0.9, (0.161 * volume) / (surface * lasts));
  const reflects = Math.sqrt(1 - absorbs);
  const reach = SOUND * ECHOES;
  const images = (k: 0 | 1 | 2) => {
    const all: { readonly at: number; readonly bounces: number }[] = [];
    const most = Math.ceil(reach / size[k]) + 1;
    for (let n = -most; n <= most; n++) {
      all.push({ at: 2 * n * size[k] + place[k], bounces: Math.abs(2 * n) });
      all.push({ at: 2 * n * size[k] - place[k], bounces: Math.abs(2 * n - 1) });
    }
    return all;
  };
  const echoes: Echo[] = [];
  for (const x of images(0))
    for (const y of images(1))
      for (const z of images(2)) {
        const far = Math.hypot(x.at - microphone[0], y.at - microphone[1], z.at - microphone[2]);
        if (far > reach) continue;
        const gain = reflects ** (x.bounces + y.bounces + z.bounces) / Math.max(0.2, far);
        if (gain > 1e-4) echoes.push({ delay: Math.round((far / SOUND) * rate), gain });
      }
  // The diffuse field of a source of that strength, at the moment when it takes over.
  const density = (4 * Math.PI * SOUND) / volume;
  for (let t = ECHOES; t < Math.min(lasts, 0.9); t += between(random, 0, 2 / DENSE)) {
    const power = (density / DENSE) * 10 ** ((-6 * t) / lasts);
    echoes.push({ delay: Math.round(t * rate), gain: Math.sqrt(power) * normal(random) });
  }
  return echoes;
}

/** A dry sound as it arrives from a place, 1 m away as loud as it is. */
export function soundsFrom(
  dry: Float32Array,
  { room, place, rate }: { readonly room: Room; readonly place: Point; readonly rate: Hz },
  random: Random,
): Float32Array {
  const out = new Float32Array(dry.length);
  const echoes = echoesOf(random, room, place, rate);
  let first = 0;
  while (first < dry.length && dry[first] === 0) first++;
  for (const { delay, gain } of echoes)
    for (let i = first; i + delay < out.length; i++) out[i + delay]! += gain * dry[i]!;
  return out;
}
