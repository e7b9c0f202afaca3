import { between, normal, type Random } from '@rosefinch/core/maths';
import { findTuning, targetsOf } from '@rosefinch/core/music';
import { findModel, type Instrument } from '@rosefinch/core/strings';
import type { Cents, Hz } from '@rosefinch/core/units';

/*
 * Three worlds of necks that share no line and no law with the judge of the fret check: a string that sags under a
 * force until it meets the board, with everything measured along the bent string; a neck known by its curves alone;
 * and worn strings whose mass lies unevenly, on a bowed neck, under a hand that tires.
 */

export const WORLDS = ['sagging', 'curves', 'worn'] as const;
export type World = (typeof WORLDS)[number];
export const NECK_KINDS = [
  'steel guitar',
  'nylon guitar',
  'banjo',
  'ukulele',
  'bass',
  'twelve strings',
] as const;
export type NeckKind = (typeof NECK_KINDS)[number];

export type FaultKind =
  | 'saddle'
  | 'slant'
  | 'nut'
  | 'slots'
  | 'slot'
  | 'action'
  | 'fret'
  | 'string';

/** What is at fault, by so much. */
interface Fault {
  readonly kind: FaultKind;
  /** String or fret, where it is one. */
  readonly which?: number;
  /** In mm; of a false string its share of mass. */
  readonly size: number;
}

interface Press {
  readonly course: number;
  readonly fret: number;
  readonly pressure: 'soft' | 'normal' | 'hard';
  /** A capo sits on fret 1; fret 1 is the string open behind it. */
  readonly capo?: boolean;
}

export interface ForeignNeck {
  readonly instrument: Instrument;
  readonly targets: readonly Hz[];
  readonly fault: Fault | null;
  /** How far a note held by the middle of this hand is off its own open string. */
  readonly net: (course: number, fret: number) => Cents;
  /** The same with the fault tuned. */
  readonly netRight: (course: number, fret: number) => Cents;
  /** Pitch of a pluck against the open target, with the error that an ear would state. */
  readonly read: (press: Press) => {
    readonly cents: Cents;
    readonly errorCents: Cents;
  };
}

const MODEL: Readonly<Record<NeckKind, readonly [model: string, tuning: string]>> = {
  'steel guitar': ['steel-guitar', 'guitar-standard'],
  'nylon guitar': ['nylon-guitar', 'guitar-standard'],
  banjo: ['banjo-five', 'banjo-open-g'],
  ukulele: ['ukulele-concert', 'ukulele-standard'],
  bass: ['bass-four', 'bass-standard'],
  'twelve strings': ['twelve-guitar', 'guitar-standard-strings-twelve'],
};

/** What a string is, course 1 first: stiffness of its core in N, tension in N. Invented within usual sets. */
const WIRES: Readonly<Record<NeckKind, readonly (readonly [number, number])[]>> = {
  'steel guitar': [
    [14_400, 104],
    [25_600, 103],
    [17_500, 135],
    [22_500, 135],
    [27_500, 133],
    [31_500, 117],
  ],
  'nylon guitar': [
    [1_900, 72],
    [2_400, 63],
    [3_600, 62],
    [1_150, 69],
    [1_300, 69],
    [1_500, 68],
  ],
  banjo: [
    [10_000, 62],
    [13_200, 57],
    [17_000, 46],
    [15_000, 60],
    [10_000, 62],
  ],
  ukulele: [
    [1_150, 31],
    [2_050, 32],
    [2_800, 29],
    [1_350, 30],
  ],
  bass: [
    [27_700, 186],
    [38_000, 215],
    [51_700, 200],
    [67_500, 178],
  ],
  'twelve strings': [
    [10_400, 71],
    [10_400, 71],
    [20_500, 71],
    [20_500, 71],
    [15_800, 95],
    [6_700, 71],
    [20_000, 97],
    [12_300, 90],
    [24_500, 97],
    [14_600, 100],
    [28_000, 86],
    [19_200, 98],
  ],
};
const SOFT = new Set<NeckKind>(['nylon guitar', 'ukulele']);
const SHORT_FIFTH = 5;
const LAST = 12;

const place = (length: number, fret: number) => length - length / 2 ** (fret / 12);
const toCents = (ratio: number) => 1200 * Math.log2(ratio);

/** How an instrument of a world sounds at a fret under a finger, with a fault or without. */
type Law = (
  press: Press,
  fault: Fault | null,
  hand: { readonly tired: number; readonly chance: number },
) => Cents;

/** One instrument of a world, with a fault of a kind whose greatest effect is `effect` cents, or sound. */
export function foreignNeck(
  random: Random,
  world: World,
  kind: NeckKind,
  wanted: { readonly kind: FaultKind; readonly effect: Cents } | null,
): ForeignNeck {
  const [model, tuning] = MODEL[kind];
  const instrument = findModel(model)!.build('x', 'X');
  const targets = targetsOf(findTuning(tuning)!, 440).map(({ hz }) => hz);
  const courses = instrument.courses.length;
  const law = LAWS[world](random, kind, instrument.scaleMm, courses);
  const shape = wanted && shapeOf(random, wanted.kind, courses);
  const still = { tired: 0, chance: 0 };
  const net = (fault: Fault | null) => (course: number, fret: number) =>
    law({ course, fret, pressure: 'normal' }, fault, still);
  const fault = wanted && shape && sized(shape, wanted.effect, net, courses);
  const opens = Array.from({ length: courses }, () => between(random, -20, 20));
  const drift = { all: normal(random) * 0.8, each: opens.map(() => normal(random) * 0.8) };
  const ear = between(random, 0.2, 0.45);
  const finger = between(random, 0.25, 0.9);
  let made = 0;
  return {
    instrument,
    targets,
    fault,
    net: net(fault),
    netRight: net(null),
    read: (press) => {
      const done = made++ / 40;
      const open = opens[press.course - 1]! + done * (drift.all + drift.each[press.course - 1]!);
      const errorCents = ear * between(random, 0.8, 1.3);
      const cents = open + errorCents * heavy(random) * 0.8;
      if (press.fret === 0) return { cents, errorCents };
      const chance = normal(random);
      const own = law(press, fault, { tired: done, chance });
      const held = press.capo && press.fret === 1 ? 0 : finger;
      const scatter = held * (press.pressure === 'normal' ? 1 : 1.4) * heavy(random) * 0.8;
      // A finger bends sideways now and then: always sharper.
      const bent = held > 0 && random() < 0.04 ? between(random, 1, 6) : 0;
      return { cents: cents + 100 * press.fret + own + scatter + bent, errorCents };
    },
  };
}

/** Student’s t with four degrees of freedom. */
function heavy(random: Random): number {
  const square = [0, 0, 0, 0].reduce((sum) => sum + normal(random) ** 2, 0);
  return normal(random) / Math.sqrt(square / 4);
}

type Shape = (size: number) => Fault;

function shapeOf(random: Random, kind: FaultKind, courses: number): Shape {
  const sign = random() < 0.5 ? -1 : 1;
  const course = 1 + Math.floor(random() * courses);
  const fret = 1 + Math.floor(random() * LAST);
  switch (kind) {
    case 'saddle':
    case 'slant':
    case 'nut':
      return (size) => ({ kind, size: sign * size });
    case 'slots':
    case 'action':
      return (size) => ({ kind, size });
    case 'slot':
      return (size) => ({ kind, which: course, size });
    case 'fret':
      return (size) => ({ kind, which: fret, size: sign * size });
    case 'string':
      return (size) => ({ kind, which: course, size: sign * size });
  }
}

/** The size at which a fault moves some note by so many cents. */
function sized(
  shape: Shape,
  effect: Cents,
  net: (fault: Fault | null) => (course: number, fret: number) => Cents,
  courses: number,
): Fault {
  const right = net(null);
  const most = (fault: Fault) => {
    const wrong = net(fault);
    let greatest = 0;
    for (let course = 1; course <= courses; course++)
      for (let fret = 1; fret <= LAST; fret++)
        greatest = Math.max(greatest, Math.abs(wrong(course, fret) - right(course, fret)));
    return greatest;
  };
  let [low, high] = [0, 6];
  for (let k = 0; k < 30; k++) {
    const middle = (low + high) / 2;
    if (most(shape(middle)) < effect) low = middle;
    else high = middle;
  }
  return shape(high);
}

const across = (course: number, courses: number) => (2 * (course - 1)) / (courses - 1) - 1;
const is = (fault: Fault | null, kind: FaultKind, which?: number) =>
  fault?.kind === kind && (which === undefined || fault.which === which) ? fault.size : 0;

type Builder = (random: Random, kind: NeckKind, scale: number, courses: number) => Law;

/** How far frets lie from the string’s own beginning, and how long it is. */
function lengthOf(kind: NeckKind, scale: number, course: number): { own: number; from: number } {
  const from = kind === 'banjo' && course === 5 ? SHORT_FIFTH : 0;
  return { own: scale / 2 ** (from / 12), from };
}

const sagging: Builder = (random, kind, scale, courses) => {
  const soft = SOFT.has(kind);
  const fine = scale / 648;
  const wires = WIRES[kind].map(([stiff, tension]) => ({
    stiff: stiff * Math.exp(0.1 * normal(random)),
    tension: tension * Math.exp(0.05 * normal(random)),
  }));
  const allStiff = Math.exp(0.14 * normal(random)) / between(random, 1, 1.15);
  const behind = between(random, 60, 130);
  const action = (soft ? 2.8 : 2.1) + 0.3 * normal(random);
  const over = 0.4 * Math.exp(0.25 * normal(random));
  // A string that lies so high over fret 1 lies lower in its slot: the action’s slope is in it.
  const slots = wires.map(() => (over * Math.exp(0.15 * normal(random)) - 0.112 * action) / 0.888);
  const crown = Array.from({ length: 18 }, () => 0.02 * normal(random));
  const places = crown.map(() => 0.045 * fine * normal(random));
  const board = between(random, 0.8, 1.2);
  // A hand presses slack strings less.
  const tension = wires.reduce((sum, wire) => sum + wire.tension / courses, 0);
  const force = tension * between(random, 0.025, 0.06);
  const where = between(random, 0.25, 0.5);
  const strength = { soft: between(random, 0.4, 0.65), normal: 1, hard: between(random, 1.6, 2.6) };
  const nut = 0.1 * fine * normal(random);
  const capo = between(random, 0.6, 2.2);

  /** Under a capo the string begins at fret 1, already stretched by the rubber that presses it there. */
  const underCapo = (
    press: Press,
    fault: Fault | null,
    hand: { tired: number; chance: number },
    saddle: number,
  ): Cents => {
    const { course, fret } = press;
    const { own, from } = lengthOf(kind, scale, course);
    const { stiff, tension } = wires[course - 1]!;
    const still = { tired: 0, chance: 0 };
    const first = bent({ course, fret: 1, pressure: 'normal' }, fault, still, saddle);
    const rubber = 1.5 * (capo - 1);
    if (fret === 1) return first + rubber;
    const begin = place(own, 1) + places[from]! + is(fault, 'fret', 1 + from);
    const at = place(own, fret) + places[fret + from - 1]! + is(fault, 'fret', fret + from);
    const end = own + saddle;
    const top = 2 * (action + is(fault, 'action')) - slots[course - 1]!;
    const gap = at - place(own, fret - 1);
    const push =
      force * strength[press.pressure] * (1 - 0.15 * hand.tired) * Math.exp(0.1 * hand.chance);
    const depth = Math.min(board, (push * where * (1 - where) * gap) / tension);
    const way =
      at -
      gap -
      begin +
      Math.hypot(gap * (1 - where), depth) +
      Math.hypot(gap * where, depth) +
      Math.hypot(end - at, top);
    const strain = Math.max(0, way - Math.hypot(end - begin, top)) / (own + behind);
    const more = 600 * Math.log2(1 + (stiff * allStiff * strain) / tension);
    // From the string open behind the capo to this fret: lengths alone, and what pressing adds.
    const lengths = toCents(Math.hypot(end - begin, top) / Math.hypot(end - at, top));
    return first + rubber + lengths - 100 * (fret - 1) + more;
  };

  const bent = (
    { course, fret, pressure }: Press,
    fault: Fault | null,
    hand: { tired: number; chance: number },
    saddle: number,
  ): Cents => {
    const { own, from } = lengthOf(kind, scale, course);
    const { stiff, tension } = wires[course - 1]!;
    const nutAt = -nut - is(fault, 'nut');
    const end = own + saddle;
    const number = fret + from;
    const at = place(own, fret) + places[number - 1]! + is(fault, 'fret', number);
    const slot = slots[course - 1]! + is(fault, 'slots') + is(fault, 'slot', course);
    // The height over fret 12 is the action; the saddle’s top follows from it and the slot’s.
    const top = 2 * (action + is(fault, 'action')) - slots[course - 1]!;
    const crowned = crown[number - 1]!;
    const open = Math.hypot(end - nutAt, top - slot);
    const gap = fret === 1 ? at - nutAt : at - place(own, fret - 1);
    const push = force * strength[pressure] * (1 - 0.15 * hand.tired) * Math.exp(0.1 * hand.chance);
    const depth = Math.min(board, (push * where * (1 - where) * gap) / tension);
    // Down from the nut to the fret before, under the finger, up over the fret, away to the saddle.
    const left = gap * (1 - where);
    const before = fret === 1 ? slot : 0;
    const to = at - gap;
    const toFinger =
      fret === 1
        ? Math.hypot(left, before + depth)
        : Math.hypot(to - nutAt, slot) + Math.hypot(left, depth);
    const way =
      toFinger + Math.hypot(gap * where, depth + crowned) + Math.hypot(end - at, top - crowned);
    const strain = Math.max(0, way - open) / (own + behind);
    const more = (stiff * allStiff * strain) / tension;
    const speaking = Math.hypot(end - at, top - crowned);
    return toCents((open / speaking) * Math.sqrt((1 + more) * (1 + strain))) - 100 * fret;
  };

  // The maker sets the octaves by ear, each to about a cent; a straight saddle gets the line through them.
  const still = { tired: 0, chance: 0 };
  const best = wires.map((_, i) => {
    const press = { course: i + 1, fret: LAST, pressure: 'normal' as const };
    return (bent(press, null, still, 0) * lengthOf(kind, scale, i + 1).own) / 1731;
  });
  const straight = !['steel guitar', 'bass'].includes(kind) || random() < 0.5;
  const line = fitted(best);
  const saddles = best.map((mm, i) =>
    straight ? line(i) + 0.15 * fine * normal(random) : mm + 0.3 * fine * normal(random),
  );
  const allSaddle = 0.2 * fine * normal(random);
  const wrong = wires.map(() => between(random, -0.3, 0.3));
  return (press, fault, hand) => {
    const i = press.course - 1;
    const saddle =
      saddles[i]! +
      allSaddle +
      is(fault, 'saddle') +
      is(fault, 'slant') * across(press.course, courses);
    const x = 1 - 2 ** (-press.fret / 12);
    const uneven = is(fault, 'string', press.course) * 3 * Math.sin(Math.PI * (1.3 * x + 0.2));
    const sounded = (press.capo ? underCapo : bent)(press, fault, hand, saddle);
    return sounded + wrong[i]! + uneven - is(fault, 'string', press.course);
  };
};

/** The straight line through values, by number. */
function fitted(values: readonly number[]): (i: number) => number {
  const n = values.length;
  const middle = (n - 1) / 2;
  const mean = values.reduce((sum, value) => sum + value, 0) / n;
  let top = 0;
  let below = 0;
  for (const [i, value] of values.entries()) {
    top += (i - middle) * (value - mean);
    below += (i - middle) ** 2;
  }
  return (i) => mean + (top / below) * (i - middle);
}

/** Curves alone: what sound instruments of a kind show, first frets sharp, the octave about right. */
const curves: Builder = (random, kind, scale, courses) => {
  const soft = SOFT.has(kind);
  const fine = scale / 648;
  // Stiffer strings of less tension give way more, whatever the law: what is common to all is the kind's own.
  const gives = WIRES[kind].map(
    ([stiff, tension]) => (stiff / tension) * Math.exp(0.12 * normal(random)),
  );
  const usual = WIRES[kind].reduce((sum, [stiff, tension]) => sum + stiff / tension / courses, 0);
  const own = gives.map((give) => ({
    give: give / usual,
    first: (soft ? 1.2 : 2) * (give / usual) * Math.exp(0.3 * normal(random)),
    fades: between(random, 1.5, 4),
    bulge: 0.5 * normal(random),
    octave: 1 * normal(random),
    finger: (soft ? 0.8 : 2) * (give / usual) * Math.exp(0.25 * normal(random)),
  }));
  const octaves = 0.8 * normal(random);
  const tilt = 0.6 * normal(random);
  const frets = Array.from({ length: 18 }, () => 0.05 * fine * normal(random));
  const ratio = { soft: between(random, -0.8, -0.4), normal: 0, hard: between(random, 0.8, 2) };
  const flat = between(random, 0.1, 0.5);
  const rubber = own.map((s) => s.first * between(random, 0.8, 1.6));
  return ({ course, fret, pressure, capo = false }, fault, { tired, chance }) => {
    const { own: length, from } = lengthOf(kind, scale, course);
    const s = own[course - 1]!;
    const t = fret / LAST;
    const side = across(course, courses);
    const finger = s.finger * (ratio[pressure] - 0.1 * tired + 0.08 * chance) * (1 - flat * t);
    const rest = length - place(length, fret);
    const moved = frets[fret + from - 1]! + is(fault, 'fret', fret + from);
    const saddle = is(fault, 'saddle') + is(fault, 'slant') * side;
    const nut = is(fault, 'nut');
    const pure = toCents(((length + saddle + nut) / (rest - moved + saddle)) * (rest / length));
    const slot = is(fault, 'slots') + is(fault, 'slot', course);
    const high = (soft ? 4 : 8) * slot * Math.exp(-(fret - 1) / 2.7) * s.give;
    const action = is(fault, 'action') * (soft ? 2 : 4) * (0.15 + 0.85 * t ** 1.4) * s.give;
    const uneven = is(fault, 'string', course) * 3 * (t + 0.4 * Math.sin(5 * t));
    if (capo) {
      const beyond =
        fret === 1 ? 0 : finger + 0.7 * s.first * Math.exp(-(fret - 2) / s.fades) * (1 - t);
      const lifted = fret === 1 ? 0 : action;
      const bow = s.bulge * Math.sin(Math.PI * t) + (s.octave + octaves + tilt * side) * t;
      return rubber[course - 1]! + beyond + bow + pure + lifted + uneven;
    }
    return (
      s.first * Math.exp(-(fret - 1) / s.fades) * (1 - t) +
      s.bulge * Math.sin(Math.PI * t) +
      (s.octave + octaves + tilt * side) * t +
      finger +
      pure +
      high +
      action +
      uneven
    );
  };
};

/** Worn strings, a bowed neck, a hand that tires: stretching by depth, mass where it lies. */
const worn: Builder = (random, kind, scale, courses) => {
  const soft = SOFT.has(kind);
  const fine = scale / 648;
  const give = WIRES[kind].map(
    ([stiff, tension]) => ((stiff / tension) * Math.exp(0.18 * normal(random))) / scale,
  );
  const common = Math.exp(0.15 * normal(random)) * (kind === 'banjo' ? 0.85 : 0.92);
  const bow = between(random, 0.05, 0.25);
  const action = (soft ? 2.9 : 2) + 0.25 * normal(random);
  const first = give.map(() => 0.42 * Math.exp(0.22 * normal(random)));
  const depth = { soft: 0.2, normal: 0.45, hard: between(random, 0.75, 1) };
  const deep = between(random, 0.75, 1.3);
  const saddles = give.map(() => 0.3 * fine * normal(random));
  const all = { saddle: 0.25 * fine * normal(random), slant: 0.2 * fine * normal(random) };
  const nut = 0.1 * fine * normal(random);
  const frets = Array.from({ length: 18 }, () => 0.05 * fine * normal(random));
  const lumps = give.map(() => [1, 2, 3].map(() => 0.00035 * normal(random)));

  /** What an uneven mass takes off a string of which only the part beyond `x` swings: its own square wave’s mean. */
  const massCents = (course: number, x: number, fault: Fault | null): Cents => {
    const own = lumps[course - 1]!;
    const false_ = is(fault, 'string', course) * 0.006;
    let sum = 0;
    const steps = 24;
    for (let k = 0; k < steps; k++) {
      const u = (k + 0.5) / steps;
      const at = x + (1 - x) * u;
      const density =
        own.reduce((d, size, m) => d + size * Math.cos(Math.PI * (m + 1) * at), 0) +
        false_ * Math.cos(Math.PI * 1.5 * at);
      sum += (density * 2 * Math.sin(Math.PI * u) ** 2) / steps;
    }
    return -toCents(1 + sum) / 2;
  };

  const rubber = give.map(
    (own) => 866 * own * common * scale * 0.00003 * between(random, 0.7, 1.6),
  );

  const sharp = (
    { course, fret, pressure, capo = false }: Press,
    fault: Fault | null,
    { tired, chance }: { tired: number; chance: number },
  ): Cents => {
    const { own } = lengthOf(kind, scale, course);
    const x = place(1, fret);
    const relief = bow * 4 * x * (1 - x) * (x < 0.6 ? 1 : 0.6);
    const slot = is(fault, 'slots') + is(fault, 'slot', course);
    const h1 = first[course - 1]!;
    const height =
      h1 +
      ((action - h1) * (x - 0.056)) / 0.444 +
      relief +
      slot * (1 - x) +
      2 * is(fault, 'action') * x;
    if (capo && fret === 1) return rubber[course - 1]!;
    const gap = own * (x - place(1, fret - 1));
    const deepest = depth[pressure] * deep * (1 - 0.12 * tired) * (1 + 0.08 * chance);
    // Under a capo only what lies over the line from fret 1 to the saddle stretches.
    const from = capo ? place(1, 1) : 0;
    const top = h1 + ((action - h1) * 0.944) / 0.444 + 2 * is(fault, 'action');
    const over = capo ? (top * (x - from)) / (1 - from) + relief : height;
    const left = own * (x - from);
    const right = own * (1 - x);
    const down = Math.hypot(left, over) - left + Math.hypot(right, over) - right;
    const behind = 2 * (Math.hypot(gap / 2, deepest * 0.55) - gap / 2);
    const strain = (down + behind) * give[course - 1]! * common;
    return 600 * Math.log2(1 + Math.max(0, strain)) + (capo ? rubber[course - 1]! : 0);
  };
  const still = { tired: 0, chance: 0 };
  const best = give.map((_, i) =>
    sharp({ course: i + 1, fret: LAST, pressure: 'normal' }, null, still),
  );
  const mean = best.reduce((sum, cents) => sum + cents, 0) / best.length;
  const follows = kind === 'steel guitar' || kind === 'bass' ? 1 : between(random, 0, 1);
  return (press, fault, hand) => {
    const { course, fret } = press;
    const { own, from } = lengthOf(kind, scale, course);
    const side = across(course, courses);
    const set = ((follows * best[course - 1]! + (1 - follows) * mean) * own) / 1731;
    const saddle =
      set +
      saddles[course - 1]! +
      all.saddle +
      all.slant * side +
      is(fault, 'saddle') +
      is(fault, 'slant') * side;
    const moved = frets[fret + from - 1]! + is(fault, 'fret', fret + from);
    const rest = own - place(own, fret);
    const pure = toCents(
      ((own + saddle + nut + is(fault, 'nut')) / (rest + saddle - moved)) * (rest / own),
    );
    const mass = massCents(course, place(1, fret), fault) - massCents(course, 0, fault);
    return pure + sharp(press, fault, hand) + mass;
  };
};

const LAWS: Readonly<Record<World, Builder>> = { sagging, curves, worn };
