import { saltmarshLibrary, saltmarshYear } from '@rosefinch/core/demo';
import { driftOf } from '@rosefinch/core/drift';
import { findTuning } from '@rosefinch/core/music';
import { summarise } from '@rosefinch/core/sitting';
import type { Instrument } from '@rosefinch/core/strings';
import { DAY_MS } from '@rosefinch/core/units';
import { expect } from 'chai';
import type { Life } from '../../data/index.ts';
import { judged, NO_LIFE } from './shelved.ts';
import { driftTask } from './task.ts';

const NOW = Date.parse('2026-03-10T09:20:00Z');

describe('an instrument of the shelf', () => {
  const year = saltmarshYear(NOW, 'Europe/Berlin');
  const all = [...saltmarshLibrary(), ...year.instruments];
  const named = (id: string): Instrument => all.find((one) => one.id === id)!;
  const lifeOf = (instrument: Instrument): Life => ({
    sittings: year.sessions
      .filter(({ instrumentId }) => instrumentId === instrument.id)
      .map((session) => {
        const log = year.events.filter(({ sessionId }) => sessionId === session.id);
        return { session, summary: summarise(session, log, instrument.courses) };
      }),
    restringings: year.restringings.filter(({ instrumentId }) => instrumentId === instrument.id),
    marks: year.marks.filter(({ instrumentId }) => instrumentId === instrument.id),
  });
  const at = (id: string, now = NOW, change: (life: Life) => Life = (life) => life) => {
    const instrument = named(id);
    const life = change(lifeOf(instrument));
    const told = driftOf(driftTask(instrument, findTuning(instrument.tuningId)!, life));
    return judged(instrument, life, told, { now, air: [] });
  };

  it('new strings whose look is due come before everything', () => {
    expect(at('stonechat').need).to.deep.include({ kind: 'now', because: 'new strings' });
  });

  it('one that nobody has touched rests, and one that was never read does too', () => {
    expect(at('dunlin').need.kind).to.equal('resting');
    const never = judged(named('heron'), NO_LIFE, null, { now: NOW, air: [] });
    expect(never.need).to.deep.equal({ kind: 'resting', since: null });
    expect(never.facts.sittings).to.equal(0);
  });

  it('the longer it waits the likelier it is out, and the longer it takes', () => {
    const [soon, later] = [at('lapwing', NOW), at('lapwing', NOW + 12 * DAY_MS)];
    expect(later.out).to.be.above(soon.out ?? 1);
    expect(later.minutes).to.be.above(soon.minutes);
    expect(later.need.kind).to.equal('now');
  });

  it('what was left off is due at once, with the string that is off', () => {
    const off = at('heron', NOW, (life) => ({
      ...life,
      sittings: life.sittings.map((one, i) =>
        i < life.sittings.length - 1
          ? one
          : {
              ...one,
              summary: {
                ...one.summary,
                strings: one.summary.strings.map((s) => (s.course === 2 ? { ...s, left: -19 } : s)),
              },
            },
      ),
    }));
    expect(off.need).to.deep.include({ kind: 'now', because: 'left off' });
    expect(off.facts.leftOff).to.deep.equal({ course: 2, cents: -19 });
    expect(off.out).to.equal(1);
  });

  it('is lent out from the loan to its end', () => {
    const loan = (until: number | null) => (life: Life) => ({
      ...life,
      marks: [
        {
          id: 'm',
          instrumentId: 'wren',
          kind: 'loan' as const,
          at: NOW - DAY_MS,
          until,
          zone: 'UTC',
          text: '',
        },
      ],
    });
    expect(at('wren', NOW, loan(null)).facts.lent).to.equal(true);
    expect(at('wren', NOW, loan(NOW - 5)).facts).to.deep.include({ lent: false, wasLent: true });
  });

  it('in another tuning than it was left in nothing is known of where it stands', () => {
    const instrument = { ...named('heron'), tuningId: 'guitar-open-d' };
    const life = lifeOf(named('heron'));
    const told = driftOf(driftTask(instrument, findTuning('guitar-standard')!, life));
    expect(told.due).to.equal(null);
    expect(judged(instrument, life, told, { now: NOW, air: [] }).out).to.equal(null);
  });
});
