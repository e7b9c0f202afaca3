import { expect } from 'chai';
import { Questions } from './questions.ts';

describe('what was asked', () => {
  it('goes on counting where the view before had come to', () => {
    const questions = new Questions<string>(8);
    expect(['E', 'A'].map((string) => questions.put(string))).to.deep.equal([8, 9]);
  });

  it('is what was asked when the note began, whatever is asked since', () => {
    const questions = new Questions<string>(1);
    questions.put('E');
    questions.rings(1);
    questions.put('A');
    expect(questions.ringing()).to.deep.equal({ asked: 'E' });
    questions.rings(2);
    expect(questions.ringing()).to.deep.equal({ asked: 'A' });
  });

  it('is nobody’s for a note that began in another view, and before the first', () => {
    const questions = new Questions<string>(5);
    expect(questions.ringing()).to.equal(null);
    questions.put('E');
    questions.rings(4);
    expect(questions.ringing()).to.equal(null);
    questions.rings(5);
    expect(questions.ringing()).to.deep.equal({ asked: 'E' });
  });

  it('may be that nothing is asked for, which is not the same', () => {
    const questions = new Questions<string | null>(1);
    questions.put(null);
    questions.rings(1);
    expect(questions.ringing()).to.deep.equal({ asked: null });
  });

  it('is the newest where so much was asked since that it is forgotten', () => {
    const questions = new Questions<number>(1);
    for (let nth = 1; nth <= 300; nth++) questions.put(nth);
    questions.rings(1);
    expect(questions.ringing()).to.deep.equal({ asked: 300 });
    questions.rings(250);
    expect(questions.ringing()).to.deep.equal({ asked: 250 });
  });
});
