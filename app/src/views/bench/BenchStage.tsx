import { benchSaying, isByEar } from '@rosefinch/core/dialogue';
import { message } from '@rosefinch/core/message';
import { targetNote } from '@rosefinch/core/music';
import { directionInWords, inCourseInWords, sayingInWords } from '@rosefinch/core/sentences';
import { inCourse } from '@rosefinch/core/strings';
import { lazy, Suspense } from 'react';
import { useDistance } from '../../parts/frame/index.ts';
import { useRingingCourse } from '../../parts/listening/index.ts';
import { Stage } from '../../parts/stage/index.ts';
import { type Perch, WireCanvas } from '../../parts/wires/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { BenchFigure } from './BenchFigure.tsx';
import { BenchReference, benchAside, MayBe } from './benchAside.tsx';
import type { Bench } from './useBench.ts';
import { gaugeOf } from './wireLines.ts';

const BenchPegs = lazy(() => import('./BenchPegs.tsx'));

interface Props {
  readonly bench: Bench;
  readonly perches: ReadonlyMap<number, readonly Perch[]>;
}

/** The string in hand: its open wire, its figure, and what to do with it. */
export function BenchStage({ bench, perches: all }: Props) {
  const t = useWords();
  const { instrument, sitting, listening, talk, world, stock, targets, round } = bench;
  const { live } = listening;
  const { state } = sitting;
  const { afar } = useDistance();
  const ringing = useRingingCourse(live);
  const course = ringing ?? bench.course;
  const target = targets[course - 1];
  const perches = all.get(course) ?? [];
  const place = inCourse(instrument, course);
  const peg = instrument.courses[course - 1]?.strings[0]?.peg;
  const saying = benchSaying(talk, world);
  const problem = listening.problem ?? (bench.problem ? { say: bench.problem, more: null } : null);
  return (
    <Stage
      name={round?.large ?? (target ? targetNote(target) : '')}
      under={[
        ...(round ? [instrument.name] : []),
        // Until a string is worked on the round is what is to be known.
        ...(round?.large
          ? [round.head]
          : [
              state.chosen === course
                ? message('bench.stringChosen', { string: course })
                : message('common.string', { string: course }),
              ...(place ? [inCourseInWords(place)] : []),
              peg
                ? message('bench.tightenWay', { way: directionInWords(peg.tighten) })
                : message('bench.tightenNotKnown'),
            ]),
      ]}
      pegs={
        <Suspense fallback={null}>
          <BenchPegs bench={bench} saying={course === bench.course ? saying : null} />
        </Suspense>
      }
      wire={
        // By ear there is no figure and no stroke to look at: what to compare stands there.
        isByEar(talk) ? (
          <BenchReference bench={bench} />
        ) : (
          <WireCanvas
            tall
            afar={afar}
            tolerance={state.goal.tolerance}
            aim={perches.at(-1)?.aim ?? 0}
            perches={perches}
            live={course === ringing ? () => live.strokeOf(course) : null}
            hidden={false}
            gauge={gaugeOf(course)}
            text={t('bench.lastPlucks', { string: course })}
          />
        )
      }
      figure={<BenchFigure bench={bench} />}
      sentence={round?.sentence ?? sayingInWords(saying)}
      short={stock.settings.wording === 'short'}
      problem={problem}
      aside={round?.mayBe ? <MayBe round={round} name={instrument.name} /> : benchAside(bench)}
    />
  );
}
