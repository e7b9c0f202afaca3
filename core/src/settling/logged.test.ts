import { expect } from 'chai';
import type { LogEntry, Session } from '../sitting/index.ts';
import { looksOf, saidOf } from './logged.ts';

const AT = Date.UTC(2026, 10, 25, 9);
const TARGETS = [
  { course: 1, midi: 69, hz: 440 },
  { course: 2, midi: 64, hz: 329.6276 },
];
const reading = (
  sessionId: string,
  number: number,
  seconds: number,
  course: number,
  hz: number,
): LogEntry => ({
  id: `${sessionId}:${number}`,
  sessionId,
  machine: 'm',
  number,

  event: {
    type: 'reading',
    at: AT + 1000 * seconds,
    // What it was off by then, in another tuning: it is reckoned anew.
    reading: { course, cents: 99, errorCents: 0.4, moving: false, hz },
  },
});
const session = (id: string, capo?: number): Session => ({
  id,
  instrumentId: 'wren',
  tuningId: 'guitar-standard',
  a4: 440,
  ...(capo !== undefined && { capo }),
  tolerance: 2,
  source: 'microphone',
  startedAt: AT,
  zone: 'Europe/London',
  endedAt: null,
});

describe('looks at new strings', () => {
  it('are deviations from the notes of now, whatever was aimed at then', () => {
    const [look] = looksOf([reading('s', 0, 0, 1, 441)], [], AT, TARGETS);
    expect(look!.cents).to.be.closeTo(3.93, 0.01);
    expect(look!.errorCents).to.equal(0.4);
  });

  it('keep the order in which the settling took them, with the bench’s put between by time', () => {
    const own = [
      reading('s', 0, 0, 1, 440),
      reading('s', 1, 100, 1, 439),
      reading('s', 2, 50, 1, 438),
    ];
    const bench = {
      session: session('b'),
      log: [reading('b', 0, 60, 1, 437), reading('b', 1, 900, 1, 436)],
    };
    const looks = looksOf(own, [bench], AT, TARGETS);
    expect(looks.map(({ hz }) => Math.round(hz))).to.deep.equal([440, 437, 439, 438, 436]);
  });

  it('of the bench take off what a capo added, and nothing from before the strings were fitted', () => {
    const bench = {
      session: session('b', 2),
      log: [reading('b', 0, -60, 1, 490), reading('b', 1, 60, 1, 440 * 2 ** (2 / 12))],
    };
    const looks = looksOf([], [bench], AT, TARGETS);
    expect(looks).to.have.length(1);
    expect(looks[0]!.cents).to.be.closeTo(0, 1e-9);
  });

  it('of strings that the tuning does not have are left out', () => {
    expect(looksOf([reading('s', 0, 0, 5, 440)], [], AT, TARGETS)).to.deep.equal([]);
  });

  it('come with what the teacher said of them', () => {
    const said = { type: 'said', at: AT, course: 1, of: AT, step: 'retuned' } as const;
    const log: LogEntry[] = [
      reading('s', 0, 0, 1, 440),
      { ...reading('s', 1, 0, 1, 440), event: said },
      { ...reading('s', 2, 0, 1, 440), event: { type: 'accept', at: AT } },
    ];
    expect(saidOf(log)).to.deep.equal([said]);
  });
});
