import { isByEar, windingRound, windingTask } from '@rosefinch/core/dialogue';
import { list, message, signed, type Value } from '@rosefinch/core/message';
import { deviationInWords, type WindingTask } from '@rosefinch/core/sentences';
import { currentPass, type StringReading, stringOf } from '@rosefinch/core/sitting';
import type { Cents } from '@rosefinch/core/units';
import { allStored, shownCents, useRinging } from '../../parts/listening/index.ts';
import { StageFigure } from '../../parts/stage/index.ts';
import { useWords } from '../../parts/words/index.ts';
import type { Bench } from './useBench.ts';

/** The deviation of the string in hand: it runs while the note rings, and then it is the reading. */
export function BenchFigure({ bench }: { readonly bench: Bench }) {
  const round = windingRound(bench.talk.led);
  // What was just read stands until the string is heard to move.
  const isFollowed =
    round && (!round.inSession || round.pitch !== null || round.toCome.length === 0);
  return isFollowed ? (
    <StageFigure {...windingFigure(windingTask(round, bench.world))} />
  ) : (
    <Deviation bench={bench} />
  );
}

/** How far it is to go for a string that is wound up from slack. */
function windingFigure(task: WindingTask): { readonly figure: Value; readonly note: Value } {
  switch (task.kind) {
    case 'go on':
      return { figure: String(task.semitones), note: message('bench.semitonesToGo') };
    case 'above':
      return { figure: `+${task.semitones}`, note: message('bench.semitonesAbove') };
    case 'stop':
    case 'near breaking':
      return { figure: message('bench.stopFigure'), note: '' };
    case 'pluck':
    case 'too high':
    case 'over':
      return { figure: '–', note: '' };
  }
}

function Deviation({ bench }: { readonly bench: Bench }) {
  const t = useWords();
  const { sitting, listening, talk } = bench;
  const { state } = sitting;
  const ringing = useRinging(listening.live);
  const course = ringing ? ringing.course : state.active;
  const last = course === null ? undefined : stringOf(currentPass(state), course)?.readings.at(-1);
  const stored = allStored(sitting.log);
  const hidden = isByEar(talk);
  // Whose figure it would be is just what is not known.
  const inDoubt = talk.notice?.kind === 'doubt';
  const cents = shownCents(ringing, last?.cents);
  if (hidden || inDoubt || cents === null)
    return <StageFigure figure={hidden ? t('bench.hiddenFigure') : '–'} note="" stored={stored} />;
  const note = noteOf(cents, last, state.goal.tolerance);
  // Tenths of a pitch that moves are gone before they are read.
  const figure = talk.called && ringing ? t.signedWhole(cents) : t.signed(cents);
  return <StageFigure figure={figure} note={note} stored={stored} />;
}

/** Where it stands in words, how sure that is once it is read, and where it is to be brought. */
function noteOf(cents: Cents, last: StringReading | undefined, tolerance: Cents): Value {
  const aim = last?.aim ?? 0;
  const place = deviationInWords(cents - aim, tolerance);
  return list([
    message('bench.centsPlace', { place }),
    ...(last && cents === last.cents
      ? [message('bench.plusMinus', { error: last.errorCents })]
      : []),
    ...(aim === 0 ? [] : [message('bench.aimFigure', { aim: signed(aim) })]),
  ]);
}
