import { expect } from 'chai';
import { lengthValue, message } from '../message.ts';
import { plainFigures } from '../messageFixture.ts';
import { findTuning, shiftHz, targetsOf } from '../music/index.ts';
import { warningInWords } from '../sentences/index.ts';
import { findModel, type StringSpec } from '../strings/index.ts';
import type { PlanString } from './index.ts';
import { warningsOf } from './warnings.ts';

/** A plain string on 648 mm at E4, its usual note, brought from there by so many semitones. */
function plain(change: Partial<PlanString> = {}, spec: Partial<StringSpec> = {}): PlanString {
  const [target] = targetsOf(findTuning('guitar-standard')!, 440);
  const string = findModel('steel-guitar')!.build('g', 'G').courses[0]!.strings[0]!.spec;
  return {
    course: 1,
    spec: { ...string, ...spec },
    lengthMm: 648,
    startFret: 0,
    nowHz: target!.hz,
    targetHz: target!.hz,
    targetMidi: target!.midi,
    standardHz: target!.hz,
    ...change,
  };
}

const E4 = 329.63;
const up = (semitones: number, spec?: Partial<StringSpec>) =>
  plain({ targetHz: shiftHz(E4, 100 * semitones) }, spec);
const kinds = (string: PlanString) => warningsOf([string], [string], false).map((w) => w.kind);
const says = (string: PlanString) => warningsOf([string], [string], false).map(warningInWords);

// Music wire of 0.305 mm on 648 mm breaks at 445 Hz: 5.2 semitones above E4.
describe('strings near to breaking', () => {
  const STEPS: readonly (readonly [number, string | undefined])[] = [
    [2.6, undefined],
    [2.8, 'caution'],
    [4.1, 'caution'],
    [4.3, 'refused'],
    [6, 'refused'],
  ];
  for (const [semitones, kind] of STEPS)
    it(`${semitones} semitones up: ${kind ?? 'nothing'}`, () => {
      const found = kinds(up(semitones)).filter((one) => one === 'caution' || one === 'refused');
      expect(found).to.deep.equal(kind === undefined ? [] : [kind]);
    });

  it('past breaking it is said by how much', () => {
    expect(plainFigures(says(up(7))[0] ?? null)).to.deep.equal([
      message('retune.wouldBreak', { string: 1, semitones: 1.75337 }),
      message('retune.needsLower'),
    ]);
  });

  it('no lighter plain string is advised: it breaks at nearly the same pitch', () => {
    expect(plainFigures(says(up(5))[0] ?? null)).to.deep.equal([
      message('retune.nearBreaking', { string: 1, semitones: 0.24663 }),
      message('retune.needsLower'),
    ]);
  });

  it('one that is let down is never warned of', () => {
    const down = plain({ nowHz: shiftHz(E4, 520), targetHz: shiftHz(E4, 420) });
    expect(kinds(down)).to.not.include('caution');
    expect(kinds(down)).to.not.include('refused');
  });

  it('a wound third on a thin core is told what unwound string would stand there', () => {
    // A core of 0.24 mm under the pull of a string of 0.61 mm breaks just above G3.
    const wound = plain(
      { course: 3, nowHz: 185, targetHz: 196, targetMidi: 55, standardHz: 196 },
      { wound: true, diameterMm: 0.61, coreMm: 0.24, unitWeight: 1.9e-3 },
    );
    // T = ρ π d² (L f)²: 0.555 mm for the same pull of 122.6 N.
    expect(plainFigures(says(wound)[0] ?? null)).to.deep.equal([
      message('retune.nearBreaking', { string: 3, semitones: 0.029792 }),
      message('retune.needsOther', {
        material: 'steel',
        diameter: lengthValue(0.56, 2),
        newtons: 124.754936,
      }),
    ]);
  });
});

describe('strings that flap or are pulled too hard', () => {
  const STEPS: readonly (readonly [number, string | undefined])[] = [
    [-5.9, undefined],
    [-6.1, 'slack'],
    [4, undefined],
    [4.1, 'tight'],
  ];
  // Tension goes with the square of the pitch: half of it 6 semitones below, 1.6 times it 4.07 above.
  for (const [semitones, kind] of STEPS)
    it(`${semitones} semitones: ${kind ?? 'nothing'}`, () => {
      const found = kinds(up(semitones)).filter((one) => one === 'slack' || one === 'tight');
      expect(found).to.deep.equal(kind === undefined ? [] : [kind]);
    });

  it('a ukulele’s high G brought down an octave is told which string it needs', () => {
    const instrument = findModel('ukulele-concert')!.build('u', 'U');
    const spec = instrument.courses[3]!.strings[0]!.spec;
    const low = plain(
      { course: 4, lengthMm: 381, nowHz: 392, targetHz: 196, targetMidi: 55, standardHz: 392 },
      spec,
    );
    // Half the pitch at the same tension: twice the diameter.
    const twice = (2 * spec.diameterMm).toFixed(2);
    expect(says(low)[0]).to.deep.equal([
      message('retune.slack', { string: 4, percent: 25 }),
      message('retune.needsHeavier'),
    ]);
    if (2 * spec.diameterMm < 1.15) expect(says(low)[0]).to.contain(`${twice} mm`);
    else
      expect(says(low)[0]).to.deep.equal([
        message('retune.slack', { string: 4, percent: 25 }),
        message('retune.needsHeavier'),
      ]);
  });
});

describe('the neck', () => {
  it('is spoken of once it carries 15 % more than usual, and when the bridge floats', () => {
    const load = (semitones: number) => kinds(up(semitones)).includes('load');
    // 1.15 = 2^(s/6): 1.21 semitones.
    expect(load(1.2)).to.equal(false);
    expect(load(1.22)).to.equal(true);
    const string = plain();
    expect(warningsOf([string], [string], true)).to.deep.equal([{ kind: 'floating' }]);
    expect(warningsOf([string], [], true)).to.deep.equal([]);
  });
});
