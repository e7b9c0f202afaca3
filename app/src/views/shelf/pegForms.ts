import type { LabelId } from '@rosefinch/core/message';
import {
  type Instrument,
  type Peg,
  type PegKind,
  type PegLayout,
  pegPlace,
  USUAL_RATIO,
  usualPeg,
} from '@rosefinch/core/strings';

/** The ways in which pegs stand, in words. */
export const LAYOUTS: readonly { readonly value: PegLayout; readonly label: LabelId }[] = [
  { value: '3+3', label: 'shelf.threeASide' },
  { value: '4+3', label: 'shelf.fourAboveThreeBelow' },
  { value: '4+4', label: 'shelf.fourASide' },
  { value: '6+6', label: 'shelf.sixASide' },
  { value: '3+2', label: 'shelf.threeAboveTwoBelow' },
  { value: '2+2', label: 'shelf.twoASide' },
  { value: '2+2+side', label: 'shelf.twoASideOneOn' },
  { value: 'inLine', label: 'shelf.allInLineAbove' },
  { value: 'inLineReversed', label: 'shelf.allInLineBelow' },
];

/** The instrument with its pegs in another layout; directions that no test has shown are guessed anew. */
export function withLayout(instrument: Instrument, layout: PegLayout): Instrument {
  return withPegs({ ...instrument, layout }, (peg, course) => {
    if (peg.known === 'tested') return peg;
    const place = pegPlace(layout, course, instrument.courses.length);
    const { tighten } = usualPeg(peg.kind, place, instrument.leftHanded);
    return { ...peg, tighten };
  });
}

/** The instrument the other way round; directions that no test has shown are guessed anew. */
export function withHand(instrument: Instrument, leftHanded: boolean): Instrument {
  const { leftHanded: _, ...rest } = instrument;
  return withLayout(leftHanded ? { ...rest, leftHanded: true } : rest, instrument.layout);
}

/** The instrument with pegs of another kind, at their usual ratio; a side peg stays as it is. */
export function withPegKind(instrument: Instrument, kind: PegKind): Instrument {
  const { layout, courses } = instrument;
  return withPegs(instrument, (peg, course) =>
    pegPlace(layout, course, courses.length).row === 'side'
      ? peg
      : {
          ...peg,
          kind,
          ratio: USUAL_RATIO[kind],
          ...(peg.known === 'assumed' && {
            tighten: usualPeg(kind, pegPlace(layout, course, courses.length), instrument.leftHanded)
              .tighten,
          }),
        },
  );
}

function withPegs(instrument: Instrument, change: (peg: Peg, course: number) => Peg): Instrument {
  const courses = instrument.courses.map((course) => ({
    ...course,
    strings: course.strings.map(({ spec, peg }) => ({ spec, peg: change(peg, course.number) })),
  }));
  return { ...instrument, courses };
}
