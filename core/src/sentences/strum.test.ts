import { expect } from 'chai';
import { list, message } from '../message.ts';
import { strumInWords } from './strum.ts';

describe('the words of a strum', () => {
  it('name the strings that are off, and with which one to begin', () => {
    expect(
      strumInWords({
        right: [6, 4, 3, 1],
        off: [
          { course: 5, cents: -12.3 },
          { course: 2, cents: 4 },
        ],
        alone: [],
        like: [],
      }),
    ).to.deep.equal({
      say: message('advice.someOff', { count: 2, strings: list([2, 5], 'and') }),
      more: message('advice.beginWith', {
        side: 'low',
        string: 5,
        distance: message('common.cents', { cents: 12.3 }),
      }),
    });
    const one = strumInWords({
      right: [1, 2, 3],
      off: [{ course: 4, cents: 130 }],
      alone: [],
      like: [],
    });
    expect(one.say).to.deep.equal(
      message('advice.someOff', { count: 1, strings: list([4], 'and') }),
    );
    expect(one.more).to.deep.equal(
      message('advice.beginWith', {
        side: 'high',
        string: 4,
        distance: message('common.aboutASemitone'),
      }),
    );
    const off = [4, 3, 2].map((course) => ({ course, cents: 5 }));
    expect(strumInWords({ right: [], off, alone: [], like: [] }).say).to.deep.equal(
      message('advice.allOff'),
    );
    expect(strumInWords({ right: [], off, alone: [1], like: [] }).say).to.deep.equal(
      message('advice.stringsOff', { count: 3, strings: list([2, 3, 4], 'and') }),
    );
  });

  it('ask for what did not come through, alone, before anything else', () => {
    expect(strumInWords({ right: [1, 2], off: [], alone: [4, 3], like: [] })).to.deep.equal({
      say: message('advice.heardAreRight'),
      more: message('advice.pluckAlone', { count: 2, strings: list([3, 4], 'and') }),
    });
    const { more } = strumInWords({
      right: [1],
      off: [{ course: 2, cents: 9 }],
      alone: [3],
      like: [],
    });
    expect(more).to.deep.equal(
      message('advice.pluckAlone', { count: 1, strings: list([3], 'and') }),
    );
    expect(strumInWords({ right: [], off: [], alone: [1, 2], like: [] }).say).to.deep.equal(
      message('advice.noString'),
    );
    expect(strumInWords({ right: [1, 2], off: [], alone: [], like: [] }).say).to.deep.equal(
      message('advice.allRight'),
    );
  });
});
