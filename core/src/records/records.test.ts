import { expect } from 'chai';
import fc from 'fast-check';
import { FormatError, RecordError, RosefinchError } from '../errors.ts';
import type { Reading } from '../listen/index.ts';
import type { Tuning } from '../music/index.ts';
import { type Contents, readBackup, saltmarshLibrary, summarise, writeBackup } from './index.ts';

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

const OWN: Tuning = {
  id: 't1',
  name: 'Low tide',
  kind: 'guitar',
  courses: [[62], [57], [54], [50], [45], [38]],
  accidental: 'sharp',
  temper: { kind: 'pure', root: 2, share: 0.5 },
};

function contents(): Contents {
  const reading = (course: number, cents: number) => ({
    type: 'reading' as const,
    at: 1_764_000_000_000,
    reading: { course, cents, errorCents: 0.4, moving: false, hz: 82.1 },
  });
  const measurement = { reading: READING, track: Float32Array.of(0.1, 82.2, 0.12, 82.15) };
  return {
    instruments: saltmarshLibrary(),
    tunings: [OWN],
    fretChecks: [
      {
        id: 'f1',
        instrumentId: 'linnet',
        tuningId: 'ukulele-standard',
        a4: 440,
        source: 'practice',
        startedAt: 1_764_000_000_000,
        zone: 'Europe/Berlin',
        capo: 2,
        courses: [4, 3],
        frets: [12, 1],
        pressures: ['normal', 'hard'],
        readings: [
          { course: 4, place: { kind: 'open' }, cents: -3, errorCents: 0.5, at: 1 },
          {
            course: 4,
            place: { kind: 'fret', fret: 2, pressure: 'hard' },
            cents: 207,
            errorCents: 0.5,
            at: 2,
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
        fittedAt: 1_764_000_000_000,
        zone: 'Europe/Berlin',
        strings: [{ course: 4, material: 'nylon' }],
        lessonMinutes: 45,
        looks: [1_764_000_600_000],
        doneAt: null,
        practiceAheadMs: 36_000_000,
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
        startedAt: 1_764_000_000_000,
        zone: 'Europe/Berlin',
        endedAt: null,
      },
    ],
    log: [
      { sessionId: 's1', seq: 0, event: reading(6, -23), measurement },
      { sessionId: 's1', seq: 1, event: { type: 'choose', at: 1, course: null } },
      { sessionId: 's1', seq: 2, event: reading(6, 0.5), measurement },
      { sessionId: 's1', seq: 3, event: { type: 'next pass', at: 2 } },
      { sessionId: 's1', seq: 4, event: { type: 'accept', at: 3, next: 5 } },
      {
        sessionId: 's1',
        seq: 5,
        event: { type: 'peg test', at: 4, course: 6, turns: -0.125, beforeHz: 82.1, afterHz: 80.2 },
      },
    ],
    recordings: [
      {
        id: 'r1',
        name: 'six.wav',
        readAt: 5,
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
    settings: { a4: 440 },
  };
}

const DATE = new Date('2026-11-25T10:00:00Z');
const file = () => JSON.parse(writeBackup(contents(), DATE));
const reading = (change: (file: ReturnType<typeof JSON.parse>) => void) => {
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
    expect(reading((f) => (f.log[0].event.reading.course = '6'))).to.throw(
      RecordError,
      /log\[0\]\.event\.reading\.course: must be a `number`; got "6"/,
    );
    expect(reading((f) => (f.sessions[0].a4 = 500))).to.throw(
      RecordError,
      /sessions\[0\]\.a4.*480.*got 500/,
    );
    expect(reading((f) => (f.instruments[0].colour = 'red'))).to.throw(
      RecordError,
      /instruments\[0\].*colour/,
    );
    expect(reading((f) => delete f.recordings[0].plucks[0].outcome.hz)).to.throw(
      RecordError,
      /recordings\[0\]\.plucks\[0\]\.outcome\.hz/,
    );
    expect(reading((f) => (f.log[1].event.type = 'dance'))).to.throw(
      RecordError,
      /log\[1\]\.event\.type/,
    );
  });

  it('wants unique ids and no dangling references', () => {
    expect(reading((f) => f.sessions.push(f.sessions[0]))).to.throw(RecordError, /comes twice/);
    expect(reading((f) => (f.log[2].sessionId = 'gone'))).to.throw(
      RecordError,
      /log\[2\].*no session/,
    );
    expect(reading((f) => (f.sessions[0].instrumentId = 'gone'))).to.throw(
      RecordError,
      /no instrument/,
    );
  });

  it('knows what is no backup and what is a newer one', () => {
    expect(() => readBackup('hello')).to.throw(FormatError, /no JSON/);
    expect(() => readBackup('[]')).to.throw(FormatError, /no Rosefinch backup/);
    expect(reading((f) => (f.schema = 4))).to.throw(FormatError, /schema 4/);
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
            const again = JSON.parse(writeBackup(readBackup(text), new Date(mutated.exportedAt)));
            // What says it is older comes out as the newest, with all that it held.
            const same = { schema: 2, exportedAt: '' };
            expect({ ...again, ...same }).to.deep.equal({ ...JSON.parse(text, asKept), ...same });
          } catch (error) {
            expect(error).to.be.instanceOf(RosefinchError);
          }
        },
      ),
      { seed: 11, numRuns: 2000 },
    );
  });
});

/** Tracks and envelopes are kept as 32-bit floats. */
function asKept(key: string, value: unknown): unknown {
  const packed = key === 'track' || key === 'envelope';
  return packed && Array.isArray(value) ? value.map((x) => Math.fround(x) + 0) : value;
}

describe('summary of a session', () => {
  it('tells found, left and what moved most', () => {
    const { sessions, log } = contents();
    const summary = summarise(sessions[0]!, log, 6);
    expect(summary.strings[5]).to.deep.equal({ course: 6, found: -23, left: 0.5, plucks: 2 });
    expect(summary.strings[0]).to.deep.equal({ course: 1, found: null, left: null, plucks: 0 });
    expect(summary).to.deep.include({
      passes: 2,
      plucks: 2,
      movedMost: { course: 6, cents: 23.5 },
    });
  });
});
