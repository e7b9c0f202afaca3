import { digest } from '../maths/digestFixture.ts';
import { normal, seededRandom } from '../maths/index.ts';
import { findTuning, shiftHz, targetsOf } from '../music/index.ts';
import { findModel } from '../strings/index.ts';
import { planRetune, planStrings } from './index.ts';

const WAYS = [
  ['steel-guitar', 'guitar-standard', 'guitar-open-d'],
  ['steel-guitar', 'guitar-open-d', 'guitar-dadgad'],
  ['steel-guitar', 'guitar-standard', 'guitar-new-standard'],
  ['steel-guitar', 'guitar-open-e', 'guitar-drop-c'],
  ['nylon-guitar', 'guitar-standard', 'guitar-open-g'],
  ['ukulele-tenor', 'ukulele-standard', 'ukulele-low-g'],
  ['ukulele-concert', 'ukulele-d', 'ukulele-slack-key'],
  ['banjo-five', 'banjo-open-g', 'banjo-double-c'],
  ['banjo-five', 'banjo-open-g', 'banjo-double-d'],
  ['banjo-tenor', 'banjo-tenor', 'banjo-tenor-low'],
] as const;

function plan([model, from, to]: (typeof WAYS)[number], seed: number) {
  const random = seededRandom(seed);
  const instrument = findModel(model)!.build('i', 'I');
  const off = targetsOf(findTuning(from)!, 440).map(({ hz }) => shiftHz(hz, 8 * normal(random)));
  const strings = planStrings({
    instrument,
    home: findTuning(instrument.tuningId)!,
    target: findTuning(to)!,
    a4: 440,
    nowHz: (course) => off[course - 1]!,
  });
  return (['thickestFirst', 'thinnestFirst', 'planned'] as const).map((order) => {
    const { steps, ...rest } = planRetune(strings, order, 2, { bridge: instrument.bridge });
    return {
      ...rest,
      steps: steps.map(({ references, ...step }) => ({
        ...step,
        headroom: Math.min(99, step.headroom),
        say: references
          .slice(0, 3)
          .map(({ held, open, octaves, good }) =>
            [held.course, held.fret, open, octaves, good].join(' '),
          )
          .join(' / '),
      })),
    };
  });
}

/** Plans between tunings as they are made today. */
export function figures(): Record<string, ReturnType<typeof digest>> {
  return { plans: digest(WAYS.map((way, i) => plan(way, i + 1))) };
}
