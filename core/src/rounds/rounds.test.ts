import { expect } from 'chai';
import type { StringReading } from '../sitting/index.ts';
import { DAY_MS } from '../units.ts';
import {
  byNeed,
  heardOfRound,
  minutesFor,
  minutesLeft,
  type Need,
  needOf,
  newRound,
  nextOf,
  type Round,
  type RoundInput,
  roundAfter,
  roundOrder,
  waitingOf,
} from './index.ts';

const AT = Date.UTC(2026, 10, 27, 15);
const MINUTE_MS = 60_000;

const made = (count: number, minutes = 2): Round =>
  newRound(
    { id: 'r', name: 'Class', way: 'anyOrder', madeAt: AT, zone: 'Europe/Berlin', by: null },
    Array.from({ length: count }, (_, i) => ({ instrumentId: `i${i + 1}`, minutes })),
  );
type Act = RoundInput | ((round: Round) => Round);
const after = (round: Round, ...acts: readonly Act[]) =>
  acts.reduce<Round>(
    (now, act, i) =>
      typeof act === 'function' ? act(now) : roundAfter(now, act, AT + i * MINUTE_MS),
    round,
  );
const take = (n: number): RoundInput => ({ type: 'take', instrumentId: `i${n}` });
/** Whatever is in hand is right. */
const right = (round: Round): Round =>
  roundAfter(
    round,
    { type: 'book', instrumentId: round.inHand ?? '', standing: 'right', sessionId: 's' },
    AT + MINUTE_MS,
  );

describe('a round', () => {
  it('goes on by itself from the first to the last, and each keeps its number', () => {
    const round = after(made(3), take(1), right, right);
    expect(round.inHand).to.equal('i3');
    expect(round.entries.map(({ standing }) => standing)).to.deep.equal([
      'right',
      'right',
      'waiting',
    ]);
    expect(after(round, right).inHand).to.equal(null);
    expect(round.entries.map(({ number }) => number)).to.deep.equal([1, 2, 3]);
  });

  it('takes any that is nearer, and comes back to those that were passed over', () => {
    const round = after(made(4), take(1), take(3), right);
    expect(round.inHand).to.equal('i4');
    expect(after(round, right).inHand).to.equal('i1');
    expect(waitingOf(round).map(({ number }) => number)).to.deep.equal([1, 2, 4]);
  });

  it('what is put back waits again, with nothing left of what was booked', () => {
    const round = after(made(2), take(1), right, { type: 'put back', instrumentId: 'i1' });
    expect(round.entries[0]).to.deep.equal({
      instrumentId: 'i1',
      number: 1,
      standing: 'waiting',
      minutes: 2,
    });
    expect(nextOf(round, 'i2')).to.equal('i1');
  });

  it('the one in hand that is put back comes again at the end', () => {
    const round = after(made(3), take(1), { type: 'put back', instrumentId: 'i1' });
    expect(round.inHand).to.equal('i2');
    expect(after(round, right, right).inHand).to.equal('i1');
    const alone = after(made(1), take(1), { type: 'put back', instrumentId: 'i1' });
    expect(alone.inHand).to.equal('i1');
  });

  it('two tabs that book the same one book it once', () => {
    const input: RoundInput = { type: 'book', instrumentId: 'i1', standing: 'right' };
    const round = after(made(3), take(1), input, input);
    expect(round.inHand).to.equal('i2');
    expect(round.entries[1]?.standing).to.equal('waiting');
  });

  it('nothing happens in one that is over, or to one that is not in it', () => {
    const over = after(made(2), take(1), { type: 'end' });
    expect(after(over, take(2), right)).to.equal(over);
    expect(after(made(2), take(7)).inHand).to.equal(null);
    expect(after(made(2), right).entries.every(({ standing }) => standing === 'waiting')).to.equal(
      true,
    );
  });
});

describe('what an instrument of a round still needs', () => {
  const reading = (
    course: number,
    cents: number,
    change: Partial<StringReading> = {},
  ): StringReading => ({
    course,
    cents,
    errorCents: 0.4,
    moving: false,
    hz: 440,
    ...change,
  });
  const strum = (...cents: number[]) =>
    cents.map((own, i) => reading(i + 1, own, { strummed: true }));
  const heard = (readings: readonly StringReading[]) => heardOfRound(readings, [4, 3, 2, 1], 2);

  const cases: readonly (readonly [string, readonly StringReading[], object])[] = [
    ['nothing heard', [], { kind: 'unread', courses: [4, 3, 2, 1], of: 4 }],
    [
      'one string missing',
      [1, 2, 4].map((c) => reading(c, 0)),
      { kind: 'unread', courses: [3], of: 4 },
    ],
    ['one strum, all right', strum(0.5, -1, 1.5, 0), { kind: 'right' }],
    ['each string once, all right', [1, 2, 3, 4].map((c) => reading(c, 1)), { kind: 'right' }],
    ['just beyond the tolerance', strum(0, 2.7, 0, 0), { kind: 'off', courses: [2] }],
    [
      'at the edge, where nothing moved',
      [...strum(0, 1.9, 0, 0), reading(2, 2.2)],
      { kind: 'right' },
    ],
    ['beyond it', strum(0, 3.1, 0, 0), { kind: 'off', courses: [2] }],
    [
      'still moving',
      [...strum(0, 0, 0, 0), reading(2, 0.5, { moving: true })],
      { kind: 'off', courses: [2] },
    ],
    [
      'put right by one pluck only',
      [...strum(0, -9, 0, 0), reading(2, 0)],
      { kind: 'off', courses: [2] },
    ],
    [
      'put right by two plucks',
      [...strum(0, -9, 0, 0), reading(2, 0), reading(2, 0.4)],
      { kind: 'done' },
    ],
    ['put right by another strum', [...strum(0, -9, 0, 0), ...strum(0, 0, 0, 0)], { kind: 'done' }],
    [
      'a peg that lets go again',
      [...strum(0, -9, 0, 0), reading(2, 0), reading(2, -7)],
      { kind: 'off', courses: [2] },
    ],
    [
      'so much turned that the others may have moved',
      [...strum(0, -90, 0, 0), reading(2, 0), reading(2, 0.1)],
      { kind: 'once more' },
    ],
  ];
  for (const [name, readings, wanted] of cases)
    it(name, () => {
      expect(heard(readings)).to.deep.equal(wanted);
    });
});

describe('how long a round takes', () => {
  const uke = { kind: 'ukulele', strings: 4, sittings: [], out: null } as const;

  it('one that is surely right takes one strum; one that is out takes what it took before', () => {
    const worked = [5, 7, 6].map((minutes) => ({ minutes, right: false }));
    const calm = Array.from({ length: 8 }, () => ({ minutes: 0.2, right: true }));
    expect(minutesFor({ ...uke, sittings: calm, out: 0 })).to.be.below(0.5);
    expect(minutesFor({ ...uke, sittings: worked, out: 1 })).to.be.within(3, 6);
    expect(minutesFor(uke)).to.be.within(0.5, 1.5);
    // A session that was left open over night tells nothing.
    const open = [...worked, { minutes: 700, right: false }];
    expect(minutesFor({ ...uke, sittings: open, out: 1 })).to.equal(
      minutesFor({ ...uke, sittings: worked, out: 1 }),
    );
  });

  it('what is left goes by the pace that was kept', () => {
    const round = after(made(4), take(1));
    expect(minutesLeft(made(4))).to.equal(8);
    const booked = (minutes: number) =>
      roundAfter(
        round,
        { type: 'book', instrumentId: 'i1', standing: 'right' },
        AT + minutes * MINUTE_MS,
      );
    expect(minutesLeft(booked(2))).to.equal(6);
    expect(minutesLeft(booked(6))).to.be.above(8);
    expect(minutesLeft(booked(0.2))).to.be.below(6);
  });

  it('those that must settle come first, sure ones last', () => {
    const all = [
      { name: 'sure', settles: false, out: 0.1 },
      { name: 'new', settles: true, out: 0.2 },
      { name: 'not known', settles: false, out: null },
      { name: 'likely out', settles: false, out: 0.7 },
    ];
    expect(roundOrder(all, (one) => one).map(({ name }) => name)).to.deep.equal([
      'new',
      'not known',
      'likely out',
      'sure',
    ]);
  });
});

describe('what an instrument needs', () => {
  const facts = { now: AT, lastAt: AT - 3 * DAY_MS, look: null, leftOff: false, dueDays: 10 };

  const cases: readonly (readonly [string, Partial<typeof facts> | object, Need])[] = [
    ['nothing yet', {}, { kind: 'probably right', until: AT + 7 * DAY_MS }],
    ['its day has come', { dueDays: 2 }, { kind: 'now', because: 'drift', since: AT - DAY_MS }],
    [
      'it was left off',
      { leftOff: true },
      { kind: 'now', because: 'left off', since: AT - 3 * DAY_MS },
    ],
    [
      'new strings are to be looked at',
      { look: AT - 5, dueDays: 2 },
      { kind: 'now', because: 'new strings', since: AT - 5 },
    ],
    [
      'new strings are to be looked at later',
      { look: AT + 5 },
      { kind: 'probably right', until: AT + 5 },
    ],
    [
      'nobody has read it for long',
      { lastAt: AT - 61 * DAY_MS },
      { kind: 'resting', since: AT - 61 * DAY_MS },
    ],
    ['nobody has ever read it', { lastAt: null }, { kind: 'resting', since: null }],
    ['it stays for half a year', { dueDays: null }, { kind: 'probably right', until: null }],
  ];
  for (const [name, change, wanted] of cases)
    it(name, () => {
      expect(needOf({ ...facts, ...change })).to.deep.equal(wanted);
    });

  it('the longest due stands first, those that rest last', () => {
    const needs: Need[] = [
      { kind: 'resting', since: AT },
      { kind: 'probably right', until: null },
      { kind: 'probably right', until: AT },
      { kind: 'now', because: 'drift', since: AT },
      { kind: 'now', because: 'drift', since: AT - 5 },
    ];
    expect([...needs].sort(byNeed)).to.deep.equal([...needs].reverse());
  });
});
