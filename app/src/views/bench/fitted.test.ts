import type { Restringing } from '@rosefinch/core/records';
import { expect } from 'chai';
import { fittedOf } from './useFitted.ts';

const put = (fittedAt: number, courses: readonly number[]) =>
  ({
    fittedAt,
    strings: courses.map((course) => ({ course, member: 1, material: 'nylon' })),
  }) as unknown as Restringing;

describe('when the strings were put on', () => {
  it('is the newest restringing of each, nothing where none is on record', () => {
    const courses = [1, 2, 3].map((number) => ({ number })) as never;
    expect(fittedOf({ courses }, [put(200, [2]), put(100, [1, 2])])).to.deep.equal([
      { at: 100, material: 'nylon' },
      { at: 200, material: 'nylon' },
      null,
    ]);
  });
});
