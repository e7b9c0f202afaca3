import { isByEar, windingRound } from '@rosefinch/core/dialogue';
import { message } from '@rosefinch/core/message';
import { targetNote } from '@rosefinch/core/music';
import { ledger } from '@rosefinch/core/sitting';
import { useRingingCourse } from '../../parts/listening/index.ts';
import {
  ofPair,
  type Perch,
  WireCanvas,
  type WireLine,
  WireList,
} from '../../parts/wires/index.ts';
import { useWords } from '../../parts/words/index.ts';
import type { Bench } from './useBench.ts';
import { gaugeOf, lineEnd, lineInWords } from './wireLines.ts';

interface Props {
  readonly bench: Bench;
  readonly perches: ReadonlyMap<number, readonly Perch[]>;
}

/** All strings as slim wires: what was found, what was left, how each stands. */
export function BenchWires({ bench, perches: all }: Props) {
  const t = useWords();
  const { stock, sitting, listening, targets, talk, send, instrument } = bench;
  const { state } = sitting;
  const { tolerance } = state.goal;
  const hidden = isByEar(talk);
  const winds = windingRound(talk.led)?.inSession === false;
  const inHand = useRingingCourse(listening.live) ?? bench.course;
  const rows = new Map(ledger(state).map((row) => [row.course, row]));
  const turnedRound = stock.settings.wires !== 'asYouLookDown';
  const lines = targets.flatMap((target): WireLine[] => {
    const { course } = target;
    const row = rows.get(course);
    if (!row) return [];
    const perches = all.get(course) ?? [];
    const newest = perches.at(-1);
    const end = lineEnd(row, talk, hidden);
    const name = targetNote(target);
    return [
      {
        course,
        name,
        ...ofPair(instrument, course, name),
        says: winds
          ? end.word
          : hidden
            ? message('bench.noFigure')
            : lineInWords(row, newest, tolerance),
        active: course === inHand,
        chosen: state.chosen === course,
        picture: (
          <WireCanvas
            tall={false}
            tolerance={tolerance}
            aim={newest?.aim ?? 0}
            perches={perches}
            live={null}
            hidden={hidden}
            gauge={gaugeOf(course)}
            text={t('bench.plucksOfString', { plucks: perches.length, string: course })}
          />
        ),
        ...end,
      },
    ];
  });
  return (
    <WireList
      lines={turnedRound ? lines : lines.reverse()}
      onChoose={(course) =>
        send({ type: 'choose', course: state.chosen === course ? null : course })
      }
    />
  );
}
