import type { InstrumentKind, Tuning } from '../music/index.ts';
import { findTuning } from '../music/index.ts';
import type { Hz, KgPerMetre, Millimetres, Newtons } from '../units.ts';
import { steelGuitar, usualPeg } from './instrument.ts';
import { soundingLength } from './length.ts';
import { layoutsFor, pegPlace } from './pegs.ts';
import { plain, stringsOfSet } from './sets.ts';
import { headroom } from './strength.ts';
import { tensionOf } from './tension.ts';
import type { Bridge, Instrument, Peg, PegKind, PegLayout, StringSpec } from './types.ts';

/** A usual instrument of its kind, with everything that can be changed afterwards. */
export interface Model {
  readonly id: string;
  /** @example 'Ukulele, concert' */
  readonly name: string;
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
  /** Course 1 first. Gauges, weights and cores are usual ones, from memory. */
  readonly strings: readonly StringSpec[];
}

function built(sheet: Sheet): Model['build'] {
  const { kind, scaleMm, frets, tuningId, strings, bridge = 'fixed' } = sheet;
  const layout = sheet.layout ?? layoutsFor(kind, strings.length)[0] ?? 'in line';
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

/** The instruments that Rosefinch knows by themselves. */
export const MODELS: readonly Model[] = [
  { id: 'steel-guitar', name: 'Guitar, steel strings', build: steelGuitar },
  {
    id: 'electric-guitar',
    name: 'Guitar, electric',
    build: built({
      kind: 'guitar',
      scaleMm: 648,
      frets: 22,
      tuningId: 'guitar-standard',
      pegs: 'geared',
      layout: 'in line',
      strings: stringsOfSet('guitar-electric-10'),
    }),
  },
  {
    id: 'nylon-guitar',
    name: 'Guitar, nylon strings',
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
    name: 'Guitar, seven strings',
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
    id: 'ukulele-soprano',
    name: 'Ukulele, soprano',
    build: ukulele(345, 12, [nylon(0.56), nylon(0.81), nylon(0.91), nylon(0.61)]),
  },
  {
    id: 'ukulele-concert',
    name: 'Ukulele, concert',
    build: ukulele(380, 15, [nylon(0.56), nylon(0.76), nylon(0.91), nylon(0.61)]),
  },
  {
    id: 'ukulele-tenor',
    name: 'Ukulele, tenor',
    build: ukulele(430, 18, [nylon(0.56), nylon(0.73), nylon(0.91), nylon(0.64)]),
  },
  {
    id: 'ukulele-baritone',
    name: 'Ukulele, baritone',
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
    id: 'banjo-five',
    name: 'Banjo, five strings',
    build: built({
      kind: 'banjo',
      bridge: 'loose',
      scaleMm: 670,
      frets: 22,
      tuningId: 'banjo-open-g',
      pegs: 'planetary',
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
    name: 'Banjo, tenor',
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
    name: 'Banjo, plectrum',
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
];

/** Finds a model by its id; undefined if there is none. */
export function findModel(id: string): Model | undefined {
  return MODELS.find((model) => model.id === id);
}

/** The tuning that an instrument is kept in, whatever it is retuned to now; undefined if it is unknown. */
export function homeTuning(
  instrument: Instrument,
  tunings?: readonly Tuning[],
): Tuning | undefined {
  return findTuning(instrument.homeTuningId ?? instrument.tuningId, tunings);
}

/** What the first string of a course carries at a pitch. */
export interface StringLoad {
  readonly tension: Newtons;
  /** Semitones from there up to where it breaks. */
  readonly headroom: number;
}

/** Load of a course at a pitch; null when the instrument has no such course. @throws RangeMisuse for a core that is no wire. */
export function stringLoad(instrument: Instrument, course: number, hz: Hz): StringLoad | null {
  const spec = instrument.courses[course - 1]?.strings[0]?.spec;
  if (!spec) return null;
  const length = soundingLength(instrument, course);
  return { tension: tensionOf(spec.unitWeight, length, hz), headroom: headroom(spec, length, hz) };
}
