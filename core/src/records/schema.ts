import {
  array,
  boolean,
  type ISchema,
  lazy,
  mixed,
  number,
  type ObjectSchema,
  object,
  string,
} from 'yup';
import { STEPS } from '../settling/index.ts';

/**
 * Shapes of everything that is stored, for files that come in. Nothing is
 * coerced and nothing unknown is let through.
 */
// Yup fills the placeholder in.
// biome-ignore lint/suspicious/noTemplateCurlyInString: see above
const UNKNOWN_FIELD = 'holds the unknown field ${unknown}';

const strictObject = (fields: Record<string, Shape>): ObjectSchema<Record<string, unknown>> =>
  object(fields).strict().noUnknown(UNKNOWN_FIELD).required();

/** Any shape: a schema, or one that is chosen when the value is known. */
type Shape = ISchema<unknown>;

const text = () => string().strict().defined().max(4000);
const id = () => text().min(1).max(200);
const real = () => number().strict().required();
const positive = () => real().moreThan(0);
const whole = () => real().integer().min(0);
const course = () => real().integer().min(1).max(24);
const choice = (...values: readonly string[]) => string().strict().oneOf(values).required();
const list = (of: Shape) => array().of(of).strict().required();
const nullable = (schema: Shape) =>
  lazy((value: unknown) => (value === null ? mixed().nullable() : schema));

const sourceKind = () => choice('practice', 'microphone', 'recording');

/** An object with fields that it must have, and others that it may have or lack. */
const withOptional = (
  fields: Readonly<Record<string, Shape>>,
  optional: Readonly<Record<string, Shape>>,
) =>
  lazy((value: unknown) => {
    const has = Object.entries(optional).filter(
      ([key]) => typeof value === 'object' && value !== null && key in value,
    );
    return strictObject({ ...fields, ...Object.fromEntries(has) });
  });

const material = () => choice('steel', 'nylon', 'fluorocarbon', 'gut');

/** Picks the shape by the value of one field; an unknown value fails at that field. */
const byField = (field: string, shapes: Readonly<Record<string, Shape>>) =>
  lazy((value: unknown) => {
    const key = (value as Record<string, unknown> | null | undefined)?.[field];
    const shape = typeof key === 'string' && Object.hasOwn(shapes, key) ? shapes[key] : undefined;
    return (
      shape ??
      object({ [field]: choice(...Object.keys(shapes)) })
        .strict()
        .required()
    );
  });

const peg = withOptional(
  {
    kind: choice('geared', 'planetary', 'direct'),
    postMm: positive(),
    ratio: positive(),
    tighten: choice('away from you', 'towards you', 'clockwise', 'counter-clockwise'),
    known: choice('assumed', 'tested'),
  },
  { measured: strictObject({ factor: positive(), error: positive(), turns: whole() }) },
);

const spec = strictObject({
  material: material(),
  wound: boolean().strict().required(),
  diameterMm: positive(),
  // Beyond this no wire is made, and its strength not known.
  coreMm: real().min(0.1).max(6.5),
  unitWeight: positive(),
});

const INSTRUMENT = {
  id: id(),
  name: id(),
  kind: choice('guitar', 'ukulele', 'banjo'),
  scaleMm: positive().min(100).max(2000),
  frets: whole().max(40),
  courses: list(
    strictObject({ number: course(), strings: list(strictObject({ spec, peg })).min(1).max(2) }),
  ).min(1),
  layout: choice('3+3', '4+3', '2+2', '2+2 and a side peg', 'in line', 'in line, reversed'),
  bridge: choice('fixed', 'loose', 'floating'),
  tuningId: id(),
  note: text(),
};

/** Fields that an instrument may have or lack. */
const INSTRUMENT_OPTIONAL: Readonly<Record<string, Shape>> = {
  homeTuningId: id(),
  archived: boolean().strict().oneOf([true]).required(),
  leftHanded: boolean().strict().oneOf([true]).required(),
  capo: whole().min(1).max(12),
};

export const instrument = withOptional(INSTRUMENT, INSTRUMENT_OPTIONAL);

const session = withOptional(
  {
    id: id(),
    instrumentId: id(),
    tuningId: id(),
    a4: real().min(400).max(480),
    tolerance: positive(),
    source: sourceKind(),
    startedAt: real(),
    zone: id(),
    endedAt: nullable(real()),
  },
  {
    capo: whole().min(1).max(12),
    work: choice('settling'),
    adopted: boolean().strict().required(),
    practiceSeed: whole(),
  },
);

export const restringing = withOptional(
  {
    id: id(),
    instrumentId: id(),
    fittedAt: real(),
    zone: id(),
    strings: list(strictObject({ course: course(), material: material() })).min(1),
    lessonMinutes: positive().max(600),
    looks: list(real()),
    doneAt: nullable(real()),
  },
  { practiceAheadMs: whole(), lessonAt: real(), looksFrom: real() },
);

const pressure = () => choice('soft', 'normal', 'hard');
const fretNumber = () => real().integer().min(1).max(36);

const PLACES: Readonly<Record<string, Shape>> = {
  open: strictObject({ kind: choice('open') }),
  harmonic: strictObject({ kind: choice('harmonic') }),
  fret: strictObject({ kind: choice('fret'), fret: fretNumber(), pressure: pressure() }),
};

export const fretCheck = withOptional(
  {
    id: id(),
    instrumentId: id(),
    tuningId: id(),
    a4: real().min(400).max(480),
    source: sourceKind(),
    startedAt: real(),
    zone: id(),
    courses: list(course()).min(1),
    frets: list(fretNumber()).min(1),
    pressures: list(pressure()).min(1),
    readings: list(
      withOptional(
        {
          course: course(),
          place: byField('kind', PLACES),
          cents: real(),
          errorCents: positive(),
          at: real(),
        },
        { struckOut: boolean().strict().oneOf([true]).required(), note: text() },
      ),
    ),
    doneAt: nullable(real()),
  },
  { capo: whole().min(1).max(12), practiceSeed: whole() },
);

const partial = strictObject({
  number: real().integer().min(1),
  hz: positive(),
  errorCents: real().min(0),
  amplitude: real().min(0),
});

const reading = strictObject({
  kind: choice('reading'),
  hz: positive(),
  clarity: real().min(0).max(1),
  errorCents: real().min(0),
  spreadCents: real().min(0),
  f0Hz: positive(),
  firstPartialHz: positive(),
  periodHz: positive(),
  inharmonicity: real().min(0),
  moving: boolean().strict().required(),
  windowFrom: real().min(0),
  windowLength: positive(),
  levelDbfs: real(),
  partials: list(partial),
});

const OUTCOMES: Readonly<Record<string, Shape>> = {
  reading,
  'too quiet': strictObject({ kind: choice('too quiet'), levelDbfs: real() }),
  'not sure': strictObject({
    kind: choice('not sure'),
    reason: choice('too short', 'no pitch', 'unsteady', 'weak', 'no pluck'),
  }),
  'hum only': strictObject({ kind: choice('hum only'), mainsHz: real().oneOf([50, 60]) }),
  'more than one string': strictObject({
    kind: choice('more than one string'),
    hz: list(positive()),
  }),
  interrupted: strictObject({ kind: choice('interrupted') }),
};

const midi = () => real().integer().min(12).max(108);
const offset = () => real().min(-100).max(100);

const TEMPERS: Readonly<Record<string, Shape>> = {
  equal: strictObject({ kind: choice('equal') }),
  pure: strictObject({
    kind: choice('pure'),
    root: whole().max(11),
    share: real().min(0).max(1),
  }),
  own: strictObject({ kind: choice('own'), offsets: list(offset()) }),
};

export const tuning = withOptional(
  {
    id: id(),
    name: id(),
    kind: choice('guitar', 'ukulele', 'banjo'),
    courses: list(list(midi()).min(1).max(2)).min(1).max(24),
    accidental: choice('sharp', 'flat'),
  },
  { aliases: list(id()), temper: byField('kind', TEMPERS) },
);

const at = { at: real() };
const event = byField('type', {
  reading: strictObject({
    type: choice('reading'),
    ...at,
    reading: withOptional(
      {
        course: course(),
        cents: real(),
        errorCents: real().min(0),
        moving: boolean().strict().required(),
        hz: positive(),
      },
      { aim: real() },
    ),
  }),
  choose: strictObject({ type: choice('choose'), ...at, course: nullable(course()) }),
  accept: withOptional({ type: choice('accept'), ...at }, { next: course() }),
  'peg test': strictObject({
    type: choice('peg test'),
    ...at,
    course: course(),
    turns: real(),
    beforeHz: positive(),
    afterHz: positive(),
  }),
  said: withOptional(
    { type: choice('said'), ...at, course: course(), of: real(), step: choice(...STEPS) },
    { elapsed: real().min(0) },
  ),
  'room note': strictObject({
    type: choice('room note'),
    ...at,
    note: withOptional(
      {},
      {
        celsius: real().min(-30).max(60),
        humidity: real().min(0).max(100),
        broughtIn: boolean().strict().oneOf([true]).required(),
        text: text(),
      },
    ),
  }),
  'next pass': strictObject({ type: choice('next pass'), ...at }),
});

const measurement = strictObject({ reading, track: list(real()) });

const logEntry = withOptional({ sessionId: id(), seq: whole(), event }, { measurement });

const recording = strictObject({
  id: id(),
  name: id(),
  readAt: real(),
  sampleRate: positive(),
  duration: positive(),
  envelope: list(real()),
  plucks: list(
    strictObject({
      start: real().min(0),
      length: real().min(0),
      outcome: byField('kind', OUTCOMES),
      track: list(real()),
      clipped: boolean().strict().required(),
    }),
  ),
  warnings: list(text()),
  sessionId: nullable(id()),
});

/** A whole backup file. */
export const backupSchema = strictObject({
  format: choice('rosefinch-backup'),
  schema: real().oneOf([3]),
  exportedAt: string()
    .strict()
    .required()
    .matches(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/, 'is no UTC date and time'),
  instruments: list(instrument),
  tunings: list(tuning),
  restringings: list(restringing),
  fretChecks: list(fretCheck),
  sessions: list(session),
  log: list(logEntry),
  recordings: list(recording),
  settings: mixed().defined(),
});
