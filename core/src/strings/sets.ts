import { RangeMisuse } from '../errors.ts';
import { type Message, message } from '../message.ts';
import type { InstrumentKind } from '../music/index.ts';
import type { KgPerMetre, Millimetres } from '../units.ts';
import { MATERIALS } from './strength.ts';
import { plainUnitWeight } from './tension.ts';
import type { Instrument, StringSpec } from './types.ts';

/** A set as players ask for it, string 1 first. */
export interface StringSet {
  readonly id: string;
  /** @example 'Acoustic 12–53' */
  readonly name: Message;
  readonly kind: InstrumentKind;
  readonly strings: readonly StringSpec[];
}

const THOU: Millimetres = 0.0254;
/** Densities of the wire that is wound on, in kg/m³: plated steel, bronze, silvered copper. From memory, check. */
const WRAP = { steel: 7860, bronze: 8800, copper: 8960 } as const;
/** Core of a wound steel string by its diameter, in mm: a straight line through usual sets. From memory, check. */
const CORE = { least: 0.24, share: 0.17 } as const;

/** Core of a usual wound steel string. */
export function usualCore(diameter: Millimetres): Millimetres {
  return Math.round(100 * (CORE.least + CORE.share * diameter)) / 100;
}

/**
 * What a string with one close winding of round wire weighs: the core, and wire of w = (D − d)/2 whose turns lie
 * w apart on a circle of d + w, so ρ π² w (d + w) / 4 a metre of string.
 */
export function woundUnitWeight(
  diameter: Millimetres,
  core: Millimetres,
  coreDensity: number,
  wrapDensity: number,
): KgPerMetre {
  const wire = (diameter - core) / 2;
  const wrap = (wrapDensity * Math.PI ** 2 * wire * (core + wire)) / 4e6;
  return plainUnitWeight(coreDensity, core) + wrap;
}

/** A string of one material all through. */
export function plain(material: StringSpec['material'], diameterMm: Millimetres): StringSpec {
  const unitWeight = plainUnitWeight(MATERIALS[material].density, diameterMm);
  return { material, wound: false, diameterMm, coreMm: diameterMm, unitWeight };
}

/** Gauges in thousandths of an inch, as steel sets are called; wound ones with a w. */
function steelSet(gauges: string, wrap: keyof typeof WRAP): StringSpec[] {
  return gauges.split(' ').map((gauge) => {
    const diameterMm = Math.round(1000 * THOU * Number.parseFloat(gauge)) / 1000;
    if (!gauge.endsWith('w')) return plain('steel', diameterMm);
    const coreMm = usualCore(diameterMm);
    const { density } = MATERIALS.steel;
    const unitWeight = woundUnitWeight(diameterMm, coreMm, density, WRAP[wrap]);
    return { material: 'steel', wound: true, diameterMm, coreMm, unitWeight };
  });
}

/** Basses of nylon are wound on floss, which carries as much as the figure of its core says; weights from memory, check. */
function floss(diameterMm: Millimetres, coreMm: Millimetres, unitWeight: KgPerMetre): StringSpec {
  return { material: 'nylon', wound: true, diameterMm, coreMm, unitWeight };
}

const nylon = (...list: readonly Millimetres[]) => list.map((mm) => plain('nylon', mm));
const carbon = (...list: readonly Millimetres[]) => list.map((mm) => plain('fluorocarbon', mm));

const set = (
  kind: InstrumentKind,
  id: string,
  name: Message,
  strings: readonly StringSpec[],
): StringSet => ({ id: `${kind}-${id}`, name, kind, strings });

/** Usual sets in general words and figures; which gauges make one is common practice, no source. */
export const STRING_SETS: readonly StringSet[] = [
  set(
    'guitar',
    'electric-9',
    message('shelf.set.guitarElectric9'),
    steelSet('9 11 16 24w 32w 42w', 'steel'),
  ),
  set(
    'guitar',
    'electric-10',
    message('shelf.set.guitarElectric10'),
    steelSet('10 13 17 26w 36w 46w', 'steel'),
  ),
  set(
    'guitar',
    'acoustic-10',
    message('shelf.set.guitarAcoustic10'),
    steelSet('10 14 23w 30w 39w 47w', 'bronze'),
  ),
  set(
    'guitar',
    'acoustic-11',
    message('shelf.set.guitarAcoustic11'),
    steelSet('11 15 23w 32w 42w 52w', 'bronze'),
  ),
  set(
    'guitar',
    'acoustic-12',
    message('shelf.set.guitarAcoustic12'),
    steelSet('12 16 24w 32w 42w 53w', 'bronze'),
  ),
  set(
    'guitar',
    'acoustic-13',
    message('shelf.set.guitarAcoustic13'),
    steelSet('13 17 26w 35w 45w 56w', 'bronze'),
  ),
  set(
    'guitar',
    'twelve-10',
    message('shelf.set.guitarTwelve10'),
    // In each course the main string first, then the one beside it.
    steelSet('10 10 14 14 23w 9 30w 12 39w 18 47w 27w', 'bronze'),
  ),
  set(
    'guitar',
    'seven-10',
    message('shelf.set.guitarSeven10'),
    steelSet('10 13 17 26w 36w 46w 59w', 'steel'),
  ),
  set(
    'guitar',
    'eight-10',
    message('shelf.set.guitarEight10'),
    steelSet('10 13 17 26w 36w 46w 59w 80w', 'steel'),
  ),
  set(
    'guitar',
    'baritone',
    message('shelf.set.guitarBaritone'),
    steelSet('14 18 26w 36w 50w 68w', 'steel'),
  ),
  set('guitar', 'tenor', message('shelf.set.guitarTenor'), steelSet('9 14 24w 34w', 'bronze')),
  set('guitar', 'guitalele', message('shelf.set.guitarGuitalele'), [
    ...nylon(0.56, 0.73, 0.91),
    floss(0.8, 0.55, 1.58e-3),
    floss(0.91, 0.6, 2.82e-3),
    floss(1.07, 0.65, 5.0e-3),
  ]),
  set('guitar', 'nylon', message('shelf.set.guitarNylon'), [
    ...nylon(0.71, 0.82, 1.02),
    floss(0.74, 0.55, 1.92e-3),
    floss(0.89, 0.6, 3.33e-3),
    floss(1.09, 0.65, 5.75e-3),
  ]),
  set('guitar', 'nylon-hard', message('shelf.set.guitarNylonHard'), [
    ...nylon(0.73, 0.84, 1.05),
    floss(0.76, 0.57, 2.04e-3),
    floss(0.91, 0.62, 3.52e-3),
    floss(1.12, 0.67, 6.0e-3),
  ]),
  set('ukulele', 'soprano', message('shelf.set.ukuleleSoprano'), nylon(0.56, 0.81, 0.91, 0.61)),
  set('ukulele', 'concert', message('shelf.set.ukuleleConcert'), nylon(0.56, 0.76, 0.91, 0.61)),
  set('ukulele', 'tenor', message('shelf.set.ukuleleTenor'), nylon(0.56, 0.73, 0.91, 0.64)),
  set('ukulele', 'carbon', message('shelf.set.ukuleleCarbon'), carbon(0.47, 0.6, 0.74, 0.52)),
  set('ukulele', 'low-g', message('shelf.set.ukuleleLowG'), [
    ...nylon(0.56, 0.73, 0.91),
    ...carbon(0.91),
  ]),
  set('ukulele', 'eight', message('shelf.set.ukuleleEight'), [
    ...nylon(0.56, 0.56, 0.73, 0.73, 0.91, 0.5, 0.64),
    ...carbon(0.91),
  ]),
  set('ukulele', 'six', message('shelf.set.ukuleleSix'), [
    ...nylon(0.56),
    floss(0.76, 0.5, 1.05e-3),
    ...nylon(0.73, 0.91, 0.5, 0.64),
  ]),
  set('ukulele', 'baritone', message('shelf.set.ukuleleBaritone'), [
    ...nylon(0.66, 0.81),
    floss(0.76, 0.5, 1.05e-3),
    floss(0.91, 0.55, 2.0e-3),
  ]),
  set(
    'banjo',
    'five-light',
    message('shelf.set.banjoFiveLight'),
    steelSet('9 10 13 20w 9', 'steel'),
  ),
  set(
    'banjo',
    'five-medium',
    message('shelf.set.banjoFiveMedium'),
    steelSet('10 12 16 23w 10', 'steel'),
  ),
  set('banjo', 'tenor', message('shelf.set.banjoTenor'), steelSet('9 15 24w 32w', 'steel')),
  set('banjo', 'plectrum', message('shelf.set.banjoPlectrum'), steelSet('10 12 16 23w', 'steel')),
  set(
    'banjo',
    'five-nylon',
    message('shelf.set.banjoFiveNylon'),
    nylon(0.61, 0.71, 0.86, 1.07, 0.61),
  ),
  set('banjo', 'six', message('shelf.set.banjoSix'), steelSet('10 13 16 24w 32w 42w', 'steel')),
  set('banjo', 'cello', message('shelf.set.banjoCello'), steelSet('20w 30w 44w 66w', 'steel')),
  set('bass', 'four', message('shelf.set.bassFour'), steelSet('45w 65w 85w 105w', 'steel')),
  set(
    'bass',
    'four-light',
    message('shelf.set.bassFourLight'),
    steelSet('40w 60w 80w 100w', 'steel'),
  ),
  set('bass', 'five', message('shelf.set.bassFive'), steelSet('45w 65w 85w 105w 130w', 'steel')),
  set('bass', 'six', message('shelf.set.bassSix'), steelSet('32w 45w 65w 85w 105w 130w', 'steel')),
];

/** The strings of a set by its id, course 1 first. @throws RangeMisuse for a set that is not there */
export function stringsOfSet(id: string): readonly StringSpec[] {
  const found = STRING_SETS.find((one) => one.id === id);
  if (!found) throw new RangeMisuse(`there is no set ${id}`);
  return found.strings;
}

/** The sets that fit an instrument: of its kind, with as many strings. */
export function setsFor({ kind, courses }: Pick<Instrument, 'kind' | 'courses'>): StringSet[] {
  return STRING_SETS.filter((one) => one.kind === kind && one.strings.length === courses.length);
}

/** The instrument with the strings of a set on it; its pegs stay. */
export function withSet(instrument: Instrument, { strings }: StringSet): Instrument {
  const courses = instrument.courses.map((course, i) => ({
    ...course,
    strings: course.strings.map((string) => ({ ...string, spec: strings[i] ?? string.spec })),
  }));
  return { ...instrument, courses };
}

/** The set that is on an instrument, to the last figure; undefined where its strings are of its own. */
export function setOf(instrument: Instrument): StringSet | undefined {
  const on = JSON.stringify(instrument.courses.map(({ strings }) => strings[0]?.spec));
  return setsFor(instrument).find(({ strings }) => JSON.stringify(strings) === on);
}
