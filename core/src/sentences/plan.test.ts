import { expect } from 'chai';
import { lengthValue, message, moment } from '../message.ts';
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
    const known = (now: number) => knownSinceInWords(left, 'Standard', now);
    expect(known(at + 3_600_000)).to.deep.equal(
      message('retune.knownSince', {
        when: moment(1795511100000, { now: 1795514700000, zone: 'Europe/London' }, 'spoken moment'),
      }),
    );
    expect(known(at + 40 * 3_600_000)).to.deep.equal(
      message('retune.knownSince', {
        when: moment(1795511100000, { now: 1795655100000, zone: 'Europe/London' }, 'spoken moment'),
      }),
    );
    expect(knownSinceInWords(null, 'Standard', at)).to.deep.equal(
      message('retune.nothingRead', { tuning: 'Standard' }),
    );
  });

  it('name a string that would serve, and do not where none would', () => {
    const other = { material: 'steel', diameterMm: 0.4, tension: 63.4 } as const;
    expect(warningInWords({ kind: 'tight', course: 3, share: 1.78, other })).to.deep.equal([
      message('retune.tight', { string: 3, percent: 178 }),
      message('retune.needsOther', {
        material: 'steel',
        diameter: lengthValue(0.4, 2),
        newtons: 63.4,
      }),
    ]);
    expect(warningInWords({ kind: 'slack', course: 4, share: 0.25, other: null })).to.deep.equal([
      message('retune.slack', { string: 4, percent: 25 }),
      message('retune.needsHeavier'),
    ]);
    expect(warningInWords({ kind: 'caution', course: 1, headroom: 2.4, other })).to.deep.equal(
      message('retune.caution', { string: 1, semitones: 2.4 }),
    );
    expect(warningInWords({ kind: 'floating' })).to.deep.equal(message('retune.floating'));
  });

  it('say why the strings come in their order, and what it costs', () => {
    expect(reasonInWords({ kind: 'thinnestFirst' })).to.deep.equal(message('retune.thinnestFirst'));
    expect(reasonInWords({ kind: 'thickestFirst' })).to.deep.equal(message('retune.thickestFirst'));
    const planned = { kind: 'planned', steps: 4, unreferenced: 0, rechecks: 0 } as const;
    expect(reasonInWords(planned)).to.deep.equal(
      message('retune.planned', { steps: 4, unreferenced: 0, rechecks: 0 }),
    );
    expect(reasonInWords({ ...planned, unreferenced: 1, rechecks: 2 })).to.deep.equal(
      message('retune.planned', { steps: 4, unreferenced: 1, rechecks: 2 }),
    );
    expect(roundsInWords(1)).to.deep.equal(message('retune.rounds', { passes: 1 }));
  });

  it('offer a capo, and say what it leaves out', () => {
    expect(capoWayInWords('Open G', 2)).to.deep.equal(
      message('retune.capoWay', { tuning: 'Open G', fret: 2 }),
    );
    expect(shortStringInWords(5, 5, 2)).to.deep.equal(
      message('retune.shortString', { string: 5, fret: 7 }),
    );
  });
});
