import type { StringSettling } from '@rosefinch/core/settling';
import { dropsOf, outlookNow, stillSure } from '@rosefinch/core/settling';
import type { Seconds } from '@rosefinch/core/units';
import {
  type Clock,
  holdInWords,
  lessonAsked,
  lessonChance,
  SETTLE_SAYS,
  slipsInWords,
  standsInWords,
  sureInWords,
} from '@rosefinch/core/words';
import { fixed } from '@rosefinch/core/writing';
import { Wide } from '../../parts/frame/index.ts';
import type { Settling } from './useSettling.ts';

interface Props {
  readonly settling: Settling;
  readonly clock: Clock;
  /** How long a lesson lasts. */
  readonly minutes: number;
  readonly note: (course: number) => string;
}

/** Every new string: what it dropped, how long it is sure, what is to be expected of it. */
export function VerdictTable({ settling: { report }, clock, minutes, note }: Props) {
  if (!report) return <p className="soft">Working out …</p>;
  return (
    <Wide label="How each string stands">
      <p className="headline">{sureInWords(report.strings, report.at, clock)}</p>
      <table className="ledger" aria-label="How they stand">
        <thead>
          <tr>
            <th scope="col">string</th>
            <th scope="col">dropped so far, cents</th>
            <th scope="col">in the last round</th>
            <th scope="col">rounds</th>
            <th scope="col">as it stands</th>
            <th scope="col">will hold, 8 in 10</th>
            <th scope="col">{lessonAsked(minutes, report.lessonAt, clock)}</th>
          </tr>
        </thead>
        <tbody>
          {report.strings.map((string) => (
            <Row
              key={string.history.course}
              string={string}
              left={stillSure(string, report.at, clock.now)}
              note={note(string.history.course)}
            />
          ))}
        </tbody>
      </table>
      <p className="soft">{SETTLE_SAYS.roomOrCreep}</p>
      {report.strings.map((string) => {
        const odd = slipsInWords(string);
        return odd && <p key={string.history.course}>{odd}</p>;
      })}
    </Wide>
  );
}

interface RowProps {
  readonly string: StringSettling;
  /** What is left of its promise. */
  readonly left: Seconds;
  readonly note: string;
}

function Row({ string, left, note }: RowProps) {
  const { history } = string;
  const newest = dropsOf(history.rounds).at(-1);
  return (
    <tr>
      <th scope="row">
        {history.course} {note}
      </th>
      <td>{fixed(history.droppedSoFar, 1)}</td>
      <td>{newest === undefined ? '' : fixed(newest, 1)}</td>
      <td>{history.rounds.length}</td>
      <td>{standsInWords(string, left)}</td>
      <td>{holdInWords(outlookNow(string))}</td>
      <td>{lessonChance(string)}</td>
    </tr>
  );
}
