import {
  type Instrument,
  layoutsFor,
  type Peg,
  type PegKind,
  type PegPlace,
  pegPlace,
  USUAL_RATIO,
  usualPeg,
} from '../strings/index.ts';

type Loose = Readonly<Record<string, unknown>>;

/**
 * From schema 1 to 2, instruments: pegs say what kind they are, and the instrument how
 * they stand and how its bridge is held, as is usual for it.
 */
export function instrumentWithPegKinds(old: Loose): Loose {
  const { kind, courses } = old as unknown as Instrument;
  const layout = layoutsFor(kind, courses.length)[0] ?? 'in line';
  return {
    layout,
    bridge: kind === 'banjo' ? 'loose' : 'fixed',
    ...old,
    courses: courses.map((course) => ({
      ...course,
      strings: course.strings.map((string) => ({
        ...string,
        peg: pegWithKind(string.peg, pegPlace(layout, course.number, courses.length)),
      })),
    })),
  };
}

/** The kind of peg to which its ratio comes nearest. */
function pegWithKind(peg: Omit<Peg, 'kind'>, place: PegPlace): Peg {
  const distance = (kind: PegKind) => Math.abs(Math.log(peg.ratio / USUAL_RATIO[kind]));
  const kinds = Object.keys(USUAL_RATIO) as PegKind[];
  const nearest = kinds.reduce((a, b) => (distance(b) < distance(a) ? b : a));
  // A direction that no test has shown is guessed anew, in the words for that kind.
  const { tighten } = peg.known === 'tested' ? peg : usualPeg(nearest, place);
  return { kind: nearest, ...peg, tighten };
}

/** From schema 1 to 2, whole backups: no tunings of the teacher's own were kept yet. */
function backupWithTunings(file: Loose): Loose {
  const { instruments } = file;
  return {
    tunings: [],
    ...file,
    schema: 2,
    // What is no list of instruments is for the check that follows to name.
    ...(Array.isArray(instruments) && { instruments: instruments.map(instrumentIfWhole) }),
  };
}

/** From schema 2 to 3, whole backups: no new strings were watched and no frets checked yet. */
function backupWithRestringings(file: Loose): Loose {
  return { restringings: [], fretChecks: [], ...file, schema: 3 };
}

function instrumentIfWhole(value: unknown): unknown {
  const whole =
    typeof value === 'object' &&
    value !== null &&
    Array.isArray((value as Loose).courses) &&
    ((value as Loose).courses as unknown[]).every((course) =>
      ((course as Loose | null)?.strings as unknown[] | undefined)?.every?.(
        (string) => typeof ((string as Loose | null)?.peg as Loose | undefined)?.ratio === 'number',
      ),
    );
  return whole ? instrumentWithPegKinds(value as Loose) : value;
}

/** By the schema that they start from. */
const MIGRATIONS: Readonly<Record<number, (file: Loose) => Loose>> = {
  1: backupWithTunings,
  2: backupWithRestringings,
};

/** A backup of an older schema as the newest one; what is wrong in it is left for the check. */
export function migrated(file: Loose): Loose {
  let now = file;
  for (;;) {
    const { schema } = now;
    // Only numbers are versions: a name would find what every object has.
    const step = typeof schema === 'number' ? MIGRATIONS[schema] : undefined;
    if (!step) return now;
    now = step(now);
  }
}
