import { expect } from 'chai';
import { diaryOf, driftOf } from '../drift/index.ts';
import { findTuning } from '../music/index.ts';
import { noContents, readBackup, TABLE_NAMES, writeBackup } from '../records/index.ts';
import { summarise } from '../sitting/index.ts';
import { saltmarshLibrary, saltmarshYear } from './index.ts';

const NOW = Date.parse('2026-03-10T09:20:00Z');

describe('the demo’s year', () => {
  const year = saltmarshYear(NOW, 'Europe/Berlin');
  const instruments = [...saltmarshLibrary(), ...year.instruments];
  const contents = { ...noContents(), ...year, instruments };

  it('is made of records that a backup takes and gives back', () => {
    const back = readBackup(writeBackup(contents, new Date(NOW)));
    for (const table of TABLE_NAMES)
      expect(back[table], table).to.have.length(contents[table].length);
    expect(year.sessions.length).to.be.within(300, 600);
    expect(year.climate).to.have.length(366);
  });

  it('is over by now, and every sitting has begun before it', () => {
    for (const { event } of year.events) expect(event.at).to.be.below(NOW);
    expect(saltmarshYear(NOW, 'Europe/Berlin')).to.deep.equal(year);
  });

  const told = (id: string) => {
    const instrument = instruments.find((one) => one.id === id)!;
    const own = year.sessions.filter((session) => session.instrumentId === id);
    const diary = diaryOf({
      instrument,
      tuning: findTuning(instrument.tuningId)!,
      a4: 440,
      sittings: own.map((session) => {
        const log = year.events.filter(({ sessionId }) => sessionId === session.id);
        return { session, summary: summarise(session, log, instrument.courses) };
      }),
      fitted: year.restringings
        .filter((set) => set.instrumentId === id)
        .flatMap(({ strings, fittedAt }) =>
          strings.map(({ course }) => ({ course, at: fittedAt })),
        ),
      loans: year.marks
        .filter((mark) => mark.instrumentId === id)
        .map(({ at, until }) => ({ from: at, to: until })),
    });
    return driftOf({ diary, left: null }).drift;
  };

  it('tells a banjo’s peg that slips, a guitar that the air moves, and one that stays', () => {
    expect(told('lapwing')).to.deep.include({ cause: 'peg', courses: [3] });
    expect(told('plover').cause).to.equal('air');
    expect(told('redshank').strings.every(({ habits }) => habits.slips < 0.5)).to.equal(true);
    expect(told('curlew').cause).to.equal('new strings');
    expect(told('bittern').cause).to.equal('handled');
  });
});
