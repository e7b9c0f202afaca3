import type { EarRun, EarTrial } from '@rosefinch/core/ear';
import { expect } from 'chai';
import type { RosefinchDatabase } from './database.ts';
import { openFresh } from './openFixture.ts';
import type { Repository } from './repositories.ts';
import { StoreProblem } from './stored.ts';

const AT = Date.UTC(2026, 2, 10, 9);
const trial = (second: number): EarTrial => ({
  at: AT + 1000 * second,
  cell: 'low pluck',
  asked: -12,
  answer: 'lower',
});
const run = (id: string, learnerId: string | null): Omit<EarRun, 'trials' | 'doneAt'> => ({
  id,
  learnerId,
  exercise: 'direction',
  startedAt: AT,
  zone: 'Europe/Berlin',
});

describe('ears', () => {
  let db: RosefinchDatabase;
  let repository: Repository;
  beforeEach(async () => {
    ({ db, repository } = await openFresh());
  });
  afterEach(() => db.close());

  it('each answer is kept as it is given, those of before stay', async () => {
    await repository.ears.keep(run('a', null), [trial(1)]);
    await repository.ears.keep(run('a', null), [trial(2)]);
    const [kept] = await repository.ears.runs(null);
    expect(kept?.trials.map(({ at }) => at)).to.deep.equal([AT + 1000, AT + 2000]);
    expect(kept?.doneAt).to.equal(null);
    await repository.ears.endRun('a');
    expect((await repository.ears.runs(null))[0]?.doneAt).to.be.a('number');
  });

  it('two tabs that answer at once lose nothing', async () => {
    await Promise.all([1, 2, 3, 4].map((at) => repository.ears.keep(run('a', null), [trial(at)])));
    expect((await repository.ears.runs(null))[0]?.trials).to.have.length(4);
  });

  it('learners have their own runs, in the order of their names as people count', async () => {
    for (const name of ['Pupil 10', 'Pupil 2'])
      await repository.ears.saveLearner({ id: name, name });
    expect((await repository.ears.learners()).map(({ name }) => name)).to.deep.equal([
      'Pupil 2',
      'Pupil 10',
    ]);
    await repository.ears.keep(run('a', 'Pupil 2'), [trial(1)]);
    await repository.ears.keep(run('b', null), [trial(2)]);
    expect((await repository.ears.runs('Pupil 2')).map(({ id }) => id)).to.deep.equal(['a']);
    expect((await repository.ears.runs(null)).map(({ id }) => id)).to.deep.equal(['b']);
  });

  it('a learner goes with all answers, and comes back with them', async () => {
    await repository.ears.saveLearner({ id: 'x', name: 'R.' });
    await repository.ears.keep(run('a', 'x'), [trial(1)]);
    await repository.ears.keep(run('b', null), [trial(2)]);
    const undo = await repository.ears.deleteLearner('x');
    expect(await repository.ears.learners()).to.be.empty;
    expect(await repository.ears.runs('x')).to.be.empty;
    expect(await repository.ears.runs(null)).to.have.length(1);
    await undo();
    expect((await repository.ears.learners()).map(({ name }) => name)).to.deep.equal(['R.']);
    expect(await repository.ears.runs('x')).to.have.length(1);
  });

  it('what is no answer is refused, and what was there stays', async () => {
    await repository.ears.keep(run('a', null), [trial(1)]);
    const bad = { ...trial(2), asked: Number.NaN };
    const why = await repository.ears.keep(run('a', null), [bad]).catch((error: Error) => error);
    expect(why).to.be.instanceOf(StoreProblem);
    expect((await repository.ears.runs(null))[0]?.trials).to.have.length(1);
  });
});
