import type { FretReading, Pressure } from '@rosefinch/core/intonation';
import { findTuning, targetsOf } from '@rosefinch/core/music';
import type { FretCheck } from '@rosefinch/core/records';
import { saying } from '@rosefinch/words/expected';
import { expect } from 'chai';
import { createElement } from 'react';
import { drawnInWords } from '../../parts/words/inWordsFixture.ts';
import { FretMap } from './FretMap.tsx';
import { HeatMap } from './HeatMap.tsx';

const AT = 1_764_000_000_000;
const TARGETS = targetsOf(findTuning('ukulele-standard')!, 440);
const read = (fret: number, cents: number, pressure: Pressure = 'normal'): FretReading => ({
  course: 1,
  place: { kind: 'fret', fret, pressure },
  cents: 100 * fret + cents,
  errorCents: 0.5,
  at: AT + fret,
});
const open = { course: 1, place: { kind: 'open' }, cents: 0, errorCents: 0.3, at: AT } as const;
const check = (readings: readonly FretReading[]): FretCheck => ({
  id: 'f',
  instrumentId: 'linnet',
  tuningId: 'ukulele-standard',
  a4: 440,
  source: 'practice',
  startedAt: AT,
  zone: 'Europe/London',
  courses: [2, 1],
  frets: [12, 1, 2, 3],
  pressures: ['normal'],
  readings,
  doneAt: null,
});

function map(readings: readonly FretReading[], label?: string) {
  return drawnInWords(
    createElement(FretMap, {
      check: check(readings),
      targets: TARGETS,
      explanations: null,
      asked: { course: 1, place: { kind: 'fret', fret: 12, pressure: 'normal' } },
      width: 900,
      height: 200,
      ...(label !== undefined && { label }),
    }),
  );
}

const bars = (drawn: string) =>
  [
    ...drawn.matchAll(
      /<rect x="([\d.]+)" y="([\d.]+)" width="(\d+)" height="([\d.]+)" class="([^"]+)"/g,
    ),
  ].map(([, x, y, width, height, kind]) => ({
    middle: Number(x) + Number(width) / 2,
    y: Number(y),
    height: Number(height),
    kind,
  }));

describe('the map of the frets', () => {
  it('has its frets where a fretboard has them: the twelfth at half of the string', () => {
    const places = [...map([]).matchAll(/<line x1="([\d.]+)" x2="\1" y1="4"/g)].map(([, x]) =>
      Number(x),
    );
    expect(places.length).to.equal(12);
    // Equal temperament: each fret lies at 1 − 2^(−n/12) of the string (rule of eighteen made exact).
    const [LEFT, RIGHT] = [74, 880];
    const exact = (fret: number) => LEFT + ((1 - 2 ** (-fret / 12)) / 0.5) * (RIGHT - LEFT);
    for (const [i, x] of places.entries()) expect(x).to.be.closeTo(exact(i + 1), 1e-6);
  });

  it('stands a sharp note on its string, hangs a flat one under it, and closes what nobody hears', () => {
    const [sharp, flat, fine] = bars(map([open, read(1, 6), read(2, -6), read(3, 0.5)])).sort(
      (a, b) => a.middle - b.middle,
    );
    expect([sharp!.kind, flat!.kind, fine!.kind]).to.deep.equal(['open-bar', 'open-bar', 'mark']);
    // Both begin at the string.
    expect(sharp!.y + sharp!.height).to.be.closeTo(flat!.y, 1e-9);
    expect(flat!.height).to.be.closeTo(sharp!.height, 1e-9);
  });

  it('says how many readings it shows, or what part of it it is', () => {
    const struck = { ...read(2, 4), struckOut: true as const };
    expect(map([open, read(1, 2), struck])).to.match(saying('frets.mapSays', { count: 2 }));
    expect(map([], 'String 1, fret by fret')).to.contain('aria-label="String 1, fret by fret"');
  });

  it('writes a figure beside what can be heard', () => {
    const drawn = map([open, read(1, 6), read(3, 0.5)]);
    expect(drawn).to.contain('>+6<');
    expect(drawn).to.not.contain('>+1<');
  });
});

describe('the table of errors', () => {
  it('has each fret once, in its order, and leaves out what was struck out', () => {
    const struck = { ...read(2, 9), struckOut: true as const };
    const drawn = drawnInWords(
      createElement(HeatMap, { check: check([open, read(1, 6.2), struck]), targets: TARGETS }),
    );
    const frets = [...drawn.matchAll(/text-anchor="middle"[^>]*>(\d+)</g)].map(([, fret]) =>
      Number(fret),
    );
    expect(frets.slice(0, 4)).to.deep.equal([1, 2, 3, 12]);
    expect(drawn).to.contain('+6.2').and.not.contain('+9');
  });
});
