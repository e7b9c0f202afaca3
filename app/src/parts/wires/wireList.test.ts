import { expect } from 'chai';
import { createElement } from 'react';
import { drawnInWords } from '../words/inWordsFixture.ts';
import { MiniWires, type WireLine, WireList } from './index.ts';

const line = (change: Partial<WireLine> = {}): WireLine => ({
  course: 3,
  name: 'G3',
  says: '−8.4 cents, low (flat)',
  active: false,
  chosen: false,
  picture: null,
  word: 'low',
  ...change,
});
const list = (lines: readonly WireLine[], onChoose?: (course: number) => void) =>
  drawnInWords(createElement(WireList, { lines, ...(onChoose && { onChoose }) }));

describe('the wires’ band', () => {
  it('says of each string its name, its figures and its word, in the order that is given', () => {
    const shown = list([line({ course: 6, name: 'E2' }), line()]);
    expect(shown).to.match(/6, E2: −8\.4 cents, low \(flat\).*3, G3:/s);
    expect(shown).to.contain('>low<');
  });

  it('shows from and to only where they are known', () => {
    expect(list([line({ from: '−39.1', to: '−0.4' })])).to.contain('−39.1 → <strong>−0.4</strong>');
    expect(list([line({ from: '−39.1' })])).to.contain('−39.1</span>');
    expect(list([line({ to: 'D2' })])).to.contain('"><strong>D2</strong>');
    expect(list([line()])).to.not.contain('→');
  });

  it('marks the string in hand, and the one that was chosen where one can be', () => {
    const choose = () => {};
    expect(list([line({ active: true })])).to.contain('data-active="true"');
    expect(list([line({ chosen: true })], choose)).to.contain('aria-pressed="true"');
    expect(list([line({ chosen: true })])).to.not.contain('aria-pressed');
  });
});

describe('small wires of a sitting', () => {
  const bars = (found: number | null, left: number | null) =>
    [
      ...drawnInWords(
        createElement(MiniWires, { strings: [{ course: 1, found, left }], tolerance: 2 }),
      ).matchAll(/<rect class="([^"]+)" x="(\d+)" y="([\d.]+)" width="\d+" height="([\d.]+)"/g),
    ].map(([, kind, x, y, height]) => ({
      kind,
      x: Number(x),
      y: Number(y),
      height: Number(height),
    }));
  const WIRE = 8.5;

  it('low hangs, high stands, at rest lies on its wire; found is on the left', () => {
    const [low, rest] = bars(-30, 1);
    expect(low).to.include({ kind: 'open-bar', y: WIRE });
    expect(rest!.kind).to.equal('mark');
    expect(rest!.y + rest!.height / 2).to.equal(WIRE);
    expect(low!.x).to.be.below(rest!.x);
    const [high] = bars(30, null);
    expect(high!.y + high!.height).to.be.closeTo(WIRE, 1e-9);
  });

  it('is longer the farther off, and draws nothing that was not read', () => {
    expect(bars(-60, null)[0]!.height).to.be.above(bars(-12, null)[0]!.height);
    expect(bars(null, null)).to.deep.equal([]);
    expect(bars(2, 2.1).map(({ kind }) => kind)).to.deep.equal(['mark', 'open-bar']);
  });
});
