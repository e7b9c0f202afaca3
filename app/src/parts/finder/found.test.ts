import { expect } from 'chai';
import { type FoundGroup, findIn } from './found.ts';

const entry = (label: string, more?: string) => ({
  id: label,
  label,
  ...(more !== undefined && { more }),
  act: () => {},
});
const GROUPS: readonly FoundGroup[] = [
  { group: 'Instruments', entries: [entry('Heron', 'guitar, Standard'), entry('Wren', 'ukulele')] },
  { group: 'Retune Heron', entries: [entry('Retune to Open D'), entry('Retune to Open G')] },
];
const found = (query: string) =>
  findIn(GROUPS, query).map(({ group, entries }) => [group, ...entries.map(({ label }) => label)]);

describe('a searched list', () => {
  it('is whole while nothing is typed', () => {
    expect(findIn(GROUPS, '  ')).to.deep.equal(GROUPS);
  });

  it('finds by every word, in any order, whatever the case, also in what is said of a thing', () => {
    expect(found('open d')).to.deep.equal([['Retune Heron', 'Retune to Open D']]);
    expect(found('D RETUNE')).to.deep.equal([['Retune Heron', 'Retune to Open D']]);
    expect(found('guitar')).to.deep.equal([['Instruments', 'Heron']]);
  });

  it('leaves out groups in which nothing fits', () => {
    expect(found('kazoo')).to.deep.equal([]);
  });
});
