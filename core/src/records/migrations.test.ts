import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { FormatError, RecordError } from '../errors.ts';
import { readBackup, SCHEMA, writeBackup } from './index.ts';

const text = (schema: number) =>
  readFileSync(new URL(`./fixtures/backup-${schema}.json`, import.meta.url), 'utf8');
const plain = (value: unknown) =>
  JSON.parse(JSON.stringify(value, (_, v) => (v instanceof Float32Array ? [...v] : v)));

const SINCE_6 = { learners: [], earRuns: [] };
const SINCE_5 = { rounds: [], marks: [], climate: [], ...SINCE_6 };

/** Choices that were English phrases until schema 6: the field, the phrase, and its code today. */
const CHOICES: readonly (readonly [field: string, phrase: string, code: string])[] = [
  ['tighten', 'away from you', 'awayFromYou'],
  ['tighten', 'towards you', 'towardsYou'],
  ['tighten', 'counter-clockwise', 'counterClockwise'],
  ['layout', '2+2 and a side peg', '2+2+side'],
  ['layout', 'in line', 'inLine'],
  ['layout', 'in line, reversed', 'inLineReversed'],
  ['way', 'round by round', 'roundByRound'],
  ['way', 'five pulls', 'fivePulls'],
  ['way', 'any order', 'anyOrder'],
  ['way', 'roll call', 'rollCall'],
  ['standing', 'needs a string', 'needsString'],
  ['standing', 'to the repairer', 'toRepairer'],
  ['order', 'thickest first', 'thickestFirst'],
  ['order', 'thinnest first', 'thinnestFirst'],
  ['planOrder', 'thickest first', 'thickestFirst'],
  ['planOrder', 'thinnest first', 'thinnestFirst'],
  ['wires', 'as you look down', 'asYouLookDown'],
  ['wires', 'turned round', 'turnedRound'],
  ['moves', 'many small', 'manySmall'],
  ['moves', 'one bold', 'oneBold'],
  ['aid', 'all tones', 'allTones'],
  ['aid', 'one tone', 'oneTone'],
];

const inCodes = (dump: string) =>
  CHOICES.reduce(
    (now, [field, phrase, code]) =>
      now.replaceAll(
        new RegExp(`("${field}": ?)"${phrase.replaceAll('+', '\\+')}"`, 'g'),
        `$1"${code}"`,
      ),
    dump,
  );

/** What a dump holds beside its head, with a log of schema 3 and before as events and measurements. */
function heldBy(schema: number) {
  const {
    format: _,
    schema: __,
    exportedAt: ___,
    check: ____,
    log,
    settings,
    ...file
  } = JSON.parse(schema < 7 ? inCodes(text(schema)) : text(schema));
  if (schema >= 6) return { ...file, settings };
  if (schema === 5) return { ...SINCE_6, ...file, settings };
  if (schema === 4) return { ...SINCE_5, ...file, settings };
  const lines: Record<string, unknown>[] = log;
  return {
    tunings: [],
    restringings: [],
    fretChecks: [],
    ...SINCE_5,
    ...file,
    settings: [{ id: 'settings', value: settings }],
    events: lines.map(({ sessionId, seq, event }) => ({
      id: `${sessionId}:${seq}`,
      sessionId,
      machine: 'before schema 4',
      number: seq,
      event,
    })),
    measurements: lines.flatMap(({ sessionId, seq, measurement }) =>
      measurement ? [{ id: `${sessionId}:${seq}`, sessionId, ...measurement }] : [],
    ),
  };
}

describe('a dump of schema 1', () => {
  const peg = (kind: string, ratio: number, tighten: string) => ({
    kind,
    postMm: 6,
    ratio,
    tighten,
    known: 'assumed',
  });
  it('comes in field by field, its pegs and bridges as they were usual then', () => {
    const contents = plain(readBackup(text(1)));
    const held = heldBy(1);
    const [heron, linnet, lapwing] = held.instruments;
    const withPegs = (old: typeof heron, layout: string, bridge: string, pegs: unknown[]) => ({
      layout,
      bridge,
      ...old,
      courses: old.courses.map((course: { strings: object[] }, i: number) => ({
        ...course,
        strings: [{ ...course.strings[0], peg: pegs[i] }],
      })),
    });
    const [towards, away] = ['towardsYou', 'awayFromYou'].map((way) => peg('geared', 15, way));
    const onHead = ['counterClockwise', 'counterClockwise', 'clockwise', 'clockwise'];
    const planetary = onHead.map((way) => peg('planetary', 4, way));
    expect(contents).to.deep.equal({
      ...held,
      instruments: [
        withPegs(heron, '3+3', 'fixed', [towards, towards, towards, away, away, away]),
        withPegs(linnet, '2+2', 'fixed', linnet.courses.map(pegOf(contents.instruments[1]))),
        withPegs(lapwing, '2+2+side', 'loose', [
          ...planetary,
          contents.instruments[2].courses[4].strings[0].peg,
        ]),
      ],
    });
    expect(contents.instruments[1].courses[0].strings[0].peg).to.include({ known: 'assumed' });
    expect(contents.instruments[2].courses[4].strings[0].peg.kind).to.match(/geared|planetary/);
  });

  const pegOf =
    (instrument: { courses: { strings: { peg: object }[] }[] }) => (_: unknown, i: number) =>
      instrument.courses[i]!.strings[0]!.peg;

  it('that is damaged is refused at the place of the damage', () => {
    const file = JSON.parse(text(1));
    delete file.instruments[1].courses[0].strings[0].peg;
    expect(() => readBackup(JSON.stringify(file))).to.throw(RecordError, /instruments\[1\]/);
    file.instruments = 'none';
    expect(() => readBackup(JSON.stringify(file))).to.throw(RecordError, /instruments/);
  });
});

for (const schema of [2, 3, 4, 5, 6, 7, 8])
  describe(`a dump of schema ${schema}`, () => {
    it('comes in field by field', () => {
      expect(plain(readBackup(text(schema)))).to.deep.equal(plain(heldBy(schema)));
    });
  });

for (const schema of [1, 2, 3, 4, 5, 6, 7, 8])
  describe(`a dump of schema ${schema}`, () => {
    it('goes out again as the newest one, which reads the same', () => {
      const contents = readBackup(text(schema));
      const again = writeBackup(contents, new Date('2026-11-25T10:00:00Z'));
      expect(JSON.parse(again).schema).to.equal(SCHEMA);
      expect(readBackup(again)).to.deep.equal(contents);
    });
  });

describe('choices that were stored in English', () => {
  const file = () => {
    const whole = JSON.parse(text(6));
    whole.settings[0].value = { order: 'thinnest first', wires: 'turned round', moves: 'one bold' };
    whole.rounds[0].way = 'roll call';
    whole.rounds[0].entries[0].standing = 'to the repairer';
    whole.instruments[0].note = 'roll call';
    whole.instruments[0].courses[0].strings[0].peg.tighten = 'towards you';
    return whole;
  };
  const become = (contents: ReturnType<typeof readBackup>) => {
    const [heron] = contents.instruments;
    expect(contents.settings[0]!.value).to.include({
      order: 'thinnestFirst',
      wires: 'turnedRound',
      moves: 'oneBold',
    });
    expect(contents.rounds[0]).to.include({ way: 'rollCall' });
    expect(contents.rounds[0]!.entries[0]!.standing).to.equal('toRepairer');
    expect(heron!.courses[0]!.strings[0]!.peg.tighten).to.equal('towardsYou');
    // What a person typed stays as it is.
    expect(heron!.note).to.equal('roll call');
  };

  it('become codes in a backup of one piece', () => {
    become(readBackup(JSON.stringify(file())));
  });

  it('and in one that has a record a line', () => {
    const { format: _, schema: __, exportedAt, ...tables } = file();
    const lines = Object.entries(tables as Record<string, unknown[]>).map(
      ([name, list]) =>
        `"${name}":[${list.length === 0 ? '' : `\n${list.map((one) => JSON.stringify(one)).join(',\n')}\n`}]`,
    );
    become(
      readBackup(
        `{"format":"rosefinch-backup","schema":6,"exportedAt":"${exportedAt}",\n${lines.join(',\n')}\n}\n`,
      ),
    );
  });

  it('are left for the check to name where a record is damaged', () => {
    for (const damage of [null, 7, 'one', [1]]) {
      const whole = file();
      whole.rounds[0].entries = damage;
      expect(() => readBackup(JSON.stringify(whole))).to.throw(RecordError, 'rounds[0]');
    }
  });
});

describe('a backup that schema 4 wrote in lines', () => {
  it('comes in line by line, and only what it could not know is missing', () => {
    const contents = readBackup(text(4));
    const later = /"(rounds|marks|climate|learners|earRuns)":\[\n(.*\n)*?\],?\n/g;
    const lines = writeBackup(contents, new Date('2026-11-25T10:00:00Z'))
      .replace(/"schema":\d+/, '"schema":4')
      .replace(later, '')
      .replace(/\],\n"check".*\n\}\n$/, ']\n}\n');
    expect(lines).to.not.match(/rounds|marks|climate|learners|earRuns/);
    expect(readBackup(lines)).to.deep.equal(contents);
  });
});

describe('a schema that is no version', () => {
  for (const schema of ['constructor', 'toString', '__proto__', '2', null, Number.NaN, 0, 99, 2.5])
    it(`${JSON.stringify(schema)} is refused, and ends`, () => {
      const text = JSON.stringify({ format: 'rosefinch-backup', schema });
      expect(() => readBackup(text)).to.throw(FormatError);
    });
});
