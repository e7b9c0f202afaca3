import { saltmarshLibrary } from '@rosefinch/core/demo';
import { newRound, type Round } from '@rosefinch/core/rounds';
import { inTestLanguage } from '@rosefinch/words/expected';
import { expect } from 'chai';
import { Repository, RosefinchDatabase } from '../../data/index.ts';
import { bookInRound, putBackInRound, takeOfRound } from './acts.ts';

const IDS = ['heron', 'wren', 'dunlin', 'curlew'];

describe('what is done in a round', () => {
  let db: RosefinchDatabase;
  let repository: Repository;
  beforeEach(async () => {
    await new RosefinchDatabase('own').delete();
    db = new RosefinchDatabase('own');
    repository = new Repository(db, 'own');
    await repository.addInstruments(saltmarshLibrary().filter(({ id }) => IDS.includes(id)));
    const made = newRound(
      { id: 'r', name: 'Class', way: 'anyOrder', madeAt: 1.7e12, zone: 'UTC', by: null },
      IDS.map((instrumentId) => ({ instrumentId, minutes: 1 })),
    );
    await repository.chronicle.beginRound(made);
    await takeOfRound(repository, made, 'heron');
  });
  afterEach(() => db.close());

  const now = async (): Promise<Round> => {
    const [round] = await repository.chronicle.rounds();
    if (!round) throw new Error('no round is kept');
    return round;
  };
  const inHand = async () => [(await now()).inHand, (await repository.settings()).instrumentId];

  it('what is booked gives way to the next, in the round and at the head', async () => {
    expect(await inHand()).to.deep.equal(['heron', 'heron']);
    expect(await bookInRound(repository, await now(), 'right', undefined, inTestLanguage)).to.equal(
      false,
    );
    expect(await inHand()).to.deep.equal(['wren', 'wren']);
  });

  it('two tabs that heard the same book it once', async () => {
    const seen = await now();
    await bookInRound(repository, seen, 'right', undefined, inTestLanguage);
    await bookInRound(repository, seen, 'right', undefined, inTestLanguage);
    expect(await inHand()).to.deep.equal(['wren', 'wren']);
    expect((await now()).entries.map(({ standing }) => standing)).to.deep.equal([
      'right',
      'waiting',
      'waiting',
      'waiting',
    ]);
  });

  it('what was taken off the shelf meanwhile is passed over, and the last one ends the round', async () => {
    const wren = (await repository.instruments()).find(({ id }) => id === 'wren');
    if (wren) await repository.saveInstrument({ ...wren, archived: true });
    await bookInRound(repository, await now(), 'done', undefined, inTestLanguage);
    expect(await inHand()).to.deep.equal(['dunlin', 'dunlin']);
    await bookInRound(repository, await now(), 'skipped', undefined, inTestLanguage);
    expect(await bookInRound(repository, await now(), 'off', undefined, inTestLanguage)).to.equal(
      true,
    );
    expect((await now()).endedAt).to.be.a('number');
    expect(await repository.chronicle.openRound()).to.equal(null);
  });

  it('what is put back comes again at the end; to the repairer is noted in its log', async () => {
    await putBackInRound(repository, await now());
    expect(await inHand()).to.deep.equal(['wren', 'wren']);
    await bookInRound(repository, await now(), 'toRepairer', undefined, inTestLanguage);
    const life = (await repository.chronicle.lives('wren')).get('wren');
    expect(life?.marks[0]).to.deep.include({ kind: 'repair', until: null });
    await bookInRound(repository, await now(), 'right', undefined, inTestLanguage);
    await bookInRound(repository, await now(), 'right', undefined, inTestLanguage);
    expect(await inHand()).to.deep.equal(['heron', 'heron']);
  });
});
