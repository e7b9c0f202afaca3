import { expect } from 'chai';
import { message } from '../message.ts';
import { touchedInWords } from './touched.ts';

describe('a string that did not sound open', () => {
  it('is named with what can be known, and the way out', () => {
    expect(touchedInWords({ course: 6, node: 2 })).to.deep.equal({
      say: message('advice.touched', { string: 6, node: 2 }),
      more: message('advice.touched.more', { node: 2 }),
    });
    expect(touchedInWords({ course: 3, node: 3 }).say).to.deep.equal(
      message('advice.touched', { string: 3, node: 3 }),
    );
    expect(touchedInWords({ course: 3, node: 4 }).more).to.deep.equal(
      message('advice.touched.more', { node: 4 }),
    );
  });
});
