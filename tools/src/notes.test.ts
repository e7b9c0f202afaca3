import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { measureWav } from './lines.ts';

const folder = new URL('../notes/', import.meta.url);
const notes: { file: string; reportedHz: number; uncertaintyCents: number }[] = JSON.parse(
  readFileSync(new URL('offline.json', folder), 'utf8'),
);

describe('real notes, measured elsewhere', () => {
  for (const { file, reportedHz, uncertaintyCents } of notes)
    it(`${file} agrees within the errors of both`, () => {
      const lines = measureWav(file, readFileSync(new URL(file, folder)), 'chromatic', 440);
      expect(lines.map((line) => line.outcome)).to.deep.equal(['reading']);
      const [line] = lines;
      const difference = Math.abs(1200 * Math.log2(line!.hz! / reportedHz));
      expect(difference).to.be.below(uncertaintyCents + 2 * line!.error!);
    });
});
