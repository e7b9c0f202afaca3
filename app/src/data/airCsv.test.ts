import { expect } from 'chai';
import { readAirCsv } from './airCsv.ts';

describe('the table of a logger', () => {
  it('becomes the means of its days, whatever its decimal sign and its columns', () => {
    const text =
      'Time;Temp °C;Humidity %\n2026-03-10 09:00;20,4;41\n2026-03-10 15:00;21,4;43\n2026-03-11T09:00;20;\n';
    expect(readAirCsv(text)).to.deep.equal({
      ok: true,
      lines: 3,
      days: [
        { id: '2026-03-10', celsius: 20.9, humidity: 42 },
        { id: '2026-03-11', celsius: 20 },
      ],
    });
  });

  const bad: readonly (readonly [string, RegExp])[] = [
    ['', /Line 1 must name a column of times/],
    ['a,b\n1,2\n', /it says: a, b/],
    ['date,humidity\n10.03.2026,41\n', /Line 2: “10.03.2026” is no date like/],
    ['date,humidity\n2026-03-10,141\n', /Line 2: humidity “141” is no number from 0 to 100/],
    ['date,temperature\n2026-03-10,warm\n', /Line 2: celsius “warm”/],
    ['date,humidity\n', /no line below/],
    ['date,humidity\n2026-13-40,41\n', /Line 2: “2026-13-40” is no date/],
  ];
  for (const [text, wanted] of bad)
    it(`is refused whole: ${JSON.stringify(text)}`, () => {
      const read = readAirCsv(text);
      expect(read.ok).to.equal(false);
      expect(read.ok ? '' : read.faults.join()).to.match(wanted);
    });
});
