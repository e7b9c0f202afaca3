import { type Message, message } from '../message.ts';
import type { InstrumentKind } from '../music/index.ts';
import type { KgPerMetre, Millimetres } from '../units.ts';
import { steelGuitar, usualPeg } from './instrument.ts';
import { layoutsFor, pegPlace } from './pegs.ts';
import { plain, stringsOfSet } from './sets.ts';
import type { Bridge, Instrument, Peg, PegKind, PegLayout, StringSpec } from './types.ts';

/** A usual instrument of its kind, with everything that can be changed afterwards. */
export interface Model {
  readonly id: string;
  /** @example 'Ukulele, concert' */
  readonly name: Message;
  /** Most classes have it: it is offered first. Common practice, no source. */
  readonly usual?: true;
  readonly build: (id: string, name: string, note?: string) => Instrument;
}

function wound(
  material: StringSpec['material'],
  diameterMm: Millimetres,
  coreMm: Millimetres,
  unitWeight: KgPerMetre,
): StringSpec {
  return { material, wound: true, diameterMm, coreMm, unitWeight };
}

const nylon = (mm: Millimetres) => plain('nylon', mm);
const steel = (mm: Millimetres) => plain('steel', mm);

interface Sheet {
  readonly kind: InstrumentKind;
  readonly scaleMm: Millimetres;
  readonly frets: number;
  readonly tuningId: string;
  readonly pegs: PegKind;
  readonly postMm?: Millimetres;
  readonly bridge?: Bridge;
  readonly layout?: PegLayout;
  readonly shortFrom?: number;
  /** Course 1 first. Gauges, weights and cores are usual ones, from memory. */
  readonly strings: readonly StringSpec[];
}

function built(sheet: Sheet): Model['build'] {
  const { kind, scaleMm, frets, tuningId, strings, bridge = 'fixed', shortFrom } = sheet;
  const layout = sheet.layout ?? layoutsFor(kind, strings.length)[0] ?? 'inLine';
  return (id, name, note = '') => ({
    id,
    name,
    kind,
    scaleMm,
    frets,
    tuningId,
    note,
    layout,
    bridge,
    ...(shortFrom !== undefined && { shortFrom }),
    courses: strings.map((spec, i) => ({
      number: i + 1,
      strings: [{ spec, peg: pegOf(sheet, layout, i + 1) }],
    })),
  });
}

/** The side peg of a banjo is geared, whatever the others are. */
function pegOf(sheet: Sheet, layout: PegLayout, course: number): Peg {
  const place = pegPlace(layout, course, sheet.strings.length);
  const peg = usualPeg(place.row === 'side' ? 'geared' : sheet.pegs, place);
  return sheet.postMm === undefined ? peg : { ...peg, postMm: sheet.postMm };
}

function ukulele(
  scaleMm: Millimetres,
  frets: number,
  strings: readonly StringSpec[],
): Model['build'] {
  const tuningId = 'ukulele-standard';
  return built({ kind: 'ukulele', scaleMm, frets, tuningId, pegs: 'direct', strings });
}

/** A bass guitar of the long scale, its pegs in line unless it has many. */
function bass(strings: 'four' | 'five' | 'six', frets = 20): Model['build'] {
  return built({
    kind: 'bass',
    scaleMm: 864,
    frets,
    tuningId: strings === 'four' ? 'bass-standard' : `bass-${strings}`,
    pegs: 'geared',
    postMm: 10,
    ...(strings === 'four' && { layout: 'inLine' as const }),
    strings: stringsOfSet(`bass-${strings}`),
  });
}

const FIVE_STRING: Omit<Sheet, 'strings'> = {
  kind: 'banjo',
  bridge: 'loose',
  scaleMm: 670,
  frets: 22,
  tuningId: 'banjo-open-g',
  pegs: 'planetary',
};

/** The instruments that Rosefinch knows by themselves. */
export const MODELS: readonly Model[] = [
  { id: 'steel-guitar', name: message('shelf.model.steelGuitar'), usual: true, build: steelGuitar },
  {
    id: 'electric-guitar',
    name: message('shelf.model.electricGuitar'),
    usual: true,
    build: built({
      kind: 'guitar',
      scaleMm: 648,
      frets: 22,
      tuningId: 'guitar-standard',
      pegs: 'geared',
      layout: 'inLine',
      strings: stringsOfSet('guitar-electric-10'),
    }),
  },
  {
    id: 'nylon-guitar',
    name: message('shelf.model.nylonGuitar'),
    usual: true,
    build: built({
      kind: 'guitar',
      scaleMm: 650,
      frets: 19,
      tuningId: 'guitar-standard',
      pegs: 'geared',
      // Rollers of a slotted head: common practice, no source.
      postMm: 10,
      strings: [
        nylon(0.71),
        nylon(0.82),
        nylon(1.02),
        wound('nylon', 0.74, 0.55, 1.92e-3),
        wound('nylon', 0.89, 0.6, 3.33e-3),
        wound('nylon', 1.09, 0.65, 5.75e-3),
      ],
    }),
  },
  {
    id: 'seven-guitar',
    name: message('shelf.model.sevenGuitar'),
    build: built({
      kind: 'guitar',
      scaleMm: 648,
      frets: 24,
      tuningId: 'guitar-seven-standard',
      pegs: 'geared',
      strings: [
        steel(0.254),
        steel(0.33),
        steel(0.432),
        wound('steel', 0.66, 0.36, 2.26e-3),
        wound('steel', 0.91, 0.4, 4.23e-3),
        wound('steel', 1.17, 0.43, 6.84e-3),
        wound('steel', 1.5, 0.46, 1.09e-2),
      ],
    }),
  },
  {
    id: 'eight-guitar',
    name: message('shelf.model.eightGuitar'),
    build: built({
      kind: 'guitar',
      scaleMm: 686,
      frets: 24,
      tuningId: 'guitar-eight-standard',
      pegs: 'geared',
      strings: stringsOfSet('guitar-eight-10'),
    }),
  },
  {
    id: 'twelve-guitar',
    name: message('shelf.model.twelveGuitar'),
    build: built({
      kind: 'guitar',
      scaleMm: 648,
      frets: 20,
      tuningId: 'guitar-standard-strings-twelve',
      pegs: 'geared',
      strings: stringsOfSet('guitar-twelve-10'),
    }),
  },
  {
    id: 'baritone-guitar',
    name: message('shelf.model.baritoneGuitar'),
    build: built({
      kind: 'guitar',
      scaleMm: 695,
      frets: 22,
      tuningId: 'guitar-baritone',
      pegs: 'geared',
      strings: stringsOfSet('guitar-baritone'),
    }),
  },
  {
    id: 'tenor-guitar',
    name: message('shelf.model.tenorGuitar'),
    build: built({
      kind: 'guitar',
      scaleMm: 580,
      frets: 19,
      tuningId: 'guitar-tenor',
      pegs: 'geared',
      strings: stringsOfSet('guitar-tenor'),
    }),
  },
  {
    id: 'guitalele',
    name: message('shelf.model.guitalele'),
    build: built({
      kind: 'guitar',
      scaleMm: 430,
      frets: 18,
      tuningId: 'guitar-guitalele',
      pegs: 'geared',
      strings: stringsOfSet('guitar-guitalele'),
    }),
  },
  { id: 'bass-four', name: message('shelf.model.bassFour'), usual: true, build: bass('four') },
  { id: 'bass-fretless', name: message('shelf.model.bassFretless'), build: bass('four', 0) },
  { id: 'bass-five', name: message('shelf.model.bassFive'), build: bass('five', 24) },
  { id: 'bass-six', name: message('shelf.model.bassSix'), build: bass('six', 24) },
  {
    id: 'ukulele-soprano',
    name: message('shelf.model.ukuleleSoprano'),
    usual: true,
    build: ukulele(345, 12, [nylon(0.56), nylon(0.81), nylon(0.91), nylon(0.61)]),
  },
  {
    id: 'ukulele-concert',
    name: message('shelf.model.ukuleleConcert'),
    usual: true,
    build: ukulele(380, 15, [nylon(0.56), nylon(0.76), nylon(0.91), nylon(0.61)]),
  },
  {
    id: 'ukulele-tenor',
    name: message('shelf.model.ukuleleTenor'),
    usual: true,
    build: ukulele(430, 18, [nylon(0.56), nylon(0.73), nylon(0.91), nylon(0.64)]),
  },
  {
    id: 'ukulele-baritone',
    name: message('shelf.model.ukuleleBaritone'),
    usual: true,
    build: built({
      kind: 'ukulele',
      scaleMm: 510,
      frets: 19,
      tuningId: 'ukulele-baritone',
      pegs: 'geared',
      strings: [
        nylon(0.66),
        nylon(0.81),
        wound('nylon', 0.76, 0.5, 1.05e-3),
        wound('nylon', 0.91, 0.55, 2.0e-3),
      ],
    }),
  },
  {
    id: 'ukulele-eight',
    name: message('shelf.model.ukuleleEight'),
    build: built({
      kind: 'ukulele',
      scaleMm: 430,
      frets: 18,
      tuningId: 'ukulele-standard-strings-eight',
      pegs: 'geared',
      strings: stringsOfSet('ukulele-eight'),
    }),
  },
  {
    id: 'ukulele-six',
    name: message('shelf.model.ukuleleSix'),
    build: built({
      kind: 'ukulele',
      scaleMm: 430,
      frets: 18,
      tuningId: 'ukulele-standard-strings-six',
      pegs: 'geared',
      strings: stringsOfSet('ukulele-six'),
    }),
  },
  {
    id: 'banjo-ukulele',
    name: message('shelf.model.banjoUkulele'),
    build: built({
      kind: 'ukulele',
      bridge: 'loose',
      scaleMm: 350,
      frets: 16,
      tuningId: 'ukulele-standard',
      pegs: 'direct',
      strings: stringsOfSet('ukulele-soprano'),
    }),
  },
  {
    id: 'banjo-five',
    name: message('shelf.model.banjoFive'),
    usual: true,
    build: built({
      ...FIVE_STRING,
      strings: [
        steel(0.254),
        steel(0.292),
        steel(0.33),
        wound('steel', 0.53, 0.3, 1.5e-3),
        steel(0.254),
      ],
    }),
  },
  {
    id: 'banjo-tenor',
    name: message('shelf.model.banjoTenor'),
    build: built({
      kind: 'banjo',
      bridge: 'loose',
      scaleMm: 580,
      frets: 19,
      tuningId: 'banjo-tenor',
      pegs: 'planetary',
      strings: [
        steel(0.23),
        steel(0.38),
        wound('steel', 0.6, 0.33, 1.9e-3),
        wound('steel', 0.8, 0.38, 3.9e-3),
      ],
    }),
  },
  {
    id: 'banjo-plectrum',
    name: message('shelf.model.banjoPlectrum'),
    build: built({
      kind: 'banjo',
      bridge: 'loose',
      scaleMm: 670,
      frets: 22,
      tuningId: 'banjo-plectrum',
      pegs: 'planetary',
      strings: [steel(0.254), steel(0.292), steel(0.33), wound('steel', 0.58, 0.32, 1.9e-3)],
    }),
  },
  {
    id: 'banjo-fretless',
    name: message('shelf.model.banjoFretless'),
    build: built({
      ...FIVE_STRING,
      frets: 0,
      pegs: 'direct',
      strings: stringsOfSet('banjo-five-nylon'),
    }),
  },
  {
    id: 'banjo-long-neck',
    name: message('shelf.model.banjoLongNeck'),
    build: built({
      ...FIVE_STRING,
      scaleMm: 813,
      frets: 25,
      shortFrom: 8,
      tuningId: 'banjo-open-e',
      strings: stringsOfSet('banjo-five-medium'),
    }),
  },
  {
    id: 'banjo-six',
    name: message('shelf.model.banjoSix'),
    build: built({
      kind: 'banjo',
      bridge: 'loose',
      scaleMm: 640,
      frets: 22,
      tuningId: 'banjo-six',
      pegs: 'geared',
      strings: stringsOfSet('banjo-six'),
    }),
  },
  {
    id: 'banjo-cello',
    name: message('shelf.model.banjoCello'),
    build: built({
      kind: 'banjo',
      bridge: 'loose',
      scaleMm: 620,
      frets: 19,
      tuningId: 'banjo-cello',
      pegs: 'planetary',
      strings: stringsOfSet('banjo-cello'),
    }),
  },
];

/** Finds a model by its id; undefined if there is none. */
export function findModel(id: string): Model | undefined {
  return MODELS.find((model) => model.id === id);
}
