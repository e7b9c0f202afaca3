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
    ['', /records\.airHead/],
    ['a,b\n1,2\n', /airHead.*a, b/],
    ['date,humidity\n10.03.2026,41\n', /airDate.*"line":2.*10\.03\.2026/],
    ['date,humidity\n2026-03-10,141\n', /airNumber.*humidity.*"line":2.*141.*0.*100/],
    ['date,temperature\n2026-03-10,warm\n', /airNumber.*celsius.*"line":2.*warm/],
    ['date,humidity\n', /noLineOfAir/],
    ['date,humidity\n2026-13-40,41\n', /airDate.*"line":2.*2026-13-40/],
  ];
  for (const [text, wanted] of bad)
    it(`is refused whole: ${JSON.stringify(text)}`, () => {
      const read = readAirCsv(text);
      expect(read.ok).to.equal(false);
      expect(read.ok ? '' : JSON.stringify(read.faults)).to.match(wanted);
    });
});
