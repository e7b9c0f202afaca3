import { expect } from 'chai';
import jsQr from 'jsqr';
import { QRCodeSVG } from 'qrcode.react';
import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { instrumentIn, labelOf } from './label.ts';

/** Draws the dark parts of a label as its SVG has them, so many dots a module. */
function drawn(text: string, dots: number): { data: Uint8ClampedArray; size: number } {
  const svg = renderToStaticMarkup(createElement(QRCodeSVG, { value: text, marginSize: 4 }));
  const [, modules = ''] = /viewBox="0 0 (\d+)/.exec(svg) ?? [];
  const [, dark = ''] = /fill="#000000" d="([^"]+)"/.exec(svg) ?? [];
  const size = Number(modules) * dots;
  const data = new Uint8ClampedArray(4 * size * size).fill(255);
  for (const [, x = '', y = '', width = ''] of dark.matchAll(/M(\d+)[ ,](\d+)\s?h(\d+)v1H\d+z/g))
    for (let row = 0; row < dots; row++)
      for (let column = 0; column < Number(width) * dots; column++) {
        const at = 4 * ((Number(y) * dots + row) * size + Number(x) * dots + column);
        data.fill(0, at, at + 3);
      }
  return { data, size };
}

describe('the label of an instrument', () => {
  it('drawn by one package and read by the other names the instrument', () => {
    for (const id of ['wren', '0b7c0c1e-8d0e-4f7a-9a54-3f0a2f6c1d11']) {
      const { data, size } = drawn(labelOf(id), 4);
      expect(instrumentIn(jsQr(data, size, size)?.data ?? '')).to.equal(id);
    }
  });

  it('other codes name none', () => {
    expect(instrumentIn('https://example.org/wren')).to.equal(null);
    expect(instrumentIn('')).to.equal(null);
  });
});
