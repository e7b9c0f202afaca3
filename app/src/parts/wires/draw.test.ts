import { inTestLanguage } from '@rosefinch/words/expected';
import { expect } from 'chai';
import { drawWire, type Perch, scaleOf, type WirePicture } from './draw.ts';

type Put = readonly [what: string, ...args: unknown[]];

/** A canvas that writes down what is drawn on it, with the colour that it is drawn in. */
function paper() {
  const put: Put[] = [];
  const state: Record<string, unknown> = {};
  const context = new Proxy(state, {
    get: (_, name: string) => {
      if (name in state) return state[name];
      if (name === 'measureText') return (text: string) => ({ width: 9 * text.length });
      return (...args: unknown[]) =>
        void put.push([
          name,
          ...args,
          ...(name === 'fillRect' || name === 'fillText' ? [state.fillStyle] : []),
          ...(name === 'stroke' ? [state.strokeStyle] : []),
        ]);
    },
  }) as unknown as CanvasRenderingContext2D;
  const of = (what: string) => put.filter(([name]) => name === what).map(([, ...args]) => args);
  return { context, put, of };
}

const PALETTE = {
  ink: 'ink',
  soft: 'soft',
  hairline: 'hairline',
  band: 'band',
  rose: 'rose',
  paper: 'paper',
};
const EMPTY: WirePicture = {
  width: 800,
  height: 200,
  tall: true,
  tolerance: 3,
  aim: 0,
  perches: [],
  live: null,
  hidden: false,
  palette: PALETTE,
  gauge: 2,
  words: inTestLanguage,
};
const MIDDLE = EMPTY.height / 2;

function perch(cents: number, change: Partial<Perch> = {}): Perch {
  return { cents, error: 0.3, aim: 0, stroke: [0.1, cents, 0.5, cents], stored: true, ...change };
}

function drawn(change: Partial<WirePicture>) {
  const { context, ...rest } = paper();
  drawWire(context, { ...EMPTY, ...change });
  return rest;
}

/** The box of the only perch: left, top, width, height. */
function box(change: Partial<WirePicture>): number[] {
  const { of } = drawn(change);
  const filled = of('fillRect').filter(([, , width, , colour]) => width === 76 && colour === 'ink');
  const open = of('strokeRect');
  expect(filled.length + open.length).to.equal(1);
  return [...filled, ...open][0]!.slice(0, 4) as number[];
}

describe('a wire', () => {
  it('lies in the middle, as thick as its string, whether its strokes are hidden or not', () => {
    for (const hidden of [false, true]) {
      const { of } = drawn({ gauge: 6, hidden, perches: [perch(20)] });
      expect(of('fillRect')).to.deep.include([46, MIDDLE - 3, 754, 6, 'ink']);
      expect(of('strokeRect')).to.have.length(hidden ? 0 : 1);
    }
  });

  it('has its ruling and the band of its tolerance only where it is tall', () => {
    const tall = drawn({});
    expect(tall.of('fillText').map(([text]) => text)).to.deep.equal([
      '+100',
      '+30',
      '+10',
      '+3',
      '−3',
      '−10',
      '−30',
      '−100',
    ]);
    const [, top, , height] = tall.of('fillRect').find((args) => args.at(-1) === 'band')!;
    // Three of ten linear cents, which take half of the half height of 86 pixels.
    expect(top).to.be.closeTo(MIDDLE - 0.3 * 0.5 * 86, 1e-9);
    expect(height).to.be.closeTo(2 * 0.3 * 0.5 * 86, 1e-9);
    expect(drawn({ tall: false }).of('fillText')).to.deep.equal([]);
  });

  it('moves the band with where the string is to be brought', () => {
    const top = (aim: number) =>
      drawn({ aim })
        .of('fillRect')
        .find((args) => args.at(-1) === 'band')![1] as number;
    expect(top(5)).to.be.below(top(0));
    expect(top(-5)).to.be.above(top(0));
  });

  it('low hangs under its line, high stands on it, at rest lies across it', () => {
    const y = (cents: number) => MIDDLE - (cents / 10) * 0.5 * 86;
    const [, low, , lowHeight] = box({ perches: [perch(-8)] });
    expect([low, lowHeight]).to.deep.equal([y(-8), 10]);
    const [, high, , highHeight] = box({ perches: [perch(8)] });
    expect([high! + highHeight!, highHeight]).to.deep.equal([y(8), 10]);
    const [, rest, , restHeight] = box({ perches: [perch(1)] });
    expect([rest! + 4, restHeight]).to.deep.equal([y(1), 8]);
  });

  for (const [cents, aim, solid] of [
    [3, 0, true],
    [3.01, 0, false],
    [-3, 0, true],
    [-3.01, 0, false],
    [9, 6, true],
    [9.01, 6, false],
    [0, 6, false],
  ] as const)
    it(`${cents} cents with ${aim} wanted is ${solid ? 'solid' : 'open'}`, () => {
      expect(drawn({ perches: [perch(cents, { aim })] }).of('strokeRect')).to.have.length(
        solid ? 0 : 1,
      );
    });

  it('says every deviation with its sign and its error on the open wire; a slim one has its figures beside it', () => {
    const texts = (change: Partial<WirePicture>) =>
      drawn({ perches: [perch(-7.84)], ...change })
        .of('fillText')
        .map(([text]) => String(text))
        .filter((text) => /[.,]/.test(text));
    expect(texts({})).to.deep.equal(['−7.8', ' ±0.3']);
    expect(texts({ tall: false })).to.deep.equal([]);
    expect(texts({ height: 80 })).to.deep.equal(['−7.8', ' ±0.3']);
  });

  it('keeps what it says within the picture, however far the string is off', () => {
    for (const cents of [-1200, -100, -60, 60, 100, 1200])
      for (const [text, , y] of drawn({ perches: [perch(cents)] }).of('fillText'))
        if (/±|\./.test(String(text))) expect(y, `${cents}: ${text}`).to.be.within(6, 194);
  });

  it('marks what is not on the disk yet by an open dot', () => {
    const dots = (stored: boolean) => drawn({ perches: [perch(8, { stored })] }).of('arc').length;
    expect(dots(false)).to.equal(dots(true) + 1);
  });

  it('shows the newest that fit; the newest of them, or the note that rings, is the rose one', () => {
    const many = Array.from({ length: 9 }, (_, i) => perch(10 + i));
    const labels = (change: Partial<WirePicture>) =>
      drawn({ perches: many, ...change })
        .of('fillText')
        .map(([text]) => String(text))
        .filter((text) => /^\+1\d\.0$/.test(text));
    // 744 pixels hold four of 168.
    expect(labels({})).to.deep.equal(['+15.0', '+16.0', '+17.0', '+18.0']);
    expect(labels({ live: [0.1, 4] })).to.deep.equal(['+16.0', '+17.0', '+18.0']);
    expect(labels({ width: 100 })).to.deep.equal(['+18.0']);
    expect(labels({ width: 100, live: [0.1, 4] })).to.deep.equal([]);
    const colours = (live: number[] | null) =>
      drawn({ perches: many.slice(0, 2), live })
        .of('stroke')
        .map(([colour]) => colour);
    expect(colours(null).filter((colour) => colour === 'rose')).to.have.length(1);
    expect(colours([0.1, 4, 0.2, 3]).filter((colour) => colour === 'rose')).to.have.length(1);
    expect(colours([0.1, 4, 0.2, 3]).at(-1)).to.equal('rose');
  });

  it('draws a stroke as it went, from where it was first heard', () => {
    const { of } = drawn({ live: [0, 10, 0.45, 5, 0.9, 0, 3, 0] });
    const [first] = of('moveTo') as number[][];
    const rest = of('lineTo') as number[][];
    expect(first).to.deep.equal([56, MIDDLE - 43]);
    expect(rest.map(([x]) => x)).to.deep.equal([56 + 64.8, 56 + 129.6, 56 + 129.6]);
    expect(rest.at(-1)![1]).to.equal(MIDDLE);
  });

  it('a stroke of nothing draws nothing', () => {
    expect(drawn({ live: [] }).of('beginPath')).to.deep.equal([]);
  });

  it('has fewer lines of its scale where there is less room', () => {
    const lines = (height: number) =>
      drawn({ height })
        .of('fillText')
        .map(([text]) => String(text));
    expect(lines(200)).to.deep.equal(['+100', '+30', '+10', '+3', '−3', '−10', '−30', '−100']);
    expect(lines(140)).to.deep.equal(['+100', '+10', '−10', '−100']);
    expect(lines(90)).to.deep.equal(['+10', '−10']);
  });

  it('grows with its place, and from afar so that its figures are 56 pixels high', () => {
    expect(scaleOf(500, 120, false)).to.equal(1);
    expect(scaleOf(500, 460, false)).to.be.closeTo(2, 1e-9);
    const PERCH_FIGURE = 17;
    expect(scaleOf(1232, 260, true) * PERCH_FIGURE).to.be.at.least(56);
    expect(scaleOf(340, 260, true)).to.equal(1);
  });
});
