import { expect } from 'chai';
import {
  capoWayInWords,
  knownSinceInWords,
  reasonInWords,
  roundsInWords,
  shortStringInWords,
  warningInWords,
} from './plan.ts';

describe('plans in words', () => {
  it('say from when the strings are known, never cents without their date', () => {
    const at = Date.UTC(2026, 10, 24, 9, 5);
    const left = { at, zone: 'Europe/London' };
    const known = (now: number) => knownSinceInWords(left, 'Standard', now, 'en-GB');
    expect(known(at + 3_600_000)).to.equal('As they were left today 09:05; they are read first.');
    expect(known(at + 40 * 3_600_000)).to.match(/^As they were left Tue,? 24 Nov 09:05;/);
    expect(knownSinceInWords(null, 'Standard', at, 'en-GB')).to.equal(
      'No string was read yet: as Standard has them.',
    );
  });

  it('name a string that would serve, and do not where none would', () => {
    const other = { material: 'steel', diameterMm: 0.4, tension: 63.4 } as const;
    expect(warningInWords({ kind: 'tight', course: 3, share: 1.78, other })).to.equal(
      'String 3 would carry 178 % of its usual tension. It needs another string: an unwound steel one of 0.40 mm would stand at 63 N.',
    );
    expect(warningInWords({ kind: 'slack', course: 4, share: 0.25, other: null })).to.equal(
      'String 4 keeps 25 % of its usual tension and will flap. It needs a heavier string.',
    );
    expect(warningInWords({ kind: 'caution', course: 1, headroom: 2.4, other })).to.equal(
      'String 1 comes within 2.4 semitones of breaking. Face away; go slowly.',
    );
    expect(warningInWords({ kind: 'floating' })).to.match(/^The bridge floats/);
  });

  it('say why the strings come in their order, and what it costs', () => {
    expect(reasonInWords({ kind: 'thinnest first' })).to.equal('Thinnest string first.');
    expect(reasonInWords({ kind: 'thickest first' })).to.equal('Thickest string first.');
    const planned = { kind: 'planned', steps: 4, unreferenced: 0, rechecks: 0 } as const;
    expect(reasonInWords(planned)).to.equal(
      'In this order the load swings least, and every step has a string to compare with.',
    );
    expect(reasonInWords({ ...planned, unreferenced: 1, rechecks: 2 })).to.equal(
      'In this order the load swings least, and 1 of 4 steps need the reference tone; 2 of them will have to be looked at again.',
    );
    expect(roundsInWords(1)).to.equal('1 round, the last look included.');
  });

  it('offer a capo, and say what it leaves out', () => {
    expect(capoWayInWords('Open G', 2)).to.match(/^Open G with a capo at fret 2 sounds the same/);
    expect(shortStringInWords(5, 5, 2)).to.match(
      /^String 5 is not under the capo: hold it by a spike at fret 7/,
    );
  });
});
