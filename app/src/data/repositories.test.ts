import { readFileSync } from 'node:fs';
import { saltmarshLibrary } from '@rosefinch/core/demo';
import { readBackup } from '@rosefinch/core/records';
import type { Session, StringReading } from '@rosefinch/core/sitting';
import type { Instrument, Peg } from '@rosefinch/core/strings';
import { expect } from 'chai';
import { Dexie } from 'dexie';
import { databaseName, RosefinchDatabase, type Shelf } from './database.ts';
import { Repository } from './repositories.ts';
import { StoreProblem } from './stored.ts';

const AT = Date.UTC(2026, 2, 10, 9);
const MINUTE = 60_000;
const FIXTURE = readBackup(
  readFileSync(
    new URL('../../../core/src/records/fixtures/backup-4.json', import.meta.url),
    'utf8',
  ),
);
const HERON = saltmarshLibrary()[0]!;
const TESTED: Peg = { ...HERON.courses[0]!.strings[0]!.peg, known: 'tested' };

function sitting(id: string, minutes: number, besides: Partial<Session> = {}): Session {
  return {
    id,
    instrumentId: HERON.id,
    tuningId: HERON.tuningId,
    a4: 440,
    tolerance: 3,
    source: 'microphone',
    startedAt: AT + minutes * MINUTE,
    zone: 'UTC',
    endedAt: null,
    ...besides,
  };
}

function reading(course: number, hz: number): StringReading {
  return { course, cents: 0, errorCents: 0.2, moving: false, hz };
}

describe('the repository', () => {
  const opened: RosefinchDatabase[] = [];
  afterEach(() => {
    for (const db of opened.splice(0)) db.close();
  });

  async function open(shelf: Shelf = 'own', instruments: readonly Instrument[] = [HERON]) {
    await Dexie.delete(databaseName(shelf));
    const db = new RosefinchDatabase(shelf);
    opened.push(db);
    const repository = new Repository(db, shelf);
    if (instruments.length > 0) await repository.addInstruments(instruments);
    /** A session at which some strings were read, stored as the bench stores it. */
    const sat = async (session: Session, ...readings: StringReading[]) => {
      for (const one of readings)
        repository.log.append(session, { type: 'reading', at: session.startedAt, reading: one });
      await repository.log.outbox.flush();
      expect(repository.log.outbox.problem()).to.equal(null);
    };
    return { db, repository, sat };
  }

  const refusal = async (promise: Promise<unknown>): Promise<Error> =>
    promise.then(
      () => expect.fail('it was taken'),
      (error: Error) => error,
    );

  describe('instruments', () => {
    it('are listed as people count, without those that were taken off the shelf', async () => {
      const called = (id: string, name: string, archived = false): Instrument => ({
        ...HERON,
        id,
        name,
        ...(archived && { archived }),
      });
      const { repository } = await open('own', [
        called('a', 'Uke 10'),
        called('b', 'uke 2'),
        called('c', 'Uke 1', true),
      ]);
      const names = (list: Instrument[]) => list.map(({ name }) => name);
      expect(names(await repository.instruments())).to.deep.equal(['Uke 1', 'uke 2', 'Uke 10']);
      expect(names(await repository.shelf())).to.deep.equal(['uke 2', 'Uke 10']);
    });

    it('go back to what they were, and a new one goes again', async () => {
      const { repository } = await open();
      const back = await repository.saveInstrument({ ...HERON, name: 'Bittern' });
      expect((await repository.instruments())[0]!.name).to.equal('Bittern');
      await back();
      expect((await repository.instruments())[0]!.name).to.equal(HERON.name);
      const away = await repository.saveInstrument({ ...HERON, id: 'new' });
      expect(await repository.instruments()).to.have.length(2);
      await away();
      expect((await repository.instruments()).map(({ id }) => id)).to.deep.equal([HERON.id]);
    });

    it('with a wrong field are refused by its name; what is kept stays', async () => {
      const { repository } = await open();
      const error = await refusal(repository.saveInstrument({ ...HERON, name: '' }));
      expect(error.message).to.match(/name/i);
      expect((await repository.instruments())[0]!.name).to.equal(HERON.name);
    });

    it('keep what another tab changed while a peg was learned', async () => {
      const { repository } = await open();
      await repository.saveInstrument({ ...HERON, note: 'from another tab' });
      await repository.savePeg(HERON.id, 1, TESTED);
      const [kept] = await repository.instruments();
      expect(kept!.note).to.equal('from another tab');
      expect(kept!.courses[0]!.strings[0]!.peg).to.deep.equal(TESTED);
      expect(kept!.courses[1]).to.deep.equal(HERON.courses[1]);
    });

    it('that are gone stay gone when a peg is stored late', async () => {
      const { repository } = await open('own', []);
      await repository.savePeg('gone', 1, TESTED);
      expect(await repository.instruments()).to.deep.equal([]);
    });
  });

  describe('tunings', () => {
    it('stand before those of the catalogue and are refused to go while something is in them', async () => {
      const { repository } = await open();
      const [catalogue] = await repository.tunings();
      const { aliases: _, ...standard } = catalogue!;
      const own = { ...standard, id: 'own', name: 'Evening' };
      await repository.saveTuning(own);
      expect((await repository.tunings())[0]!.id).to.equal('own');
      for (const use of [{ tuningId: 'own' }, { homeTuningId: 'own' }]) {
        await repository.saveInstrument({ ...HERON, ...use });
        const error = await refusal(repository.deleteTuning('own'));
        expect(error).to.be.instanceOf(StoreProblem);
        expect(error.message).to.include(HERON.name);
      }
      await repository.saveInstrument(HERON);
      await repository.deleteTuning('own');
      expect((await repository.tunings())[0]!.id).to.equal(catalogue!.id);
    });
  });

  describe('restringings', () => {
    const fitted = (id: string, minutes: number, instrumentId = HERON.id) => ({
      ...FIXTURE.restringings[0]!,
      id,
      instrumentId,
      fittedAt: AT + minutes * MINUTE,
    });

    it('are told the newest first, of one instrument or of all, and change in a part', async () => {
      const { repository } = await open('own', [HERON, { ...HERON, id: 'other' }]);
      for (const one of [fitted('a', 0), fitted('b', 9), fitted('c', 5, 'other')])
        await repository.saveRestringing(one);
      const ids = async (of?: string) => (await repository.restringings(of)).map(({ id }) => id);
      expect(await ids()).to.deep.equal(['b', 'c', 'a']);
      expect(await ids(HERON.id)).to.deep.equal(['b', 'a']);
      await repository.changeRestringing('a', { lessonMinutes: 30 });
      const changed = (await repository.restringings()).find(({ id }) => id === 'a')!;
      expect({ ...changed, changedAt: 0 }).to.deep.equal({
        ...fitted('a', 0),
        lessonMinutes: 30,
        changedAt: 0,
      });
      await repository.changeRestringing('none', { lessonMinutes: 30 });
      expect(await ids()).to.have.length(3);
    });
  });

  describe('fret checks', () => {
    it('are told the newest first, and two tabs that write one after the other both count', async () => {
      const { repository } = await open();
      const check = (id: string, at: number) => ({
        ...FIXTURE.fretChecks[0]!,
        id,
        instrumentId: HERON.id,
        startedAt: AT + at,
      });
      await repository.saveFretCheck(check('a', 1));
      await repository.saveFretCheck(check('b', 2));
      expect((await repository.fretChecks(HERON.id)).map(({ id }) => id)).to.deep.equal(['b', 'a']);
      await Promise.all([
        repository.changeFretCheck('a', (one) => ({ ...one, capo: 2 })),
        repository.changeFretCheck('a', (one) => ({ ...one, practiceSeed: 7 })),
      ]);
      const [, a] = await repository.fretChecks(HERON.id);
      expect([a!.capo, a!.practiceSeed]).to.deep.equal([2, 7]);
    });
  });

  describe('what is known of the strings', () => {
    it('is the newest pitch of each, what the capo added taken off', async () => {
      const { repository, sat } = await open();
      await sat(sitting('old', 0), reading(1, 330), reading(2, 247));
      await sat(sitting('new', 5, { capo: 12 }), reading(1, 660));
      const pitches = await repository.lastPitches(HERON);
      // An octave is twelve semitones and twice the frequency.
      expect(pitches.get(1)).to.be.closeTo(330, 1e-9);
      expect(pitches.get(2)).to.equal(247);
      expect(pitches.has(3)).to.equal(false);
    });

    it('leaves out practice, recordings that are not said to be its own, and a course it has no more', async () => {
      const { repository, sat } = await open();
      await sat(sitting('practice', 1, { source: 'practice' }), reading(1, 300));
      await sat(sitting('recording', 2, { source: 'recording' }), reading(2, 300));
      await sat(sitting('own', 3), reading(9, 300));
      expect([...(await repository.lastPitches(HERON)).keys()]).to.deep.equal([]);
      await repository.adopt('recording', true);
      expect([...(await repository.lastPitches(HERON))]).to.deep.equal([[2, 300]]);
    });

    it('in the demo counts practice: its instruments are no others', async () => {
      const { repository, sat } = await open('demo');
      await sat(sitting('practice', 1, { source: 'practice' }), reading(1, 300));
      expect([...(await repository.lastPitches(HERON))]).to.deep.equal([[1, 300]]);
    });

    it('hears of the eight newest sittings, the oldest first, and none at which strings were settled', async () => {
      const { repository, sat } = await open();
      for (let i = 0; i < 10; i++) await sat(sitting(`s${i}`, i), { ...reading(1, 300), cents: i });
      await sat(sitting('settled', 20, { work: 'settling' }), reading(1, 200));
      const heard = await repository.heard(HERON.id);
      expect(heard.map(([first]) => first!.cents)).to.deep.equal([2, 3, 4, 5, 6, 7, 8, 9]);
    });

    it('since a moment takes what was open then, with its log', async () => {
      const { repository, sat } = await open();
      const since = AT + 10 * MINUTE;
      const ends = (minutes: number) => AT + minutes * MINUTE;
      await sat(sitting('before', 0, { endedAt: ends(9) }), reading(1, 300));
      await sat(sitting('until', 1, { endedAt: since }), reading(1, 301));
      await sat(sitting('open', 2), reading(1, 302), reading(2, 240));
      await sat(sitting('after', 20, { endedAt: ends(25) }), reading(1, 303));
      await sat(sitting('practice', 30, { source: 'practice' }), reading(1, 304));
      const found = await repository.sittingsSince(HERON.id, since);
      expect(found.map(({ session, log }) => [session.id, log.length])).to.deep.equal([
        ['until', 1],
        ['open', 2],
        ['after', 1],
      ]);
    });
  });

  describe('another tuning', () => {
    it('is remembered beside the one that the instrument is kept in, until it is back', async () => {
      const { repository } = await open();
      const kept = async () => (await repository.instruments())[0]!;
      await repository.retune(HERON.id, { tuningId: 'other', capo: 3, a4: 440 }, AT);
      expect(await kept()).to.include({
        tuningId: 'other',
        homeTuningId: HERON.tuningId,
        capo: 3,
      });
      await repository.retune(HERON.id, { tuningId: 'third', capo: 0, a4: 440 }, AT);
      expect(await kept()).to.include({ tuningId: 'third', homeTuningId: HERON.tuningId });
      expect(await kept()).not.to.have.property('capo');
      await repository.retune(HERON.id, { tuningId: HERON.tuningId, capo: 0, a4: 440 }, AT);
      expect(await kept()).not.to.have.property('homeTuningId');
    });

    it('ends the open sittings that aimed elsewhere, and only those', async () => {
      const { repository, sat } = await open();
      const ended = AT - MINUTE;
      const aim = { tuningId: 'other', capo: 2, a4: 440 };
      await sat(sitting('tuning', 0, { capo: 2 }), reading(1, 300));
      await sat(sitting('capo', 1, { tuningId: 'other' }), reading(1, 300));
      await sat(sitting('pitch', 2, { tuningId: 'other', capo: 2, a4: 442 }), reading(1, 300));
      await sat(sitting('same', 3, { tuningId: 'other', capo: 2 }), reading(1, 300));
      await sat(sitting('over', 4, { endedAt: ended }), reading(1, 300));
      await repository.retune(HERON.id, aim, AT + 99);
      const ends = (await repository.sessions()).map(({ id, endedAt }) => [id, endedAt]);
      expect(Object.fromEntries(ends)).to.deep.equal({
        tuning: AT + 99,
        capo: AT + 99,
        pitch: AT + 99,
        same: null,
        over: ended,
      });
    });

    it('of an instrument that is gone changes nothing', async () => {
      const { repository, sat } = await open('own', []);
      await sat(sitting('open', 0), reading(1, 300));
      await repository.retune(HERON.id, { tuningId: 'other', capo: 0, a4: 440 }, AT);
      expect((await repository.sessions())[0]!.endedAt).to.equal(null);
    });
  });

  describe('the open sitting', () => {
    const place = {
      instrumentId: HERON.id,
      tuningId: HERON.tuningId,
      capo: 0,
      practice: false,
    };

    it('is the newest of its place; practice, settling, another capo and ended ones are others', async () => {
      const { repository, sat } = await open();
      await sat(sitting('old', 0), reading(1, 300));
      await sat(sitting('here', 1), reading(1, 300));
      await sat(sitting('practice', 2, { source: 'practice' }), reading(1, 300));
      await sat(sitting('settling', 3, { work: 'settling' }), reading(1, 300));
      await sat(sitting('capo', 4, { capo: 2 }), reading(1, 300));
      await sat(sitting('over', 5, { endedAt: AT + 9 * MINUTE }), reading(1, 300));
      const found = async (besides = {}) =>
        (await repository.openSession({ ...place, ...besides }))?.id;
      expect(await found()).to.equal('here');
      expect(await found({ practice: true })).to.equal('practice');
      expect(await found({ capo: 2 })).to.equal('capo');
      expect(await found({ tuningId: 'other' })).to.equal(undefined);
      await repository.endSession('here', AT);
      expect(await found()).to.equal('old');
      await repository.endSession('here', null);
      expect(await found()).to.equal('here');
    });

    it('is told whenever it changes, until nobody watches', async () => {
      const { repository, sat } = await open();
      const told: (string | undefined)[] = [];
      let heard = () => {};
      const next = () =>
        new Promise<void>((resolve) => {
          heard = resolve;
        });
      let waits = next();
      const stop = repository.watchOpen(place, (session) => {
        told.push(session?.id);
        heard();
      });
      await waits;
      waits = next();
      await sat(sitting('here', 1), reading(1, 300));
      await waits;
      expect(told.at(0)).to.equal(undefined);
      expect(told.at(-1)).to.equal('here');
      stop();
      const before = told.length;
      await repository.endSession('here', AT);
      expect(told).to.have.length(before);
    });
  });

  describe('settings', () => {
    it('are those of the house until one is changed, and change one by one', async () => {
      const { repository } = await open();
      const usual = await repository.settings();
      await repository.saveSettings({ instrumentId: 'a' });
      await repository.saveSettings({ a4: 442 });
      expect(await repository.settings()).to.deep.equal({
        ...usual,
        instrumentId: 'a',
        a4: 442,
      });
    });

    it('of a demo begin with the first of the invented library, and are not begun anew', async () => {
      const { repository } = await open('demo', []);
      await repository.prepare();
      // Beside the library a class of eight stands on it.
      expect(await repository.shelf()).to.have.length(saltmarshLibrary().length + 8);
      expect((await repository.settings()).instrumentId).to.equal(HERON.id);
      await repository.saveSettings({ instrumentId: null });
      await repository.prepare();
      expect((await repository.settings()).instrumentId).to.equal(null);
    });

    it('of an own shelf begin with nothing', async () => {
      const { repository } = await open('own', []);
      await repository.prepare();
      expect(await repository.instruments()).to.deep.equal([]);
    });
  });

  describe('the list of sittings', () => {
    it('comes in pages, the newest first, with what each came to', async () => {
      const { repository, sat } = await open();
      for (let i = 0; i < 5; i++)
        await sat(sitting(`s${i}`, i), ...Array.from({ length: i + 1 }, () => reading(1, 300)));
      const { total, page } = await repository.listed(1, 2);
      expect(total).to.equal(5);
      expect(page.map(({ session, summary }) => [session.id, summary.plucks])).to.deep.equal([
        ['s3', 4],
        ['s2', 3],
      ]);
      const some = await repository.listedOf(['s0', 'none', 's4']);
      expect(some.map(({ session }) => session.id)).to.deep.equal(['s0', 's4']);
      expect(await repository.counts()).to.deep.equal({
        instruments: 1,
        sessions: 5,
        readings: 15,
      });
      expect(await repository.endedSittings()).to.equal(0);
      await repository.endSession('s0', AT);
      expect(await repository.endedSittings()).to.equal(1);
    });

    it('loses a deleted sitting with its log, and has both back as they were', async () => {
      const { db, repository, sat } = await open();
      await sat(sitting('kept', 0), reading(1, 300));
      await sat(sitting('gone', 1), reading(1, 301), reading(2, 240));
      const held = async () =>
        JSON.stringify(
          await Promise.all([...Object.values(db.kept()), db.summaries].map((t) => t.toArray())),
        );
      const before = await held();
      const back = await repository.deleteSession('gone');
      expect(await repository.session('gone')).to.equal(undefined);
      expect(await repository.log.of('gone')).to.deep.equal([]);
      expect(await repository.log.of('kept')).to.have.length(1);
      expect((await repository.counts()).readings).to.equal(1);
      await back();
      expect(await held()).to.equal(before);
    });
  });

  describe('copies', () => {
    it('are none at first: every reading is without one; then only those after it', async () => {
      const { repository, sat } = await open();
      await sat(sitting('a', 0), reading(1, 300), reading(2, 240));
      expect(await repository.copies()).to.deep.equal({ at: null, without: 2 });
      const newest = (await repository.log.of('a')).at(-1)!;
      await repository.noteCopy(AT, newest.number);
      expect(await repository.copies()).to.deep.equal({ at: AT, without: 0 });
      await sat(sitting('a', 0), reading(3, 196));
      expect(await repository.copies()).to.deep.equal({ at: AT, without: 1 });
    });

    it('forget the folder that is taken away', async () => {
      const { repository } = await open();
      expect(await repository.folder()).to.equal(null);
      await repository.setFolder({ name: 'copies' } as FileSystemDirectoryHandle);
      expect(await repository.folder()).to.deep.equal({ name: 'copies' });
      await repository.setFolder(null);
      expect(await repository.folder()).to.equal(null);
    });
  });

  describe('a recording', () => {
    it('is kept with its sitting', async () => {
      const { repository } = await open();
      const [recording] = FIXTURE.recordings;
      const heard = sitting('s', 0, { source: 'recording' });
      const event = { type: 'reading', at: AT, reading: reading(1, 300) } as const;
      await repository.addRecording(recording!, heard, [{ id: 'e', session: heard, event }]);
      expect((await repository.recording(recording!.id))?.id).to.equal(recording!.id);
      expect(await repository.log.of('s')).to.have.length(1);
      await repository.adopt('s', true);
      expect((await repository.session('s'))?.adopted).to.equal(true);
    });

    it('that is not as it must be brings no sitting, and a second of its name brings none either', async () => {
      const { repository } = await open();
      const [recording] = FIXTURE.recordings;
      const heard = sitting('s', 0, { source: 'recording' });
      const event = { type: 'reading', at: AT, reading: reading(1, 300) } as const;
      const wrong = { ...recording!, readAt: 'yesterday' as unknown as number };
      const add = (one: typeof wrong, id: string) =>
        repository.addRecording(one, { ...heard, id }, [{ id: `e${id}`, session: heard, event }]);
      expect((await refusal(add(wrong, 's'))).message).to.include('readAt');
      expect(await repository.recording(recording!.id)).to.equal(undefined);
      expect(await repository.sessions()).to.deep.equal([]);
      await add(recording!, 's');
      await refusal(add(recording!, 't'));
      expect((await repository.sessions()).map(({ id }) => id)).to.deep.equal(['s']);
    });
  });
});
