import {
  array,
  boolean,
  type ISchema,
  lazy,
  mixed,
  number,
  object,
  type Schema,
  string,
  ValidationError,
} from 'yup';
import { RecordError } from '../errors.ts';
import { type LabelId, type Message, type MessageId, message, type Value } from '../message.ts';

/** The same as JSON Schema (draft 2020-12) has it, for those who read a backup elsewhere. */
export type JsonSchema = Readonly<Record<string, unknown>>;

/** A shape whose type does not matter. */
export interface AnyShape {
  readonly yup: ISchema<unknown>;
  readonly json: JsonSchema;
  readonly optional: boolean;
}

/**
 * What a stored value may be: a Yup schema that carries the type of what it lets through.
 * The type is held both ways, so that a field of a type without its line here, a line
 * without its field, a missing choice or a wrong kind do not compile. Nothing is coerced
 * and nothing unknown is let through.
 */
export interface Shape<T> extends AnyShape {
  /** Never there; it holds `T` in place. */
  readonly of?: (value: T) => T;
}

/** A field that may be missing. */
interface Optional<T> extends Shape<T> {
  readonly optional: true;
}

/** The line of every field of a record: optional where the field is. */
export type Fields<T> = {
  readonly [K in keyof T]-?: object extends Pick<T, K>
    ? Optional<Exclude<T[K], undefined>>
    : Shape<T[K]> & { readonly optional: false };
};

type Needed<T> = Shape<T> & { readonly optional: false };

const shape = <T>(yup: ISchema<unknown>, json: JsonSchema): Needed<T> => ({
  yup,
  json,
  optional: false,
});

const UNKNOWN_FIELD: LabelId | MessageId = 'problems.unknownField';

const finite = () =>
  number()
    .strict()
    .required()
    .test('finite', 'problems.notFinite' satisfies LabelId, Number.isFinite);

/** Any text of up to so many characters, which may be empty. */
export const text = (most = 4000) =>
  shape<string>(string().strict().defined().max(most), { type: 'string', maxLength: most });
/** A name or an id. */
export const name = () =>
  shape<string>(string().strict().defined().min(1).max(200), {
    type: 'string',
    minLength: 1,
    maxLength: 200,
  });
/** Between two bounds, both allowed. */
export const real = (low: number, high: number) =>
  shape<number>(finite().min(low).max(high), { type: 'number', minimum: low, maximum: high });
/** Above 0, up to a bound. */
export const positive = (high: number) =>
  shape<number>(finite().moreThan(0).max(high), {
    type: 'number',
    exclusiveMinimum: 0,
    maximum: high,
  });
export const whole = (low: number, high: number) =>
  shape<number>(finite().integer().min(low).max(high), {
    type: 'integer',
    minimum: low,
    maximum: high,
  });
export const flag = () => shape<boolean>(boolean().strict().required(), { type: 'boolean' });
/** True, or not there. */
export const yes = () =>
  shape<true>(
    boolean()
      .strict()
      .oneOf([true], 'problems.trueOrMissing' satisfies LabelId)
      .required(),
    {
      const: true,
    },
  );

/** A clock may be wrong by decades, and what was read then is kept all the same; beyond 1970 and 2200 it is no time. */
const EARLIEST = 0;
const LATEST = Date.UTC(2200, 0);
/** A moment in ms since 1970. */
export const moment = () => real(EARLIEST, LATEST);

export const choice = <T extends string | number>(...values: readonly T[]) =>
  shape<T>(mixed<T>().oneOf(values).required(), { enum: values });

/** One of some words, every one of which must be named: one that is forgotten does not compile. */
export const among = <T extends string>(words: Readonly<Record<T, true>>) =>
  choice<T>(...(Object.keys(words) as T[]));

export const optional = <T>({ yup, json }: Needed<T>): Optional<T> => ({
  yup: absentOr(yup),
  json,
  optional: true,
});

/** In memory a field that is undefined is one that is not there. */
function absentOr(yup: ISchema<unknown>): ISchema<unknown> {
  const nothing = mixed().optional();
  return lazy((value: unknown) => (value === undefined ? nothing : (yup as Schema)));
}

export function nullable<T>({ yup, json }: Needed<T>): Needed<T | null> {
  const nothing = mixed().nullable();
  return shape(
    lazy((value: unknown) => (value === null ? nothing : (yup as Schema))),
    { anyOf: [json, { type: 'null' }] },
  );
}

export function list<T>(
  { yup, json }: Needed<T>,
  { min = 0, max = 100_000 }: { readonly min?: number; readonly max?: number } = {},
): Needed<readonly T[]> {
  return shape(array().of(yup).strict().required().min(min).max(max), {
    type: 'array',
    items: json,
    minItems: min,
    maxItems: max,
  });
}

export function record<T>(fields: Fields<T>): Needed<T> {
  const lines = Object.entries<AnyShape>(fields);
  const schemas = Object.fromEntries(lines.map(([key, { yup }]) => [key, yup]));
  return shape(object(schemas).strict().noUnknown(UNKNOWN_FIELD).required(), objectOf(lines));
}

function objectOf(lines: readonly (readonly [string, AnyShape])[]): JsonSchema {
  return {
    type: 'object',
    properties: Object.fromEntries(lines.map(([key, { json }]) => [key, json])),
    required: lines.flatMap(([key, { optional }]) => (optional ? [] : [key])),
    additionalProperties: false,
  };
}

/** An object of any names, each with a value of one shape. */
export function dictionary<T>({ yup, json }: Needed<T>): Needed<Readonly<Record<string, T>>> {
  return shape(
    lazy((value: unknown) => {
      const keys = isPlain(value) ? Object.keys(value) : [];
      return object(Object.fromEntries(keys.map((key) => [key, yup])))
        .strict()
        .noUnknown(UNKNOWN_FIELD)
        .required();
    }),
    { type: 'object', additionalProperties: json },
  );
}

/** A record whose shape is told by the value of one field; an unknown value fails at that field. */
export function byField<T, F extends keyof T & string>(
  field: F,
  shapes: {
    readonly [V in T[F] & string]: Needed<Extract<T, { readonly [K in F]: V }>>;
  },
): Needed<T> {
  const known = shapes as Readonly<Record<string, AnyShape>>;
  const none = object({ [field]: choice(...Object.keys(known)).yup })
    .strict()
    .required();
  return shape(
    lazy((value: unknown) => {
      const key = (value as Readonly<Record<string, unknown>> | null | undefined)?.[field];
      const found = typeof key === 'string' && Object.hasOwn(known, key) ? known[key] : undefined;
      return (found?.yup ?? none) as Schema;
    }),
    { anyOf: Object.values(known).map(({ json }) => json) },
  );
}

/** A shape with one more condition, told as `problem` where it does not hold; `description` says it in the JSON Schema. */
export function also<T>(
  { yup, json }: Needed<T>,
  problem: LabelId,
  description: string,
  holds: (value: T) => boolean,
): Needed<T> {
  const test = (value: unknown) => {
    try {
      return holds(value as T);
    } catch {
      // Asked of what has not the shape: that is told by the shape itself.
      return true;
    }
  };
  return shape((yup as Schema).test('also', problem, test), { ...json, description });
}

/** Lists of numbers are checked in one go: there may be thousands, and Yup takes its time over each. */
const MOST_NUMBERS = 2_000_000;

/** Samples, or times and pitches by turns: 32-bit floats in the browser, plain numbers in files. */
export const floats = () =>
  shape<Float32Array>(
    mixed()
      .required()
      .test(
        'floats',
        'problems.listOfNumbers' satisfies LabelId,
        (value, { createError, path }) => {
          if (value instanceof Float32Array) return value.every(Number.isFinite);
          if (!Array.isArray(value) || value.length > MOST_NUMBERS) return false;
          const wrong = value.findIndex(
            (x) => !Number.isFinite(x) || !Number.isFinite(Math.fround(x)),
          );
          return (
            wrong < 0 ||
            createError({ path: `${path}[${wrong}]`, message: 'problems.number' satisfies LabelId })
          );
        },
      ),
    { type: 'array', items: { type: 'number' }, maxItems: MOST_NUMBERS },
  );

/** Bounds of a number; `whole` where it counts. */
interface Bounds {
  readonly low: number;
  readonly high: number;
  readonly whole?: true;
}

/** What is wrong with a row, and where in it. */
interface RowFault {
  readonly at: string;
  readonly message: MessageId;
  readonly params?: Readonly<Record<string, string | number>>;
}

/** A list of small records of numbers alone, checked in one go. */
export function rows<T extends Readonly<Record<keyof T, number>>>(
  fields: { readonly [K in keyof T]-?: Bounds },
  max: number,
): Needed<readonly T[]> {
  const lines = Object.entries<Bounds>(fields);
  const fault = (row: unknown): RowFault | null => {
    if (!isPlain(row)) return { at: '', message: 'problems.object' };
    const unknown = Object.keys(row).find((key) => !Object.hasOwn(fields, key));
    if (unknown !== undefined)
      return { at: '', message: 'problems.unknownField', params: { unknown } };
    for (const [key, { low, high, whole: counts }] of lines) {
      const value = Object.hasOwn(row, key) ? row[key] : undefined;
      if (typeof value !== 'number' || !(value >= low && value <= high))
        return { at: `.${key}`, message: 'problems.numberFrom', params: { low, high } };
      if (counts && !Number.isInteger(value)) return { at: `.${key}`, message: 'problems.whole' };
    }
    return null;
  };
  return shape(
    mixed()
      .required()
      .test('rows', 'problems.mustBeList' satisfies LabelId, (value, { createError, path }) => {
        if (!Array.isArray(value) || value.length > max) return false;
        for (const [i, row] of value.entries()) {
          const found = fault(row);
          if (found) return createError({ ...found, path: `${path}[${i}]${found.at}` });
        }
        return true;
      }),
    {
      type: 'array',
      items: objectOf(lines.map(([key, bounds]) => [key, numberWithin(bounds)])),
      maxItems: max,
    },
  );
}

const numberWithin = ({ low, high, whole: counts }: Bounds): AnyShape =>
  counts ? whole(low, high) : real(low, high);

function isPlain(value: unknown): value is Readonly<Record<string, unknown>> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/**
 * The value, if its shape lets it through.
 * @throws RecordError naming the field (below `where`, if given), its value and what is wrong with it.
 */
export function checked<T>({ yup }: AnyShape, value: unknown, where = ''): T {
  try {
    (yup as Schema).validateSync(value, { strict: true, abortEarly: true });
  } catch (error) {
    if (error instanceof ValidationError) throw explain(error, value, where);
    // A value that is nested deeper than any record.
    if (error instanceof RangeError)
      throw new RecordError(where || WHOLE, message('problems.nested'));
    throw error;
  }
  return value as T;
}

function explain(error: ValidationError, record: unknown, where: string): RecordError {
  const path = error.path ?? '';
  const place = [where, path].filter((part) => part !== '').join('.');
  const value = valueAt(record, path);
  return new RecordError(
    place || WHOLE,
    message('problems.got', { reason: reasonOf(error, value), value: shown(value) }),
  );
}

/** Stands for a record as a whole where a place in it is named. */
const WHOLE = 'record';

/** What Yup found, as a message: by the id that a rule of ours carries, or by the rule of Yup’s own. */
function reasonOf({ message: said, type, params = {} }: ValidationError, value: unknown): Message {
  if (said.startsWith('problems.'))
    return { id: said as MessageId, args: params as Readonly<Record<string, string | number>> };
  const { min, max, more, type: wanted, values } = params as Readonly<Record<string, unknown>>;
  switch (type) {
    case 'typeError':
      return message('problems.type', { type: String(wanted) });
    case 'oneOf':
      return message('problems.oneOf', { values: String(values) });
    case 'integer':
      return message('problems.integer');
    case 'min':
      if (typeof more === 'number') return message('problems.above', { least: more });
      if (typeof value === 'string')
        return message('problems.fewestLetters', { least: Number(min) });
      return Array.isArray(value)
        ? message('problems.fewestItems', { least: Number(min) })
        : message('problems.atLeast', { least: Number(min) });
    case 'max':
      if (typeof value === 'string') return message('problems.mostLetters', { most: Number(max) });
      return Array.isArray(value)
        ? message('problems.mostItems', { most: Number(max) })
        : message('problems.atMost', { most: Number(max) });
    default:
      return message('problems.required');
  }
}

const SHOWN = 60;

function shown(value: unknown): Value {
  if (value === undefined) return message('problems.nothing');
  if (Array.isArray(value) && value.length > SHOWN)
    return message('problems.listOf', { count: value.length });
  try {
    return (JSON.stringify(value) ?? String(value)).slice(0, SHOWN);
  } catch {
    return '…';
  }
}

/** The value at a path such as `event.reading.at` or `partials[3].hz`. */
function valueAt(root: unknown, path: string): unknown {
  let node = root;
  for (const key of path.split(/[.[\]"]+/).filter((part) => part !== ''))
    node = (node as Record<string, unknown> | null | undefined)?.[key];
  return node;
}
