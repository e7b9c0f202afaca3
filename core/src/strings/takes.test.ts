import { expect } from 'chai';
import { findTuning, TUNINGS } from '../music/index.ts';
import { instrumentFor, MODELS, steelGuitar, takesTuning } from './index.ts';

describe('what a tuning is strung on', () => {
  const own = steelGuitar('g', 'Guitar');
  const openD = findTuning('guitar-open-d')!;

  it('is an instrument of its kind with as many strings', () => {
    expect(takesTuning(own, openD)).to.equal(true);
    expect(takesTuning(own, findTuning('guitar-seven-standard')!)).to.equal(false);
    expect(takesTuning(own, findTuning('ukulele-standard')!)).to.equal(false);
  });

  it('is the first of those at hand that takes it, else a usual one', () => {
    const other = steelGuitar('h', 'Another');
    const ukulele = MODELS.find(({ id }) => id.startsWith('ukulele'))!.build('u', 'Uke');
    expect(instrumentFor(openD, [ukulele, other, own], ({ id }) => id)?.id).to.equal('h');
    expect(instrumentFor(openD, [ukulele], ({ id }) => id)?.kind).to.equal('guitar');
    expect(instrumentFor(openD, [], ({ id }) => id)?.courses).to.have.length(6);
  });

  it('is there for every tuning of the catalogue', () => {
    expect(TUNINGS.filter((tuning) => !instrumentFor(tuning, [], ({ id }) => id))).to.deep.equal(
      [],
    );
  });
});
