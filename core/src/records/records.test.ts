import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import fc from 'fast-check';
import { saltmarshLibrary } from '../demo/index.ts';
import { FormatError, RecordError, RosefinchError } from '../errors.ts';
import type { Reading } from '../listen/index.ts';
import { seededRandom } from '../maths/index.ts';
import { message } from '../message.ts';
import type { OwnTuning } from '../music/index.ts';
import { inOrder, type LogEntry, movedMost, summarise, summaryAfter } from '../sitting/index.ts';
import { type Contents, type Fault, readBackup, SCHEMA, salvage, writeBackup } from './index.ts';

const READING: Reading = {
  kind: 'reading',
  hz: 82.1,
  clarity: 0.97,
  errorCents: 0.4,
  spreadCents: 0.6,
  f0Hz: 82.05,
  firstPartialHz: 82.06,
  periodHz: 82.2,
  inharmonicity: 8e-5,
  moving: false,
  windowFrom: 0.2,
  windowLength: 0.6,
  levelDbfs: -22,
  partials: [{ number: 1, hz: 82.06, errorCents: 0.2, amplitude: 0.1 }],
};

const OWN: OwnTuning = {
  id: 't1',
  name: 'Low tide',
  kind: 'guitar',
  courses: [[62], [57], [54], [50], [45], [38]],
  accidental: 'sharp',
  temper: { kind: 'pure', root: 2, share: 0.5 },
};

const AT = 1_773_134_400_000;
const reading = (course: number, cents: number, member?: number) => ({
  type: 'reading' as const,
  at: AT,
  reading: {
    course,
    cents,
    errorCents: 0.4,
    moving: false,
    hz: 82.1,
    ...(member !== undefined && { member }),
  },
});
const entry = (number: number, event: LogEntry['event'], machine = 'm1'): LogEntry => ({
  id: `e${machine}${number}`,
  sessionId: 's1',
  machine,
  number,
  event,
});

function contents(): Contents {
  const measurement = { reading: READING, track: Float32Array.of(0.1, 82.2, 0.12, 82.15) };
  return {
    settings: [{ id: 'settings', value: { a4: 440, phrases: { t1: 'Down at dawn' } } }],
    instruments: saltmarshLibrary().filter(({ id }) =>
      ['heron', 'linnet', 'stonechat'].includes(id),
    ),
    tunings: [OWN],
    fretChecks: [
      {
        id: 'f1',
        instrumentId: 'linnet',
        tuningId: 'ukulele-standard',
        a4: 440,
        source: 'practice',
        startedAt: AT,
        zone: 'Europe/Berlin',
        capo: 2,
        courses: [4, 3],
        frets: [12, 1],
        pressures: ['normal', 'hard'],
        readings: [
          { course: 4, place: { kind: 'open' }, cents: -3, errorCents: 0.5, at: AT },
          {
            course: 4,
            place: { kind: 'fret', fret: 2, pressure: 'hard' },
            cents: 207,
            errorCents: 0.5,
            at: AT + 2,
            struckOut: true,
            note: 'buzzes',
          },
        ],
        doneAt: null,
      },
    ],
    restringings: [
      {
        id: 'r1',
        instrumentId: 'stonechat',
        fittedAt: AT,
        zone: 'Europe/Berlin',
        strings: [{ course: 4, material: 'nylon' }],
        lessonMinutes: 45,
        looks: [AT + 600_000],
        doneAt: null,
        practiceAheadMs: 36_000_000,
      },
    ],
    rounds: [
      {
        id: 'round',
        name: 'Class at four',
        way: 'rollCall',
        madeAt: AT,
        zone: 'Europe/Berlin',
        by: AT + 3_600_000,
        entries: [
          {
            instrumentId: 'heron',
            number: 1,
            standing: 'off',
            sessionId: 's1',
            from: AT,
            to: AT + 9,
          },
          { instrumentId: 'linnet', number: 2, standing: 'waiting' },
        ],
        inHand: 'linnet',
        endedAt: null,
      },
    ],
    marks: [
      {
        id: 'loan',
        instrumentId: 'heron',
        kind: 'loan',
        at: AT,
        until: null,
        zone: 'Europe/Berlin',
        text: 'for two weeks',
      },
    ],
    climate: [{ id: '2026-03-10', celsius: 20.5, humidity: 41 }],
    learners: [{ id: 'l', name: 'A.' }],
    earRuns: [
      {
        id: 'e',
        learnerId: 'l',
        exercise: 'direction',
        startedAt: AT,
        zone: 'Europe/Berlin',
        doneAt: null,
        trials: [{ at: AT, cell: 'low pluck', asked: -12.5, answer: 'lower', tookMs: 900 }],
      },
    ],
    sessions: [
      {
        id: 's1',
        instrumentId: 'heron',
        tuningId: 'guitar-standard',
        a4: 440,
        tolerance: 2,
        source: 'practice',
        startedAt: AT,
        zone: 'Europe/Berlin',
        endedAt: null,
      },
    ],
    events: [
      entry(0, reading(6, -23)),
      entry(1, { type: 'choose', at: AT + 1, course: null }),
      entry(2, reading(6, 0.5)),
      entry(3, { type: 'next pass', at: AT + 2 }),
      entry(4, { type: 'accept', at: AT + 3, next: 5 }),
      entry(5, {
        type: 'peg test',
        at: AT + 4,
        course: 6,
        turns: -0.125,
        beforeHz: 82.1,
        afterHz: 80.2,
      }),
    ],
    measurements: [{ id: 'em10', sessionId: 's1', ...measurement }],
    recordings: [
      {
        id: 'r1',
        name: 'six.wav',
        readAt: AT + 5,
        sampleRate: 48_000,
        duration: 3,
        envelope: Float32Array.of(-0.5, 0.5),
        plucks: [
          { start: 1, length: 0.8, outcome: READING, track: Float32Array.of(), clipped: false },
          {
            start: 2,
            length: 0.1,
            outcome: { kind: 'not sure', reason: 'too short' },
            track: Float32Array.of(),
            clipped: true,
          },
        ],
        warnings: [],
        sessionId: 's1',
      },
    ],
  };
}

const DATE = new Date('2026-11-25T10:00:00Z');
const file = () => JSON.parse(writeBackup(contents(), DATE));
const changing = (change: (file: ReturnType<typeof JSON.parse>) => void) => {
  const changed = file();
  change(changed);
  return () => readBackup(JSON.stringify(changed));
};

describe('backup', () => {
  it('reads back exactly what it wrote', () => {
    const text = writeBackup(contents(), DATE);
    expect(readBackup(text)).to.deep.equal(contents());
    expect(writeBackup(readBackup(text), DATE)).to.equal(text);
  });

  it('names path, value and reason of what is wrong', () => {
    expect(changing((f) => (f.events[0].event.reading.course = '6'))).to.throw(
      RecordError,
      /events\[0\]\.event\.reading\.course.*problems\.type.*number.*6/,
    );
    expect(changing((f) => (f.sessions[0].a4 = 500))).to.throw(
      RecordError,
      /sessions\[0\]\.a4.*480.*500/,
    );
    expect(changing((f) => (f.instruments[0].colour = 'red'))).to.throw(
      RecordError,
      /instruments\[0\].*colour/,
    );
    expect(changing((f) => delete f.recordings[0].plucks[0].outcome.hz)).to.throw(
      RecordError,
      /recordings\[0\]\.plucks\[0\]\.outcome\.hz/,
    );
    expect(changing((f) => (f.events[1].event.type = 'dance'))).to.throw(
      RecordError,
      /events\[1\]\.event\.type/,
    );
    expect(changing((f) => (f.measurements[0].reading.partials[0].hz = '82'))).to.throw(
      RecordError,
      /measurements\[0\]\.reading\.partials\[0\]\.hz/,
    );
    expect(changing((f) => (f.measurements[0].track[2] = null))).to.throw(
      RecordError,
      /measurements\[0\]\.track\[2\]/,
    );
    expect(changing((f) => (f.sessions[0].startedAt = 1e15))).to.throw(
      RecordError,
      /sessions\[0\]\.startedAt/,
    );
    expect(changing((f) => (f.settings[0].value.a4 = 13))).to.throw(RecordError, /value\.a4/);
  });

  it('wants unique ids and no dangling references', () => {
    expect(changing((f) => f.sessions.push(f.sessions[0]))).to.throw(
      RecordError,
      /problems\.idTwice/,
    );
    expect(changing((f) => (f.events[2].sessionId = 'gone'))).to.throw(
      RecordError,
      /events\[2\].*problems\.noneCalled.*oneSitting.*gone/,
    );
    expect(changing((f) => (f.measurements[0].id = 'gone'))).to.throw(
      RecordError,
      /problems\.noneCalled.*oneEvent/,
    );
    expect(changing((f) => (f.sessions[0].instrumentId = 'gone'))).to.throw(
      RecordError,
      /problems\.noneCalled.*oneInstrument/,
    );
  });

  it('knows what is no backup and what is a newer one', () => {
    expect(() => readBackup('hello')).to.throw(FormatError, /problems\.noJsonFile/);
    expect(() => readBackup('[]')).to.throw(FormatError, /problems\.noBackup/);
    expect(changing((f) => (f.schema = SCHEMA + 1))).to.throw(FormatError, /problems\.newerSchema/);
  });

  it('any mutated backup is refused whole or restored equal', () => {
    const junk = fc.oneof(fc.jsonValue(), fc.integer(), fc.string(), fc.constant(null));
    fc.assert(
      fc.property(
        fc.array(fc.nat(30), { minLength: 1, maxLength: 7 }),
        junk,
        fc.boolean(),
        (path, value, drop) => {
          const mutated = file();
          let node = mutated;
          let key: string | number = '';
          for (const step of path) {
            const keys = Object.keys(node);
            if (keys.length === 0) break;
            key = keys[step % keys.length]!;
            if (typeof node[key] !== 'object' || node[key] === null) break;
            if (step !== path.at(-1)) node = node[key];
          }
          if (drop) delete node[key];
          else node[key] = value;
          const text = JSON.stringify(mutated);
          try {
            const again = writeBackup(readBackup(text), new Date(mutated.exportedAt));
            // What says it is older comes out as the newest, with all that it held.
            const same = { schema: 0, exportedAt: '', check: null };
            expect({ ...JSON.parse(again, asKept), ...same }).to.deep.equal({
              ...JSON.parse(text, asKept),
              ...same,
            });
          } catch (error) {
            expect(error).to.be.instanceOf(RosefinchError);
          }
        },
      ),
      { seed: 11, numRuns: 1000 },
    );
  });
});

/** Tracks and envelopes are kept as 32-bit floats. */
function asKept(key: string, value: unknown): unknown {
  const packed = key === 'track' || key === 'envelope';
  return packed && Array.isArray(value) ? value.map((x) => Math.fround(x) + 0) : value;
}

describe('a damaged backup', () => {
  const whole = readFileSync(new URL(`./fixtures/backup-${SCHEMA}.json`, import.meta.url), 'utf8');
  /** True if reading a text names anything that is wrong. */
  const isNamed = (text: string): boolean => {
    let named = false;
    try {
      salvage(text, () => {
        named = true;
      });
    } catch (error) {
      expect(error).to.be.instanceOf(RosefinchError);
      return true;
    }
    return named;
  };

  it('is whole as it was written', () => {
    expect(isNamed(whole)).to.equal(false);
  });

  it('names every line that is missing', () => {
    const lines = whole.trimEnd().split('\n');
    for (let i = 0; i < lines.length; i++) {
      const without = lines.filter((_, j) => j !== i);
      expect(isNamed(without.join('\n')), `without line ${i + 1}`).to.equal(true);
    }
  });

  it('names a changed bit anywhere, and an end that was cut off', () => {
    const bytes = new TextEncoder().encode(whole);
    const random = seededRandom(8);
    for (let n = 0; n < 500; n++) {
      const at = Math.floor(random() * bytes.length);
      const damaged = Uint8Array.from(bytes);
      // The lowest six bits: what stays is text.
      damaged[at]! ^= 1 << Math.floor(6 * random());
      expect(isNamed(new TextDecoder().decode(damaged)), `byte ${at}`).to.equal(true);
    }
    for (let n = 0; n < 100; n++) {
      const to = Math.floor(random() * (whole.length - 2));
      expect(isNamed(whole.slice(0, to)), `cut at ${to}`).to.equal(true);
    }
  });
});

describe('a file of rubbish', () => {
  const head = `{"format":"rosefinch-backup","schema":${SCHEMA},"exportedAt":"2026-12-01T08:00:00.000Z",\n`;

  it('is refused after a thousand faults, however long it is', () => {
    const reasons: unknown[] = [];
    const text = `${head}"events":[\n${'{},\n'.repeat(20_000)}`;
    expect(() => salvage(text, ({ reason }) => reasons.push(reason))).to.throw(
      FormatError,
      /problems\.tooManyFaults/,
    );
    expect(reasons.length).to.equal(1000);
  });

  for (const day of ['0000-01-01', '2026-02-30', '2026-13-01'])
    it(`is refused where its head says ${day}`, () => {
      const text = head.replace('2026-12-01', day);
      expect(() => readBackup(text)).to.throw(FormatError, /problems\.noUtc/);
    });
});

describe('salvage', () => {
  it('takes what is good, and tells place and reason of the rest', () => {
    const lines = writeBackup(contents(), DATE).split('\n');
    const at = lines.findIndex((line) => line.includes('"em12"'));
    lines[at] = lines[at]!.replace('"course":6', '"course":"six"');
    const torn = lines.findIndex((line) => line.includes('"next pass"'));
    lines[torn] = lines[torn]!.slice(0, 30);
    const faults: Fault[] = [];
    const got = salvage(lines.join('\n'), (fault) => faults.push(fault));
    expect(got.events.map(({ number }) => number)).to.deep.equal([0, 1, 4, 5]);
    expect(got.instruments).to.deep.equal(contents().instruments);
    expect(faults.map(({ place }) => place)).to.deep.equal([
      message('problems.inLine', { place: 'events[2].event.reading.course', line: at + 1 }),
      message('problems.inLine', { place: 'events[3]', line: torn + 1 }),
    ]);
    expect(faults[0]!.reason).to.deep.equal(
      message('problems.got', {
        reason: message('problems.type', { type: 'number' }),
        value: '"six"',
      }),
    );
    expect(faults[0]!.text).to.include('"six"');
  });

  it('leaves out what refers to what is not there', () => {
    const broken = file();
    broken.sessions[0].a4 = 'high';
    const faults: Fault[] = [];
    const got = salvage(JSON.stringify(broken), (fault) => faults.push(fault));
    expect(got.events).to.deep.equal([]);
    expect(got.measurements).to.deep.equal([]);
    // The session, its six events, and the measurement of one.
    expect(faults).to.have.length(8);
  });

  it('tells a file that was cut short', () => {
    const text = writeBackup(contents(), DATE);
    for (const share of [0.2, 0.5, 0.8, 0.999]) {
      const faults: Fault[] = [];
      salvage(text.slice(0, Math.floor(share * text.length)), (fault) => faults.push(fault));
      expect(faults.length, String(share)).to.be.greaterThan(0);
    }
  });
});

const COURSES = saltmarshLibrary().find(({ id }) => id === 'heron')!.courses;

describe('summary of a sitting', () => {
  it('tells found, left and what moved most', () => {
    const { sessions, events } = contents();
    const summary = summarise(sessions[0]!, events, COURSES);
    expect(summary.strings[5]).to.deep.equal({
      course: 6,
      member: 1,
      found: -23,
      foundError: 0.4,
      left: 0.5,
      leftError: 0.4,
      inTune: true,
      leftHz: 82.1,
      leftAt: AT,
      plucks: 2,
    });
    expect(summary.strings[0]).to.deep.include({ course: 1, found: null, left: null, plucks: 0 });
    expect(summary).to.deep.include({ passes: 2, plucks: 2, events: 6, upTo: 5 });
    expect(movedMost(summary)).to.deep.include({ course: 6, cents: 23.5 });
  });

  it('keeps the strings of a course apart', () => {
    const pair = COURSES.map((course) => ({
      ...course,
      strings: [course.strings[0]!, course.strings[0]!],
    }));
    const log = [entry(0, reading(4, -5)), entry(1, reading(4, 7, 2)), entry(2, reading(4, 1, 2))];
    const { strings, plucks } = summarise(contents().sessions[0]!, log, pair);
    expect(strings).to.have.length(12);
    const [first, second] = strings.filter(({ course }) => course === 4);
    expect([first!.found, first!.left, second!.found, second!.left]).to.deep.equal([-5, -5, 7, 1]);
    expect(plucks).to.equal(3);
  });

  it('counts a pass only once something was read in it, and no string that is not there', () => {
    const pass = { type: 'next pass', at: AT } as const;
    const log = [pass, reading(6, 1), pass, pass, reading(9, 3), pass, reading(6, 2)];
    const summary = summarise(
      contents().sessions[0]!,
      log.map((event, i) => entry(i, event)),
      COURSES,
    );
    expect(summary).to.deep.include({ passes: 2, plucks: 2, events: 7 });
  });

  it('event by event is what the whole log gives', () => {
    const { sessions, events } = contents();
    const byAndBy = events
      .slice(3)
      .reduce(summaryAfter, summarise(sessions[0]!, events.slice(0, 3), COURSES));
    expect(byAndBy).to.deep.equal(summarise(sessions[0]!, events, COURSES));
  });
});

describe('the order of a log', () => {
  it('is that of its numbers, whatever the clock said and whichever machine came first', () => {
    const log = [entry(2, reading(1, 0)), entry(1, reading(2, 0), 'm2'), entry(1, reading(3, 0))];
    expect(inOrder(log).map(({ id }) => id)).to.deep.equal(['em11', 'em21', 'em12']);
  });
});
