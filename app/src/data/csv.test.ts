import { expect } from 'chai';
import Papa from 'papaparse';
import { csvText } from './csv.ts';

const COLUMNS = ['name', 'cents'] as const;

describe('a table as CSV', () => {
  it('has its heading even when there is nothing below it, and a byte-order mark', () => {
    expect(csvText(COLUMNS, [], 'en-GB')).to.equal('\uFEFFname,cents\r\n');
  });

  it('gives numbers as numbers, low ones too', () => {
    const text = csvText(COLUMNS, [{ name: 'Wren', cents: -23.2 }], 'en-GB');
    const { data } = Papa.parse(text, { header: true, dynamicTyping: true, skipEmptyLines: true });
    expect(data).to.deep.equal([{ name: 'Wren', cents: -23.2 }]);
  });

  it('writes a decimal comma, and semicolons between, where the reader does', () => {
    const text = csvText(COLUMNS, [{ name: 'Wren, old', cents: -23.2 }], 'de-DE');
    expect(text).to.equal('\uFEFFname;cents\r\nWren, old;-23,2\r\n');
  });

  for (const name of ['=1+1', '+49', '-x', '@here', '\tx'])
    it(`takes ${JSON.stringify(name)} for words, not for a formula`, () => {
      const [row] = Papa.parse<{ name: string }>(
        csvText(COLUMNS, [{ name, cents: null }], 'en-GB'),
        {
          header: true,
          skipEmptyLines: true,
        },
      ).data;
      expect(row?.name).to.equal(`'${name}`);
    });
});
