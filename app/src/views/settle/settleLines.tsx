import { targetName } from '@rosefinch/core/music';
import type { Restringing } from '@rosefinch/core/records';
import type { StringHistory } from '@rosefinch/core/settling';
import { counted, holdInWords, verdictInWords } from '@rosefinch/core/words';
import { locale } from '../../environment.ts';
import type { WireLine } from '../../parts/wires/index.ts';
import type { Charts } from './charts.ts';
import { SizedChart } from './SizedChart.tsx';
import type { Settling } from './useSettling.ts';

/** A slim wire over time for each new string, with what it holds at its right end. */
export function settleLines(
  settling: Settling,
  restringing: Restringing,
  charts: Charts,
): WireLine[] {
  const { fresh, targets, sitting, course: inHand } = settling;
  return fresh.map((history): WireLine => {
    const { course } = history;
    const name = targetName(targets[course - 1]);
    return {
      course,
      name,
      active: course === inHand,
      chosen: sitting.state.chosen === course,
      says: standingOf(history, settling),
      picture: (
        <SizedChart
          key={course}
          name={`String ${course} over time`}
          {...{ history, restringing, charts }}
          tolerance={sitting.state.goal.tolerance}
          gauge={0.8 + 0.3 * course}
        />
      ),
      word: wordOf(history, settling, restringing),
    };
  });
}

/** How a string stands, with its figures. */
function standingOf({ course, taken, rounds, droppedSoFar }: StringHistory, settling: Settling) {
  const fitted = settling.report?.strings.find(({ history }) => history.course === course);
  const hold = fitted ? holdInWords(fitted) : '';
  return [
    counted(taken.filter(({ step }) => step !== 'left out').length, 'reading'),
    counted(rounds.length, 'round'),
    `dropped ${droppedSoFar.toFixed(1)} cents so far`,
    hold && `stays in tune for ${hold}`,
  ]
    .filter(Boolean)
    .join(', ');
}

/** How long it stays in tune, and whether that is a lesson. */
function wordOf(
  { course, rounds }: StringHistory,
  { report }: Settling,
  { zone }: Restringing,
): string {
  const fitted = report?.strings.find(({ history }) => history.course === course);
  if (!report || !fitted) return counted(rounds.length, 'round');
  const clock = { now: report.now, zone, reader: locale() };
  const { verdict } = fitted;
  const hold = holdInWords(fitted);
  const lesson =
    verdict.kind === 'holds' ? 'holds the lesson' : `lesson: ${verdictInWords(verdict, clock)}`;
  return hold ? `${hold} · ${lesson}` : lesson;
}
