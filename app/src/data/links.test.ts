import { FormatError, RecordError } from '@rosefinch/core/errors';
import { type OwnTuning, TUNINGS } from '@rosefinch/core/music';
import type { Linked } from '@rosefinch/core/records';
import { expect } from 'chai';
import fc from 'fast-check';
import { readLink, writeLink } from './links.ts';

const NAMED: OwnTuning[] = TUNINGS.map(({ aliases: _, ...tuning }) => ({
  ...tuning,
  name: tuning.id,
}));
const [STANDARD, OTHER] = NAMED as [OwnTuning, OwnTuning];

describe('links', () => {
  it('every tuning of the catalogue goes through a link and comes out as it was', () => {
    for (const tuning of NAMED) {
      const link = writeLink({ kind: 'tuning', tuning });
      expect(link, tuning.name).to.match(/^v1\.[\w-]+$/);
      expect(link.length).to.be.lessThan(1000);
      expect(readLink(`#${link}`)).to.deep.equal({ kind: 'tuning', tuning });
    }
  });

  it('any name does, whatever its letters', () => {
    fc.assert(
      fc.property(fc.string({ minLength: 1, maxLength: 60, unit: 'grapheme' }), (name) => {
        const tuning = { ...STANDARD, name: name.slice(0, 200) };
        const read = readLink(writeLink({ kind: 'tuning', tuning }));
        expect(read).to.deep.equal({ kind: 'tuning', tuning });
      }),
      { seed: 5, numRuns: 200 },
    );
  });

  it('plans and exercises too', () => {
    const all: Linked[] = [
      { kind: 'plan', from: STANDARD, to: OTHER },
      { kind: 'exercise', exercise: 'beats', minute: true },
      { kind: 'exercise', exercise: 'sing' },
    ];
    for (const one of all) expect(readLink(writeLink(one))).to.deep.equal(one);
  });

  it('what is no link, cut short, changed or newer is refused and says so', () => {
    const good = writeLink({ kind: 'tuning', tuning: STANDARD });
    expect(() => readLink('')).to.throw(FormatError, 'problems.noLink');
    expect(() => readLink('#top')).to.throw(FormatError, 'problems.noLink');
    expect(() => readLink('v2.abc')).to.throw(FormatError, 'problems.linkNewer');
    expect(() => readLink(`v1.${'a'.repeat(9000)}`)).to.throw(FormatError, 'problems.linkTooLong');
    for (let cut = 4; cut < good.length; cut += 7)
      expect(() => readLink(good.slice(0, cut)), String(cut)).to.throw();
  });

  it('what a link must not hold names its field', () => {
    const link = (what: unknown) => writeLink(what as Linked);
    expect(() =>
      readLink(link({ kind: 'tuning', tuning: { ...STANDARD, courses: [[4]] } })),
    ).to.throw(RecordError, 'courses');
    expect(() => readLink(link({ kind: 'tuning', tuning: STANDARD, more: 1 }))).to.throw(
      RecordError,
    );
    expect(() => readLink(link({ kind: 'exercise', exercise: 'dance' }))).to.throw(
      RecordError,
      'exercise',
    );
    expect(() => readLink(link({ kind: 'settings' }))).to.throw(RecordError, 'kind');
  });
});
