import { expect } from 'chai';
import type { Drift } from '../drift/index.ts';
import {
  causeInWords,
  diagnosisInWords,
  needInWords,
  type RowFacts,
  sparesInWords,
  wearInWords,
  weekInWords,
  withAirInWords,
} from './index.ts';

const NOW = Date.parse('2026-11-27T12:00:00Z');
const DAY_MS = 86_400_000;
const CLOCK = { now: NOW, zone: 'Europe/Berlin', reader: 'en-GB' };
const own = (...cents: number[]) => cents;

const drift = (change: Partial<Drift>): Drift => ({
  cause: 'still',
  courses: [],
  strings: [1, 2, 3].map((course) => ({
    course,
    habits: { still: 1, slips: 0, wanders: 0 },
    weekly: course === 3 ? 21.6 : 0,
    weeklyError: 4,
    largestFall: -20,
  })),
  spans: [21, 14, 7].map((ago) => ({
    from: NOW - ago * DAY_MS,
    to: NOW - (ago - 7) * DAY_MS,
    common: -1,
    commonError: 0.4,
    handled: 0,
    own: own(0.5, -0.4, 0.2),
  })),
  byStiffness: 0.5,
  weekly: { air: 3.2, chance: 0.7 },
  ...change,
});
const facts = (change: Partial<RowFacts>): RowFacts => ({
  need: { kind: 'probably right', until: null },
  drift: drift({}),
  pending: false,
  fittedAt: null,
  leftOff: null,
  lent: false,
  wasLent: false,
  sittings: 8,
  pegs: 'direct',
  withAir: null,
  ...change,
});

describe('what is going on with an instrument', () => {
  const falls = drift({}).spans.map((span) => ({ ...span, common: -7, own: own(0.2, 0, -0.1) }));
  const air = (perTenPercent: number) => ({ perTenPercent, error: 1, explains: 0.6, spans: 12 });
  const cases: readonly (readonly [Partial<RowFacts>, string])[] = [
    [{ lent: true }, 'Lent out.'],
    [{ sittings: 0, drift: null }, 'Not looked at yet.'],
    [{ drift: null, pending: true }, 'One moment …'],
    [{ drift: null }, 'Why it drifts could not be worked out.'],
    [{ need: { kind: 'resting', since: NOW - 200 * DAY_MS } }, 'Not read since Mon 11 May.'],
    [{ leftOff: { course: 3, cents: -22.4 } }, 'Left with string 3 22 cents low.'],
    [
      { drift: drift({ cause: 'still' }) },
      'Nothing moved by more than 2 cents in 21 days. One strum will do.',
    ],
    [
      { drift: drift({ cause: 'peg', courses: [3] }) },
      'String 3 alone drops, about 22 cents a week: its peg slips. Tighten the screw of the peg.',
    ],
    [
      { drift: drift({ cause: 'peg', courses: [3, 1] }), pegs: 'geared' },
      'Strings 3 and 1 drop, about 22 cents a week: its peg slips. Look at its winding and its screw.',
    ],
    [
      { drift: drift({ cause: 'air', spans: falls }) },
      'All went about 7 cents low alike: the air, not the pegs.',
    ],
    // Damp air raises what it swells, so what went low was dry; and the other way round.
    [
      { drift: drift({ cause: 'air', spans: falls }), withAir: air(4) },
      'All went about 7 cents low alike: dry air, not the pegs.',
    ],
    [
      { drift: drift({ cause: 'air', spans: falls }), withAir: air(-4) },
      'All went about 7 cents low alike: damp air, not the pegs.',
    ],
    [
      { drift: drift({ cause: 'air' }) },
      'All go up and down alike, about 3 cents a week: the air, not the pegs.',
    ],
    [
      { drift: drift({ cause: 'handled' }) },
      'Its strings moved every way, each its own: hands, not the air.',
    ],
    [
      { drift: drift({ cause: 'handled' }), wasLent: true },
      'Its strings moved every way, each its own, while it was lent.',
    ],
    [
      { drift: drift({ cause: 'one string', courses: [2] }) },
      'String 2 alone wanders, up and down: worn, or its winding sits loosely.',
    ],
    [
      { drift: drift({ cause: 'not enough' }), sittings: 2 },
      'Looked at 2 times: why it drifts is told after four sittings.',
    ],
    [
      { fittedAt: NOW - 2 * DAY_MS, drift: drift({ spans: falls }) },
      'New strings, 2 days old: fell up to 7 cents since the look before.',
    ],
    [{ fittedAt: NOW - 2 * DAY_MS, drift: null }, 'New strings, 2 days old.'],
  ];
  for (const [change, wanted] of cases)
    it(wanted, () => {
      expect(diagnosisInWords(facts(change), CLOCK)).to.equal(wanted);
    });

  it('a cause is told by the same words wherever it stands', () => {
    const of = facts({ drift: drift({ cause: 'peg', courses: [3] }) });
    expect(causeInWords(drift({ cause: 'peg', courses: [3] }), of)).to.equal(
      diagnosisInWords(of, CLOCK),
    );
  });
});

describe('when it is due', () => {
  it('is told by the day', () => {
    const said = (need: RowFacts['need']) => needInWords(need, CLOCK);
    expect(said({ kind: 'now', because: 'drift', since: NOW - 5 })).to.equal('due today');
    expect(said({ kind: 'now', because: 'drift', since: NOW - DAY_MS })).to.equal(
      'due since yesterday',
    );
    expect(said({ kind: 'probably right', until: NOW + DAY_MS })).to.equal('tomorrow');
    expect(said({ kind: 'probably right', until: NOW + 6 * DAY_MS })).to.equal('Thu 3 Dec');
    expect(said({ kind: 'probably right', until: NOW + 60 * DAY_MS })).to.equal('26 Jan 2027');
    expect(said({ kind: 'probably right', until: null })).to.equal('no hurry');
    expect(said({ kind: 'resting', since: null })).to.equal('no hurry');
  });
});

describe('strings and air', () => {
  it('say their figures with their units', () => {
    expect(
      withAirInWords({ perTenPercent: 3.42, error: 0.61, explains: 0.583, spans: 14 }),
    ).to.equal(
      'Ten per cent more humidity move all strings by +3.4 cents (± 0.6). That explains 58 % of what they did alike, over 14 times.',
    );
    expect(
      wearInWords('change', [
        { kind: 'dull', worn: 1, figure: 14.2, course: 4 },
        { kind: 'false', worn: 1, figure: 9.3, course: 3 },
        { kind: 'stiffness', worn: 0.4, figure: 0.14, course: 2 },
        { kind: 'off law', worn: 0.3, figure: -0.7, course: 1 },
        { kind: 'age', worn: 0.3, figure: 90, course: null },
        { kind: 'played', worn: 0.1, figure: 7, course: null },
      ]),
    ).to.deep.equal({
      say: 'Change them.',
      more:
        'High partials of string 4 are 14 dB weaker than when it was new. The fret check found string 3 false in itself, by up to 9 cents. Stiffness of string 2 has changed by 14 %. ' +
        'Partials of string 1 lie 0.7 cents nearer to a stiff string’s law. They are 90 days old. They were played on about 7 days.',
    });
    expect(sparesInWords('ukulele, 4 strings', { used: 1, instruments: 8, have: 2 })).to.equal(
      'ukulele, 4 strings: have 2 sets (1 set put on in a year, 8 instruments).',
    );
  });

  it('says how the strings share what all do alike, or that it cannot be told', () => {
    const said = (byStiffness: number) => weekInWords(drift({ byStiffness }));
    expect(said(0.9)).to.equal(
      'A week moves all strings by about 3.2 cents together, and each by 0.7 cents by chance. ' +
        'The stiffer a string for its load, the more it goes along.',
    );
    expect(said(0.1)).to.match(/All go along by the same\.$/);
    expect(said(0.5)).to.match(/cannot be told yet\.$/);
  });
});
