import { saltmarshLibrary } from '@rosefinch/core/demo';
import { newRound } from '@rosefinch/core/rounds';
import type { Session } from '@rosefinch/core/sitting';
import { DAY_MS } from '@rosefinch/core/units';
import { expect } from 'chai';
import { Dexie } from 'dexie';
import { databaseName, RosefinchDatabase } from './database.ts';
import { openFresh } from './openFixture.ts';
import { Repository } from './repositories.ts';
import { StoreProblem } from './stored.ts';

const AT = Date.UTC(2026, 2, 10, 9);
const [HERON] = saltmarshLibrary();
if (!HERON) throw new Error('the library is empty');

const sitting = (id: string, days: number, change: Partial<Session> = {}): Session => ({
  id,
  instrumentId: HERON.id,
  tuningId: HERON.tuningId,
  a4: 440,
  tolerance: 2,
  source: 'microphone',
  startedAt: AT + days * DAY_MS,
  zone: 'UTC',
  endedAt: null,
  ...change,
});

describe('the chronicle', () => {
  let db: RosefinchDatabase;
  let repository: Repository;
  beforeEach(async () => {
    ({ db, repository } = await openFresh());
    await repository.addInstruments([HERON]);
  });
  afterEach(() => db.close());

  const sat = async (session: Session, cents: number) => {
    const reading = { course: 6, cents, errorCents: 0.4, moving: false, hz: 82 };
    repository.log.append(session, { type: 'reading', at: session.startedAt, reading });
    await repository.log.outbox.flush();
  };
  const mark = (id: string, at: number) => ({
    id,
    instrumentId: HERON.id,
    kind: 'loan' as const,
    at,
    until: null,
    zone: 'UTC',
    text: '',
  });

  it('tells the life of an instrument, oldest first, without what tells nothing of it', async () => {
    await sat(sitting('b', 2), -4);
    await sat(sitting('a', 1), 3);
    await sat(sitting('practice', 3, { source: 'practice', practiceSeed: 1 }), 9);
    await repository.chronicle.saveMark(mark('m', AT));
    const life = (await repository.chronicle.lives()).get(HERON.id);
    expect(life?.sittings.map(({ session }) => session.id)).to.deep.equal(['a', 'b']);
    expect(life?.sittings[1]?.summary.strings[5]).to.deep.include({ found: -4, foundError: 0.4 });
    expect(life?.marks).to.have.length(1);
    expect((await repository.chronicle.lives('another')).size).to.equal(0);
  });

  it('a mark is taken out and comes back', async () => {
    await repository.chronicle.saveMark(mark('m', AT));
    const back = await repository.chronicle.deleteMark('m');
    expect(await db.marks.count()).to.equal(0);
    await back();
    expect(await db.marks.count()).to.equal(1);
  });

  const round = (id: string, madeAt: number) =>
    newRound({ id, name: 'Class', way: 'anyOrder', madeAt, zone: 'UTC', by: null }, [
      { instrumentId: HERON.id, minutes: 1 },
    ]);

  it('one round is open at a time, and what happens in it is kept', async () => {
    const { chronicle } = repository;
    await chronicle.beginRound(round('one', AT));
    await chronicle.changeRound('one', { type: 'take', instrumentId: HERON.id });
    expect((await chronicle.openRound())?.inHand).to.equal(HERON.id);
    await chronicle.beginRound(round('two', AT + 1));
    expect((await chronicle.openRound())?.id).to.equal('two');
    expect((await chronicle.rounds()).map(({ id }) => id)).to.deep.equal(['two', 'one']);
    expect((await chronicle.rounds())[1]?.endedAt).to.be.a('number');
  });

  it('what was open of another day is over when it is taken in a round; settling goes on', async () => {
    await sat(sitting('old', 0), 1);
    await sat(sitting('settling', 0, { work: 'settling' }), 1);
    await repository.chronicle.endBefore(HERON.id, AT + DAY_MS);
    expect((await db.sessions.get('old'))?.endedAt).to.equal(AT + DAY_MS);
    expect((await db.sessions.get('settling'))?.endedAt).to.equal(null);
  });

  it('a day of air is kept once, and one that cannot be is refused whole', async () => {
    const { chronicle } = repository;
    await chronicle.saveAir([{ id: '2026-03-10', humidity: 40 }]);
    await chronicle.saveAir([
      { id: '2026-03-10', humidity: 44 },
      { id: '2026-03-09', celsius: 20 },
    ]);
    expect((await chronicle.air()).map(({ id, humidity }) => [id, humidity])).to.deep.equal([
      ['2026-03-09', undefined],
      ['2026-03-10', 44],
    ]);
    const bad = async () =>
      chronicle.saveAir([{ id: '2026-03-11' }, { id: '2026-03-12', humidity: 140 }]);
    const problem = await bad().then(
      () => null,
      (error: Error) => error,
    );
    expect(problem).to.be.instanceOf(Error).and.not.instanceOf(StoreProblem);
    expect(await chronicle.air()).to.have.length(2);
  });
});

describe('a demo shelf that is empty', () => {
  it('is filled once with the library and its year', async () => {
    await Dexie.delete(databaseName('demo'));
    const db = new RosefinchDatabase('demo');
    const repository = new Repository(db, 'demo');
    await repository.prepare();
    const counts = await repository.counts();
    expect(counts.instruments).to.equal(20);
    expect(counts.sessions).to.be.above(300);
    expect(counts.readings).to.be.above(2000);
    expect(await repository.chronicle.openRound()).to.deep.include({ name: 'Thursday class' });
    await repository.prepare();
    expect(await repository.counts()).to.deep.equal(counts);
    db.close();
  });
});
