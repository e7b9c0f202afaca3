import { expect } from 'chai';
import {
  fixed,
  forceFigure,
  inMillimetres,
  inReadersUnit,
  lengthFigure,
  type Reader,
  signedFigure,
  USUAL_READER,
  written,
} from './index.ts';

const reading = (change: Partial<Reader>): Reader => ({ ...USUAL_READER, ...change });

describe('figures for a reader', () => {
  it('have a comma where that is asked for', () => {
    const comma = reading({ decimal: ',' });
    expect(fixed(2.346, 2, comma)).to.equal('2,35');
    expect(written(440.5, comma)).to.equal('440,5');
    expect(signedFigure(-2.44, comma)).to.equal('−2,4');
  });

  it('say which way, but not of nothing', () => {
    expect(signedFigure(2.44, USUAL_READER)).to.equal('+2.4');
    expect(signedFigure(-0.01, USUAL_READER)).to.equal('±0.0');
    expect(signedFigure(-123.4, USUAL_READER)).to.equal('−123');
  });

  // 1 inch is 25.4 mm, 1 lbf 4.4482216152605 N, 1 kgf 9.80665 N: exact (NIST SP 811, appendix B).
  it('are in inches, pounds and kilograms', () => {
    const inches = reading({ length: 'inch' });
    expect(lengthFigure(648, 0, inches)).to.equal('25.5');
    expect(lengthFigure(0.4, 1, inches)).to.equal('0.02');
    expect(lengthFigure(648, 0, USUAL_READER)).to.equal('648');
    expect(inMillimetres(inReadersUnit(648, inches), inches)).to.be.closeTo(648, 1e-9);
    expect(forceFigure(44.482, reading({ force: 'lbf' }))).to.equal('10.0');
    expect(forceFigure(98.0665, reading({ force: 'kgf' }))).to.equal('10.0');
  });
});
