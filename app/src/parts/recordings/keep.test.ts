import { readingAt } from '@rosefinch/core/dialogue/benchFixture';
import type { PluckOutcome } from '@rosefinch/core/listen';
import { findTuning, targetsOf } from '@rosefinch/core/music';
import type { RecordedPluck } from '@rosefinch/core/records';
import { expect } from 'chai';
import { recordingOf, sessionOf } from './keep.ts';

const TARGETS = targetsOf(findTuning('guitar-standard')!, 440);
const PLACE = {
  instrumentId: 'heron',
  tuningId: 'guitar-standard',
  targets: TARGETS,
  a4: 440,
  capo: 0,
  tolerance: 2,
  now: 1_000_000,
  zone: 'Europe/Berlin',
};

const pluck = (start: number, outcome: PluckOutcome): RecordedPluck => ({
  start,
  length: 0.8,
  outcome,
  track: Float32Array.of(),
  clipped: false,
});

describe('a recording’s readings', () => {
  it('become a session that is over, each on its string at its moment', () => {
    const plucks = [pluck(1, readingAt(82)), pluck(3.5, readingAt(110.4))];
    const { session, log } = sessionOf('r1', plucks, PLACE);
    expect(session).to.include({ source: 'recording', startedAt: 1_000_000, endedAt: 1_000_000 });
    expect(log.map((entry) => entry.id)).to.deep.equal(['r1-session-0', 'r1-session-1']);
    const events = log.map((entry) => entry.event);
    expect(events.map((e) => (e.type === 'reading' ? e.reading.course : 0))).to.deep.equal([6, 5]);
    expect(events.map((e) => e.at)).to.deep.equal([1_001_000, 1_003_500]);
  });

  it('leave out refusals and pitches between two strings', () => {
    const plucks = [
      pluck(1, { kind: 'not sure', reason: 'weak' }),
      // Half way between E2 and A2: nobody can say which string that is.
      pluck(2, readingAt(82.4069 * 2 ** (2.5 / 12))),
    ];
    expect(sessionOf('r1', plucks, PLACE).log).to.deep.equal([]);
  });

  it('follow a string from where it was last heard', () => {
    // Below A2 and then lower than anybody would know unheard: once known as string 5 it stays string 5.
    const low = 110 * 2 ** (-1.3 / 12);
    const { log } = sessionOf(
      'r1',
      [pluck(1, readingAt(low)), pluck(2, readingAt(low * 2 ** (-0.5 / 12)))],
      PLACE,
    );
    const courses = log.map((e) => (e.event.type === 'reading' ? e.event.reading.course : 0));
    expect(courses).to.deep.equal([5, 5]);
  });

  it('the report keeps a name that a backup can hold', () => {
    const sound = { sampleRate: 48_000, duration: 2, warnings: [] };
    const read = { plucks: [], envelope: Float32Array.of() };
    const kept = recordingOf('r1', { name: 'x'.repeat(235) }, sound, read, null, 7);
    expect(kept.name).to.have.length(200);
  });

  it('the report keeps no sound', () => {
    const sound = { sampleRate: 48_000, duration: 2, warnings: ['cut short'] };
    const read = { plucks: [], envelope: Float32Array.of(-0.1, 0.1) };
    const kept = recordingOf('r1', { name: 'a.wav' }, sound, read, null, 7);
    expect(Object.keys(kept).sort()).to.deep.equal([
      'duration',
      'envelope',
      'id',
      'name',
      'plucks',
      'readAt',
      'sampleRate',
      'sessionId',
      'warnings',
    ]);
  });
});
