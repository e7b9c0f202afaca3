import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { RecordError } from '../errors.ts';
import { readBackup, saltmarshLibrary, writeBackup } from './index.ts';

const text = (schema = 1) =>
  readFileSync(new URL(`./fixtures/backup-${schema}.json`, import.meta.url), 'utf8');

describe('a backup of schema 1', () => {
  it('comes in with nothing lost, its instruments as they are built today', () => {
    const contents = readBackup(text());
    const library = new Map(saltmarshLibrary().map((entry) => [entry.id, entry]));
    expect(contents.instruments.map(({ id }) => id)).to.deep.equal(['heron', 'linnet', 'lapwing']);
    for (const instrument of contents.instruments) {
      const { homeTuningId: _, archived: __, ...facts } = instrument;
      const { tuningId, ...today } = library.get(instrument.id)!;
      expect(facts).to.deep.equal({ ...today, tuningId: instrument.tuningId });
    }
    expect(contents.instruments[0]!.homeTuningId).to.equal('guitar-standard');
    expect(contents.instruments[1]!.archived).to.equal(true);
    expect(contents.tunings).to.deep.equal([]);
    expect(contents.log).to.have.length(2);
  });

  it('goes out again as the newest schema, which reads the same', () => {
    const contents = readBackup(text());
    const again = writeBackup(contents, new Date('2026-11-25T10:00:00Z'));
    expect(JSON.parse(again).schema).to.equal(3);
    expect(readBackup(again)).to.deep.equal(contents);
  });

  it('that is damaged is refused at the place of the damage', () => {
    const file = JSON.parse(text());
    delete file.instruments[1].courses[0].strings[0].peg;
    expect(() => readBackup(JSON.stringify(file))).to.throw(RecordError, /instruments\[1\]/);
    file.instruments = 'none';
    expect(() => readBackup(JSON.stringify(file))).to.throw(RecordError, /instruments/);
  });
});

describe('a backup of schema 2', () => {
  it('comes in as it was, with no new strings watched', () => {
    const { schema: _, format: __, exportedAt: ___, ...file } = JSON.parse(text(2));
    const contents = readBackup(text(2));
    expect(contents.restringings).to.deep.equal([]);
    expect(contents.fretChecks).to.deep.equal([]);
    expect(JSON.parse(JSON.stringify(contents))).to.deep.equal({
      ...file,
      restringings: [],
      fretChecks: [],
    });
    expect(contents.tunings.map(({ name }) => name)).to.deep.equal(['Marsh']);
    expect(contents.log).to.have.length(5);
  });
});

describe('a schema that is no version', () => {
  for (const schema of ['constructor', 'toString', '__proto__', '2', null, Number.NaN, 0, 99, 2.5])
    it(`${JSON.stringify(schema)} is refused, and ends`, () => {
      const text = JSON.stringify({ format: 'rosefinch-backup', schema });
      expect(() => readBackup(text)).to.throw(Error);
    });
});
