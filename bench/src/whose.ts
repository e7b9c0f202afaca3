import { Listener, readPlucks, type StrumTuning } from '@rosefinch/core/listen';
import { between, normal, type Random, seededRandom } from '@rosefinch/core/maths';
import { findTuning, targetsOf } from '@rosefinch/core/music';
import { type Candidate, type HeardString, whoseIsIt } from '@rosefinch/core/rounds';
import { sound, strike } from './foreign/string.ts';
import { strum } from './foreign/strummed.ts';
import type { OpenString } from './strings.ts';
import { stringsOf } from './strums.ts';

const RATE = 24_000;

/** The kinds of which the foreign strings are made. */
type Kind = 'guitar' | 'ukulele' | 'banjo';

const KINDS: Readonly<Record<Kind, readonly [made: string, tuning: string]>> = {
  guitar: ['steel guitar', 'guitar-standard'],
  ukulele: ['ukulele', 'ukulele-standard'],
  banjo: ['banjo', 'banjo-open-g'],
};
const NAMES = Object.keys(KINDS) as Kind[];

const targetsFor = (kind: Kind) => targetsOf(findTuning(KINDS[kind][1])!, 440);
const openOf = (kind: Kind) =>
  stringsOf(
    KINDS[kind][0],
    targetsFor(kind).map(({ midi }) => midi),
  );

/** A strum of one kind while another, or itself, is in hand: what the ear says of it. */
function strummed(seed: number, hand: Kind, played: Kind): string {
  const random = seededRandom(seed * 7717);
  const scene = strum(
    random,
    openOf(played),
    {
      snr: random() < 0.5 ? 30 : 20,
      room: random() < 0.5 ? 0.4 : null,
      off: 35,
      window: { from: 0.25, to: 1 },
    },
    RATE,
  );
  let said = 'nothing';
  const listener = new Listener(RATE, (event) => {
    if (event.type === 'strum')
      said = event.like.length > 0 ? event.like.map(({ id }) => id).join(' or ') : 'itself';
    else if (event.type === 'outcome' && said === 'nothing') said = event.outcome.kind;
  });
  const tunings = NAMES.map(
    (kind): StrumTuning => ({ id: kind, name: kind, hz: targetsFor(kind).map(({ hz }) => hz) }),
  );
  listener.know(
    targetsFor(hand).map((target) => ({ target })),
    tunings,
  );
  listener.expectStrum(true);
  listener.hear(scene.sound);
  listener.hear(new Float32Array(RATE));
  listener.finish();
  return said;
}

/** Another kind in hand than the round says; and the right one. */
export function kindFigures(first: number, each: number): void {
  const swaps = new Map<string, number>();
  const rights = new Map<string, number>();
  let [noticed, all, falsely, own] = [0, 0, 0, 0];
  for (let seed = first; seed < first + each; seed++) {
    const random = seededRandom(seed);
    const hand = NAMES[Math.floor(random() * NAMES.length)]!;
    const others = NAMES.filter((kind) => kind !== hand);
    const played = others[Math.floor(random() * others.length)]!;
    const said = strummed(seed, hand, played);
    all++;
    if (said.split(' or ').includes(played)) noticed++;
    swaps.set(
      `${played} for ${hand}: ${said}`,
      (swaps.get(`${played} for ${hand}: ${said}`) ?? 0) + 1,
    );
    const told = strummed(seed + 100_000, hand, hand);
    own++;
    if (NAMES.some((kind) => kind !== hand && told.includes(kind))) falsely++;
    rights.set(`${hand}: ${told}`, (rights.get(`${hand}: ${told}`) ?? 0) + 1);
  }
  console.log(
    `\nAnother kind in hand, seeds ${first}–${first + each - 1}: noticed ${noticed} of ${all}; asked of the right one ${falsely} of ${own}`,
  );
  for (const [what, n] of [...swaps, ...rights]) console.log(`  ${what}: ${n}`);
}

/** B of a string as one pluck tells it; null where it was not read. */
function heardOnce(random: Random, string: OpenString, hz: number, b: number) {
  const out = new Float32Array(Math.round(1.6 * RATE));
  sound(out, strike(random, string, hz, { b }), { rate: RATE, at: 0.3 });
  for (let i = 0; i < out.length; i++) out[i]! += 1e-4 * normal(random);
  const outcome = readPlucks(out, RATE)[0]?.outcome;
  if (outcome?.kind !== 'reading') return null;
  return outcome.freeInharmonicity ?? outcome.inharmonicity;
}

/** How many plucks of each string were heard of it before. */
const HEARD_BEFORE = 10;

/** Two instruments of one kind, swapped: equal sets, or two strings that differ in stiffness by a fifth. */
export function swapFigures(first: number, each: number, differ: number): void {
  let [asked, falsely, n] = [0, 0, 0];
  for (let seed = first; seed < first + each; seed++) {
    const random = seededRandom(seed * 31 + Math.round(100 * differ));
    const kind = NAMES[Math.floor(random() * NAMES.length)]!;
    const open = openOf(kind);
    const own = open.map(({ stiffness }) => between(random, ...stiffness));
    const two = new Set([0, 1].map(() => Math.floor(random() * own.length)));
    while (two.size < 2) two.add(Math.floor(random() * own.length));
    const other = own.map((b, i) =>
      two.has(i) ? b * (random() < 0.5 ? 1 + differ : 1 / (1 + differ)) : b,
    );
    const known = (bs: readonly number[], id: string): Candidate => ({
      instrumentId: id,
      strings: open.map((string, i) => {
        const all = Array.from({ length: HEARD_BEFORE }, () =>
          heardOnce(random, string, string.hz, bs[i]!),
        ).flatMap((b) => (b && b > 0 ? Math.log(b) : []));
        return {
          left: 2 * normal(random),
          spread: 8,
          stiffness: all,
        };
      }),
    });
    const [a, b] = [known(own, 'a'), known(other, 'b')];
    const hear = (bs: readonly number[]): HeardString[] =>
      open.map((string, i) => {
        const stiffness = heardOnce(random, string, string.hz, bs[i]!);
        return {
          course: i + 1,
          cents: 8 * normal(random),
          errorCents: 0.5,
          ...(stiffness && stiffness > 0 && { stiffness }),
        };
      });
    n++;
    if (whoseIsIt(hear(other), a, [b]) === 'b') asked++;
    if (whoseIsIt(hear(own), a, [b]) !== null) falsely++;
  }
  console.log(
    `Swapped within a kind, B of two strings differs by ${100 * differ} %, each string once, ${HEARD_BEFORE} plucks known: asked ${asked} of ${n}; asked of the right one ${falsely} of ${n}`,
  );
}
