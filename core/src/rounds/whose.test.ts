import { expect } from 'chai';
import { message } from '../message.ts';
import { shiftHz, TUNINGS } from '../music/index.ts';
import {
  type Candidate,
  candidateOf,
  type HeardString,
  othersWaiting,
  whoseIsIt,
} from './index.ts';

const known = (
  instrumentId: string,
  left: readonly number[],
  b: number | null = null,
): Candidate => ({
  instrumentId,
  strings: left.map((cents) => ({
    left: cents,
    spread: 4,
    stiffness: b === null ? null : [0.02, -0.03, 0.01, -0.02, 0.03, 0].map((x) => Math.log(b) + x),
  })),
});
const heard = (cents: readonly number[], b?: number): HeardString[] =>
  cents.map((own, i) => ({
    course: i + 1,
    cents: own,
    errorCents: 0.5,
    ...(b !== undefined && { stiffness: b }),
  }));

describe('whose strings these are', () => {
  it('equal sets are never claimed, however near one lies', () => {
    const others = [known('b', [1, 1, 1, 1]), known('c', [-2, 0, 2, 0])];
    expect(whoseIsIt(heard([1, 1, 1, 1]), known('a', [0, 0, 0, 0]), others)).to.equal(null);
    expect(
      whoseIsIt(heard([1, 1, 1, 1], 1e-4), known('a', [0, 0, 0, 0], 1e-4), [
        known('b', [0, 0, 0, 0], 1e-4),
      ]),
    ).to.equal(null);
  });

  it('pitches that another was left at, and this one was not', () => {
    const mine = known('a', [0, 0, 0, 0]);
    const other = known('b', [0, -38, 0, 31]);
    expect(whoseIsIt(heard([1, -36, -1, 33]), mine, [other])).to.equal('b');
    expect(whoseIsIt(heard([1, 0, -1, 2]), mine, [other])).to.equal(null);
  });

  it('never an instrument of which less is known: one that was never read fits everything', () => {
    const unread: Candidate = {
      instrumentId: 'new',
      strings: [0, 0, 0, 0].map(() => ({ left: null, spread: 4, stiffness: null })),
    };
    const pitches = [3, -6, 8, -4];
    for (const b of [undefined, 1e-4])
      expect(whoseIsIt(heard(pitches, b), known('a', [0, 0, 0, 0], b ?? null), [unread])).to.equal(
        null,
      );
    // … and it does not hide a real swap.
    const other = known('b', [0, -38, 0, 31]);
    expect(whoseIsIt(heard([1, -36, -1, 33]), known('a', [0, 0, 0, 0]), [unread, other])).to.equal(
      'b',
    );
  });

  it('what the air did to all alike tells nothing', () => {
    const mine = known('a', [0, 0, 0, 0]);
    expect(whoseIsIt(heard([-9, -9, -8, -9]), mine, [known('b', [-9, -9, -9, -9])])).to.equal(null);
  });

  it('strings a fifth stiffer, heard often enough', () => {
    const mine = known('a', [0, 0, 0, 0], 1e-4);
    expect(
      whoseIsIt(heard([0, 1, 0, 1], 1.2e-4), mine, [known('b', [0, 0, 0, 0], 1.2e-4)]),
    ).to.equal('b');
  });

  it('two that it could be alike are not told apart', () => {
    const mine = known('a', [0, 0, 0, 0]);
    const others = [known('b', [0, -38, 0, 31]), known('c', [0, -38, 0, 31])];
    expect(whoseIsIt(heard([0, -38, 0, 31]), mine, others)).to.equal(null);
  });
});

describe('what is known of an instrument that it may be', () => {
  const NOW = Date.UTC(2026, 10, 27);
  const string = (course: number, left: number | null, days: number, member = 1) => ({
    course,
    member,
    found: left,
    foundError: 0.4,
    left,
    leftError: 0.4,
    leftHz: 440,
    leftAt: NOW - days * 86_400_000,
    plucks: 1,
  });

  it('is where it was left, the less surely the longer ago, within bounds', () => {
    const last = {
      strings: [string(1, -9, 0), string(2, 4, 16), string(3, 0, 4000), string(2, 80, 1, 2)],
    };
    const { strings } = candidateOf('a', [1, 2, 3, 4], last, new Map([[2, [-9.1]]]), NOW);
    expect(strings.map(({ left }) => left)).to.deep.equal([-9, 4, 0, null]);
    expect(strings.map(({ spread }) => spread)).to.deep.equal([2, 8, 15, 2]);
    expect(strings.map(({ stiffness }) => stiffness)).to.deep.equal([null, [-9.1], null, null]);
  });
});

describe('what a strum may be of instead', () => {
  const one = (id: string, kind: 'guitar' | 'ukulele', tuningId: string) => ({
    id,
    name: id.toUpperCase(),
    kind,
    tuningId,
  });
  const hand = one('hand', 'guitar', 'guitar-standard');
  const others = (...waiting: Parameters<typeof othersWaiting>[1][number][]) =>
    othersWaiting(hand, [hand, ...waiting], TUNINGS, 440);

  it('one that waits alone in its tuning is named, of the same kind too', () => {
    const found = others(
      one('knot', 'ukulele', 'ukulele-standard'),
      one('crane', 'guitar', 'guitar-open-d'),
    );
    expect(found.map(({ name }) => name)).to.deep.equal(['KNOT', 'CRANE']);
    expect(found[0]?.hz[0]).to.be.closeTo(shiftHz(440, 0), 1e-9);
  });

  it('of several alike none is claimed, and one in the tuning in hand is none', () => {
    const found = others(
      one('a', 'ukulele', 'ukulele-standard'),
      one('b', 'ukulele', 'ukulele-standard'),
      one('c', 'guitar', 'guitar-standard'),
    );
    expect(found.map(({ name }) => name)).to.have.length(1);
    expect(found[0]?.name).to.deep.equal(
      message('rounds.oneOf', { kind: 'ukulele', tuning: message('names.ukuleleStandard') }),
    );
  });

  it('a tuning that is no longer kept is left out', () => {
    expect(others(one('a', 'ukulele', 'gone'))).to.deep.equal([]);
  });
});
