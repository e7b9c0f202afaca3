import { expect } from 'chai';
import fc from 'fast-check';
import { findTuning, TUNINGS, type Tuning } from '../music/index.ts';
import {
  chainOfFourths,
  crossChecks,
  fretPlace,
  harmonicChecks,
  lengthFrom,
  type NeckCourse,
  soundAt,
} from './index.ts';

/** Courses of a tuning; five-string banjos have a short fifth string. */
function neck(tuning: Tuning): NeckCourse[] {
  const short = tuning.kind === 'banjo' && tuning.courses.length === 5;
  return tuning.courses.map(([midi], i) => ({
    course: i + 1,
    midi: midi!,
    startFret: short && i === 4 ? 5 : 0,
  }));
}

const checksOf = (id: string) => crossChecks(neck(findTuning(id)!), 12);
/** “4@5 = 3”: string 4 held at fret 5 sounds open string 3. */
const unisons = (id: string) =>
  checksOf(id)
    .filter((check) => check.octaves === 0)
    .map(({ held, open }) => `${held.course}@${held.fret} = ${open}`);

describe('fret places', () => {
  // Published tables for a 648 mm scale; each step is 1/17.817 of what is left.
  it('on 648 mm', () => {
    const table = { 1: 36.369, 5: 162.549, 7: 215.512, 12: 324, 17: 405.274 };
    for (const [fret, mm] of Object.entries(table))
      expect(fretPlace(648, Number(fret))).to.be.closeTo(mm, 6e-4);
    expect(1 / (fretPlace(648, 1) / 648)).to.be.closeTo(17.817, 5e-4);
  });

  it('a fifth banjo string is as long as the neck from fret 5', () => {
    expect(lengthFrom(670, 5)).to.be.closeTo(670 - fretPlace(670, 5), 1e-9);
  });
});

// Which frets give which strings: common practice, no source.
describe('cross-checks', () => {
  it('guitar neighbours meet at 5, 5, 5, 4, 5', () => {
    expect(unisons('guitar-standard')).to.include.members([
      '6@5 = 5',
      '5@5 = 4',
      '4@5 = 3',
      '3@4 = 2',
      '2@5 = 1',
      '3@9 = 1',
    ]);
  });

  it('open-G banjo: 4@5 = 3, 3@4 = 2, 2@3 = 1, 1@5 = 5, and 3@12 = 5', () => {
    expect(unisons('banjo-open-g')).to.include.members([
      '4@5 = 3',
      '3@4 = 2',
      '2@3 = 1',
      '1@5 = 5',
      '3@12 = 5',
    ]);
  });

  it('ukulele: 4@2 = 1, 2@5 = 1, and 1@3 an octave above open 3', () => {
    expect(unisons('ukulele-standard')).to.include.members(['4@2 = 1', '2@5 = 1']);
    expect(checksOf('ukulele-standard')).to.deep.include({
      held: { course: 1, fret: 3 },
      open: 3,
      octaves: 1,
    });
  });

  it('come with unisons between neighbours at low frets first', () => {
    expect(checksOf('guitar-standard')[0]).to.deep.equal({
      held: { course: 3, fret: 4 },
      open: 2,
      octaves: 0,
    });
  });

  it('of a fretless neck are of open strings alone, and no fret is beyond the last', () => {
    const strings = [67, 55].map((midi, i) => ({ course: i + 1, midi, startFret: 0 }));
    const fretless = strings.map((one) => ({ ...one, frets: 0 }));
    expect(crossChecks(fretless, 12)).to.deep.equal([
      { held: { course: 2, fret: 0 }, open: 1, octaves: -1 },
    ]);
    const short = strings.map((one) => ({ ...one, frets: 11 }));
    expect(crossChecks(short, 12).every(({ held }) => held.fret <= 11)).to.equal(true);
    expect(crossChecks(strings, 12).some(({ held }) => held.fret === 12)).to.equal(true);
  });

  it('are just those that counting finds, for every tuning', () => {
    for (const tuning of TUNINGS) {
      const courses = neck(tuning);
      let count = 0;
      for (const a of courses)
        for (const b of courses)
          for (let fret = 0; fret <= 12; fret++) {
            const sound = soundAt(a, fret);
            const both = a !== b && sound !== null && (sound - b.midi) % 12 === 0;
            if (both && Math.abs(sound - b.midi) <= 12) count += fret === 0 ? 0.5 : 1;
          }
      expect(crossChecks(courses, 12).length, tuning.id).to.equal(count);
    }
  });

  it('sound what they say for any tuning whatever', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 30, max: 75 }), { minLength: 2, maxLength: 8 }),
        (notes) => {
          const courses = notes.map((midi, i) => ({
            course: i + 1,
            midi,
            startFret: i % 3 ? 0 : 5,
          }));
          for (const { held, open, octaves } of crossChecks(courses, 15))
            expect(soundAt(courses[held.course - 1]!, held.fret)).to.equal(
              courses[open - 1]!.midi + 12 * octaves,
            );
        },
      ),
      { seed: 4 },
    );
  });
});

describe('harmonics', () => {
  // A pure fourth is 4:3, 498.045 cents; a tempered one 500.
  it('over frets 5 and 7 set a pure fourth, 1.955 narrow, and do not serve a third', () => {
    const checks = harmonicChecks(neck(findTuning('guitar-standard')!));
    const fourths = checks.filter(({ low, high }) => low.fret === 5 && high.fret === 7);
    expect(fourths.map(({ low, high }) => `${low.course}-${high.course}`)).to.deep.equal([
      '6-5',
      '5-4',
      '4-3',
      '2-1',
    ]);
    for (const { errorCents } of fourths) expect(errorCents).to.be.closeTo(-1.955, 5e-4);
  });

  it('add up over a chain: three links of a guitar are 5.9 cents low', () => {
    const chain = chainOfFourths(harmonicChecks(neck(findTuning('guitar-standard')!)));
    expect(chain.map(({ course }) => course)).to.deep.equal([6, 5, 4, 3]);
    expect(chain.at(-1)?.cents).to.be.closeTo(-5.865, 5e-4);
    // On an open-G banjo 4 and 3 make a fourth, 1 and 5 another, with no link between.
    expect(chainOfFourths(harmonicChecks(neck(findTuning('banjo-open-g')!)))).to.have.length(2);
  });

  it('lie further up on a string that begins at fret 5', () => {
    const checks = harmonicChecks(neck(findTuning('banjo-open-g')!));
    const short = checks.find(({ high }) => high.course === 5 && high.partial === 3)!;
    expect(short.high.fret).to.equal(12);
  });
});
