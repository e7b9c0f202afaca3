import { expect } from 'chai';
import { Watchdog } from './watchdog.ts';

/** A helper that answers as long as it is told to, and the turns of the clock. */
function watched() {
  let turn = () => {};
  const told: string[] = [];
  let answers = true;
  let stopped = false;
  const dog: Watchdog = new Watchdog(
    () => {
      if (answers) dog.answered();
    },
    () => told.push('silent'),
    (act) => {
      turn = () => {
        if (!stopped) act();
      };
      return () => {
        stopped = true;
      };
    },
  );
  const die = () => {
    answers = false;
  };
  return { turn: () => turn(), told, dog, die };
}

describe('a watchdog', () => {
  it('says nothing of a helper that answers', () => {
    const { turn, told } = watched();
    for (let i = 0; i < 100; i++) turn();
    expect(told).to.deep.equal([]);
  });

  it('tells once of one that does not, after two questions', () => {
    const { turn, told, die } = watched();
    turn();
    die();
    turn();
    turn();
    expect(told).to.deep.equal([]);
    for (let i = 0; i < 5; i++) turn();
    expect(told).to.deep.equal(['silent']);
  });

  it('takes any word for an answer, and asks no more once it is stopped', () => {
    const { turn, told, dog, die } = watched();
    die();
    for (let i = 0; i < 20; i++) {
      turn();
      dog.answered();
    }
    dog.stop();
    for (let i = 0; i < 5; i++) turn();
    expect(told).to.deep.equal([]);
  });
});
