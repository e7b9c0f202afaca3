import { list, type Message, message, signed } from '@rosefinch/core/message';
import { targetNote } from '@rosefinch/core/music';
import type { Restringing } from '@rosefinch/core/records';
import { holdInWords, standingInWords } from '@rosefinch/core/sentences';
import { outlookNow, type StringHistory } from '@rosefinch/core/settling';
import type { Instrument } from '@rosefinch/core/strings';
import { ofPair, type WireLine } from '../../parts/wires/index.ts';
import { type Charts, sureFrom } from './charts.ts';
import { SizedChart } from './SizedChart.tsx';
import { stateOf } from './settlingStrings.ts';
import type { Settling } from './useSettling.ts';

/** A slim wire over time for each new string, with what it holds at its right end. */
export function settleLines(
  settling: Settling,
  instrument: Instrument,
  restringing: Restringing,
  charts: Charts,
): WireLine[] {
  const { fresh, targets, sitting, goal, course: inHand } = settling;
  return fresh.map((history): WireLine => {
    const { course } = history;
    const name = targetNote(targets[course - 1]);
    return {
      course,
      name,
      ...ofPair(instrument, course, name),
      active: course === inHand,
      chosen: sitting.state.chosen === course,
      says: standingOf(history, settling),
      picture: (
        <SizedChart
          key={course}
          name={message('settle.stringOverTime', { string: course })}
          {...{ history, restringing, charts }}
          tolerance={goal.tolerance}
          gauge={0.8 + 0.3 * course}
        />
      ),
      word: wordOf(history, settling),
    };
  });
}

/** How a string stands, with its figures. */
function standingOf(history: StringHistory, settling: Settling) {
  const { taken, rounds, droppedSoFar, last } = history;
  const state = stateOf(history, settling.report);
  const sure = sureFrom(settling, history.course);
  return list([
    message('settle.readingsCounted', {
      readings: taken.filter(({ step }) => step !== 'left out').length,
    }),
    ...(last ? [message('settle.readLast', { cents: signed(last.cents) })] : []),
    roundsCounted(rounds.length),
    message('settle.droppedSoFar', { cents: droppedSoFar }),
    ...(state
      ? [
          message('settle.standingExpected', {
            standing: standingInWords(state, sure),
            hold: holdInWords(outlookNow(state)),
          }),
        ]
      : []),
  ]);
}

function roundsCounted(rounds: number): Message {
  return message('settle.roundsCounted', { rounds });
}

/** How long it is sure, and whether that is a lesson; while that is worked out, how often it was pulled. */
function wordOf(history: StringHistory, settling: Settling): Message {
  const state = stateOf(history, settling.report);
  return state
    ? standingInWords(state, sureFrom(settling, history.course))
    : roundsCounted(history.rounds.length);
}
