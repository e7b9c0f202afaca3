import { readFileSync } from 'node:fs';
import Ajv2020 from 'ajv/dist/2020.js';
import { expect } from 'chai';
import { readBackup, SCHEMA, TABLE_NAMES, writeBackup } from './index.ts';
import { backupSchema } from './schema.ts';

const whole = (schema: number) =>
  readFileSync(new URL(`./fixtures/backup-${schema}.json`, import.meta.url), 'utf8');
const newest = () =>
  JSON.parse(writeBackup(readBackup(whole(SCHEMA)), new Date('2026-11-27T10:00:00Z')));
/** The words of a foreign reader: Ajv, draft 2020-12. */
const valid = new Ajv2020({ strict: true, allErrors: true }).compile(backupSchema());

describe('the form of a backup as JSON Schema', () => {
  it('lets through what this Rosefinch writes', () => {
    expect(valid(newest()), JSON.stringify(valid.errors)).to.equal(true);
  });

  it('knows every table', () => {
    for (const name of TABLE_NAMES) {
      const file = newest();
      delete file[name];
      expect(valid(file), name).to.equal(false);
    }
  });

  it('refuses what the records refuse: a wrong kind, a number out of bounds, an unknown word, an unknown field', () => {
    const changes: ((file: ReturnType<typeof newest>) => void)[] = [
      (file) => {
        file.sessions[0].a4 = '440';
      },
      (file) => {
        file.sessions[0].a4 = 4400;
      },
      (file) => {
        file.instruments[0].kind = 'harp';
      },
      (file) => {
        file.instruments[0].colour = 'red';
      },
      (file) => {
        delete file.earRuns[0].trials;
      },
      (file) => {
        file.events[0].event.type = 'sung';
      },
    ];
    for (const change of changes) {
      const file = newest();
      change(file);
      expect(valid(file), String(change)).to.equal(false);
      expect(() => readBackup(JSON.stringify(file)), String(change)).to.throw();
    }
  });

  it('is what ships with the app: npm run schema writes it', () => {
    const shipped = new URL('../../../app/public/backup.schema.json', import.meta.url);
    expect(JSON.parse(readFileSync(shipped, 'utf8'))).to.deep.equal(backupSchema());
  });
});
