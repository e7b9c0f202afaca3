/**
 * Steps from one released schema to the next. Each is frozen: it is only ever added to the
 * end, changes nothing but what it is given, and carries its own constants, so that whatever
 * the rest of the app becomes an old file means what it meant.
 */
type Loose = Readonly<Record<string, unknown>>;

/** Pegs as they were guessed for schema 2. */
const SCHEMA_2_RATIOS = { geared: 15, planetary: 4, direct: 1 } as const;
type Schema2PegKind = keyof typeof SCHEMA_2_RATIOS;

/**
 * From schema 1 to 2, instruments: pegs say what kind they are, and the instrument how
 * they stand and how its bridge is held, as was usual for it.
 */
export function instrument1to2(old: Loose): Loose {
  const { kind } = old;
  const courses = old.courses as readonly { number: number; strings: readonly Loose[] }[];
  const layout = schema2Layout(kind, courses.length);
  return {
    layout,
    bridge: kind === 'banjo' ? 'loose' : 'fixed',
    ...old,
    courses: courses.map((course) => ({
      ...course,
      strings: course.strings.map((string) => ({
        ...string,
        peg: schema2Peg(string.peg as Loose, schema2Row(layout, course.number, courses.length)),
      })),
    })),
  };
}

function schema2Layout(kind: unknown, courses: number): string {
  if (kind === 'banjo' && courses === 5) return '2+2 and a side peg';
  return { 4: '2+2', 6: '3+3', 7: '4+3' }[courses] ?? 'in line';
}

function schema2Row(layout: string, course: number, courses: number): 'upper' | 'lower' | 'side' {
  if (layout === 'in line') return 'upper';
  const side = layout === '2+2 and a side peg';
  if (side && course === courses) return 'side';
  const onHead = side ? courses - 1 : courses;
  return course <= Math.floor(onHead / 2) ? 'lower' : 'upper';
}

/** The kind of peg to which its ratio comes nearest; a direction that no test has shown is guessed anew. */
function schema2Peg(peg: Loose, row: 'upper' | 'lower' | 'side'): Loose {
  const distance = (kind: Schema2PegKind) =>
    Math.abs(Math.log((peg.ratio as number) / SCHEMA_2_RATIOS[kind]));
  const kinds = Object.keys(SCHEMA_2_RATIOS) as Schema2PegKind[];
  const kind = kinds.reduce((a, b) => (distance(b) < distance(a) ? b : a));
  const upper = row === 'upper';
  const guess =
    kind === 'geared'
      ? upper
        ? 'away from you'
        : 'towards you'
      : upper
        ? 'clockwise'
        : 'counter-clockwise';
  return { kind, ...peg, tighten: peg.known === 'tested' ? peg.tighten : guess };
}

/** From schema 1 to 2: no tunings of the teacher's own were kept yet. */
function from1to2(file: Loose): Loose {
  return { tunings: [], ...file, ...mapped(file, 'instruments', instrumentIfWhole), schema: 2 };
}

function instrumentIfWhole(value: Loose): Loose {
  const whole =
    Array.isArray(value.courses) &&
    (value.courses as unknown[]).every((course) =>
      ((course as Loose | null)?.strings as unknown[] | undefined)?.every?.(
        (string) => typeof ((string as Loose | null)?.peg as Loose | undefined)?.ratio === 'number',
      ),
    );
  return whole ? instrument1to2(value) : value;
}

/** From schema 2 to 3: no new strings were watched and no frets checked yet. */
function from2to3(file: Loose): Loose {
  return { restringings: [], fretChecks: [], ...file, schema: 3 };
}

/** Where events were stored before machines had names. */
const SCHEMA_4_MACHINE = 'before schema 4';

/**
 * From schema 3 to 4, one line of a log: it gets an id of its own, which is the same whenever
 * it comes in, its place in the session becomes its number, and its measurement stands apart.
 */
export function logEntry3to4(old: Loose): { readonly event: Loose; readonly measurement: Loose[] } {
  const { sessionId, seq, measurement, ...rest } = old;
  const id = `${sessionId}:${seq}`;
  return {
    event: { id, sessionId, machine: SCHEMA_4_MACHINE, number: seq, ...rest },
    measurement: isRecord(measurement) ? [{ id, sessionId, ...measurement }] : [],
  };
}

/** From schema 3 to 4: events and measurements are tables of their own, settings a record. */
function from3to4(file: Loose): Loose {
  const { log, settings, ...rest } = file;
  const lines = Array.isArray(log)
    ? log.map((entry: unknown) =>
        isRecord(entry) ? logEntry3to4(entry) : { event: entry, measurement: [] },
      )
    : null;
  return {
    ...rest,
    settings: [{ id: 'settings', value: settings }],
    // What is no list is for the check that follows to name.
    events: lines ? lines.map(({ event }) => event) : log,
    measurements: lines ? lines.flatMap(({ measurement }) => measurement) : [],
    schema: 4,
  };
}

/** From schema 4 to 5: no rounds were made, nothing was noted of an instrument, and no air was kept. */
function from4to5(file: Loose): Loose {
  return { rounds: [], marks: [], climate: [], ...file, schema: 5 };
}

/** From schema 5 to 6: nobody had practised their ear yet. */
function from5to6(file: Loose): Loose {
  return { learners: [], earRuns: [], ...file, schema: 6 };
}

/** Choices as they were stored in English until schema 6, with their codes since schema 7. */
const SCHEMA_7_CODES: Readonly<Record<string, string>> = {
  'away from you': 'awayFromYou',
  'towards you': 'towardsYou',
  'counter-clockwise': 'counterClockwise',
  '2+2 and a side peg': '2+2+side',
  'in line': 'inLine',
  'in line, reversed': 'inLineReversed',
  'round by round': 'roundByRound',
  'five pulls': 'fivePulls',
  'needs a string': 'needsString',
  'to the repairer': 'toRepairer',
  'any order': 'anyOrder',
  'roll call': 'rollCall',
  'thickest first': 'thickestFirst',
  'thinnest first': 'thinnestFirst',
  'as you look down': 'asYouLookDown',
  'turned round': 'turnedRound',
  'many small': 'manySmall',
  'one bold': 'oneBold',
  'all tones': 'allTones',
  'one tone': 'oneTone',
};

/** The fields that hold such choices, by table; a path names the fields above each. */
const SCHEMA_7_PLACES: Readonly<Record<string, readonly (readonly string[])[]>> = {
  settings: [
    ['value', 'order'],
    ['value', 'planOrder'],
    ['value', 'wires'],
    ['value', 'moves'],
  ],
  instruments: [['layout'], ['courses', 'strings', 'peg', 'tighten']],
  restringings: [['way']],
  rounds: [['way'], ['entries', 'standing']],
  earRuns: [['aid']],
};

/** The tables whose records differ between schema 6 and 7. */
export const CODED_IN_7 = Object.keys(SCHEMA_7_PLACES);

/** From schema 6 to 7, one record of a table: its choices are codes. */
export function record6to7(table: string, record: Loose): Loose {
  return (SCHEMA_7_PLACES[table] ?? []).reduce<Loose>(
    (now, place) => coded(now, place) as Loose,
    record,
  );
}

function coded(value: unknown, place: readonly string[]): unknown {
  if (Array.isArray(value)) return value.map((one: unknown) => coded(one, place));
  const [field, ...below] = place;
  if (field === undefined)
    return typeof value === 'string' && Object.hasOwn(SCHEMA_7_CODES, value)
      ? SCHEMA_7_CODES[value]
      : value;
  // What has no such field, or is no record, is for the check that follows to name.
  if (!isRecord(value) || !Object.hasOwn(value, field)) return value;
  return { ...value, [field]: coded(value[field], below) };
}

function from6to7(file: Loose): Loose {
  const tables = CODED_IN_7.map((table) =>
    mapped(file, table, (record) => record6to7(table, record)),
  );
  return Object.assign({}, file, ...tables, { schema: 7 }) as Loose;
}

/** Converts one record of a backup that has a record a line to the newest schema. */
export function migratedRecord(table: string, record: unknown, schema: number): unknown {
  return schema < 7 && isRecord(record) ? record6to7(table, record) : record;
}

function mapped(file: Loose, table: string, change: (record: Loose) => Loose): Loose {
  const list = file[table];
  // What is no list, or no record, is for the check that follows to name.
  if (!Array.isArray(list)) return {};
  return { [table]: list.map((value: unknown) => (isRecord(value) ? change(value) : value)) };
}

function isRecord(value: unknown): value is Loose {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** By the schema that they start from, 1 first. */
const STEPS: readonly ((file: Loose) => Loose)[] = [
  from1to2,
  from2to3,
  from3to4,
  from4to5,
  from5to6,
  from6to7,
  // Schema 8 added the check line; no record changed.
  (file) => file,
];

/** A backup of an older schema as the newest one; what is wrong in it is left for the check. */
export function migrated(file: Loose, schema: number): Loose {
  return STEPS.slice(schema - 1).reduce((now, step) => step(now), file);
}
