import { expect } from 'chai';
import { DAY_MS } from '../units.ts';
import {
  type AirAt,
  humidityAt,
  type SpanDrift,
  sparesFor,
  type Wear,
  withAir,
  wornStrings,
} from './index.ts';

const NOW = Date.UTC(2026, 10, 27);

describe('spare strings', () => {
  it('one set put on in a year by one instrument: have one, which suffices nine times in ten', () => {
    expect(sparesFor([NOW - 100 * DAY_MS], 1, NOW)).to.deep.equal({
      used: 1,
      instruments: 1,
      have: 1,
    });
  });

  it('is the ninth decile of a negative binomial count, by adding up its terms', () => {
    // Shape 12 + 0.5 · 8 = 16, ninety days against two years: p = 90 / 820.
    const used = Array.from({ length: 12 }, (_, i) => NOW - (i + 1) * 25 * DAY_MS);
    const { have } = sparesFor(used, 8, NOW);
    const p = 90 / 820;
    const choose = (n: number, k: number): number => (k === 0 ? 1 : (choose(n - 1, k - 1) * n) / k);
    const chance = (k: number) => choose(15 + k, k) * (1 - p) ** 16 * p ** k;
    let sum = 0;
    let k = 0;
    while (sum + chance(k) < 0.9) sum += chance(k++);
    expect(have).to.equal(k);
  });

  it('what was put on longer ago than a year does not count', () => {
    expect(sparesFor([NOW - 400 * DAY_MS], 1, NOW).used).to.equal(0);
  });
});

describe('worn strings', () => {
  const wear = (change: Partial<Wear>): Wear => ({
    now: NOW,
    fittedAt: NOW - 30 * DAY_MS,
    loans: [],
    sittings: 4,
    heard: [],
    soft: false,
    falseStrings: [],
    scattering: [],
    ...change,
  });
  const plucks = (course: number, dulls: readonly number[], stiffness = 1e-4) =>
    dulls.map((dull, i) => ({
      at: NOW - (20 - i) * DAY_MS,
      course,
      dull,
      stiffness,
      offLaw: 0.5,
    }));

  it('young and little played are still good; old ones are tired, and nothing sends them away unheard', () => {
    expect(wornStrings(wear({})).verdict).to.equal('still good');
    expect(wornStrings(wear({ fittedAt: NOW - 400 * DAY_MS })).verdict).to.equal('tired');
    expect(wornStrings(wear({ fittedAt: NOW - 4000 * DAY_MS })).verdict).to.equal('tired');
    expect(
      wornStrings(
        wear({
          fittedAt: NOW - 60 * DAY_MS,
          loans: [{ from: NOW - 90 * DAY_MS, to: NOW - 15 * DAY_MS }],
        }),
      ).verdict,
    ).to.equal('tired');
    // Nylon lasts longer: common practice, no source.
    expect(wornStrings(wear({ fittedAt: NOW - 200 * DAY_MS, soft: true })).verdict).to.equal(
      'still good',
    );
  });

  it('high partials that have died away send them away, and the string is named', () => {
    const heard = [...plucks(1, [10, 11, 10, 12, 11, 10]), ...plucks(4, [10, 10, 11, 23, 25, 24])];
    const { verdict, signs } = wornStrings(wear({ heard }));
    expect(verdict).to.equal('change');
    expect(signs[0]).to.deep.include({ kind: 'dull', course: 4, figure: 14 });
  });

  it('a string that a fret check found false is to be changed, however young', () => {
    const { verdict, signs } = wornStrings(wear({ falseStrings: [{ course: 2, cents: 9 }] }));
    expect(verdict).to.equal('change');
    expect(signs[0]).to.deep.include({ kind: 'false', course: 2, figure: 9 });
  });

  it('fretted notes that lie about on one string speak for changing it, by how far', () => {
    const verdict = (cents: number) => wornStrings(wear({ scattering: [{ course: 3, cents }] }));
    expect(verdict(2).verdict).to.equal('still good');
    expect(verdict(4).verdict).to.equal('tired');
    expect(verdict(6).verdict).to.equal('change');
    expect(verdict(6).signs[0]).to.deep.include({ kind: 'scatter', course: 3, figure: 6 });
  });

  it('without a date and with few plucks nothing is said', () => {
    expect(wornStrings(wear({ fittedAt: null })).verdict).to.equal('not known');
    expect(wornStrings(wear({ fittedAt: null, heard: plucks(1, [10, 40]) })).verdict).to.equal(
      'not known',
    );
  });
});

describe('the air', () => {
  const air: AirAt[] = Array.from({ length: 60 }, (_, i) => ({
    at: NOW - (60 - i) * DAY_MS,
    humidity: 40 + 10 * Math.sin(i / 3),
  }));
  const span = (from: number, common: number): SpanDrift => ({
    from: NOW - from * DAY_MS,
    to: NOW - (from - 5) * DAY_MS,
    common,
    commonError: 0.5,
    handled: 0,
    own: [],
  });

  it('tells what ten per cent more humidity do, by least squares', () => {
    const spans = [50, 44, 38, 32, 26, 20, 14].map((from) => {
      const before = humidityAt(air, NOW - from * DAY_MS) ?? 0;
      const after = humidityAt(air, NOW - (from - 5) * DAY_MS) ?? 0;
      return span(from, 0.4 * (after - before));
    });
    const told = withAir(spans, air);
    expect(told?.perTenPercent).to.be.closeTo(4, 1e-9);
    expect(told?.explains).to.be.closeTo(1, 1e-9);
  });

  it('says nothing with few spans, or where no day is near', () => {
    expect(withAir([span(10, 3)], air)).to.equal(null);
    expect(humidityAt(air, NOW - 300 * DAY_MS)).to.equal(null);
  });
});
