import type { StringSettling } from '@rosefinch/core/settling';
import { dropsOf, worstVerdict } from '@rosefinch/core/settling';
import {
  type Clock,
  counted,
  headlineOf,
  holdInWords,
  lessonInWords,
  oddInWords,
  verdictInWords,
  verdictSpan,
} from '@rosefinch/core/words';
import { locale } from '../../environment.ts';
import { Wide } from '../../parts/frame/index.ts';
import type { Settling } from './useSettling.ts';

interface Props {
  readonly settling: Settling;
  /** How long a lesson lasts. */
  readonly minutes: number;
  readonly zone: string;
  readonly note: (course: number) => string;
}

/** Every new string: what it dropped, how long it holds, what is left to do. */
export function VerdictTable({ settling: { report, fresh }, minutes, zone, note }: Props) {
  if (!report) return <p className="soft">Reckoning …</p>;
  const clock = { now: report.now, zone, reader: locale() };
  const worst = worstVerdict(report.strings);
  const open = report.strings.filter(
    ({ settling }) => settling.kind === 'fitted' && !settling.decided,
  );
  return (
    <Wide label="How each string stands">
      {worst && <p className="headline">{headlineOf(worst, minutes, clock)}</p>}
      <table className="ledger" aria-label="How they stand">
        <thead>
          <tr>
            <th scope="col">string</th>
            <th scope="col">dropped so far, cents</th>
            <th scope="col">in the last round</th>
            <th scope="col">rounds</th>
            <th scope="col">stays in tune for</th>
            <th scope="col">holds {lessonInWords(minutes)}</th>
          </tr>
        </thead>
        <tbody>
          {fresh.map(({ course }) => {
            const string = report.strings.find(({ history }) => history.course === course);
            return string ? (
              <Row key={course} string={string} note={note(course)} clock={clock} />
            ) : null;
          })}
        </tbody>
      </table>
      {open.length > 0 && (
        <p className="soft">
          String {open.map(({ history }) => history.course).join(', ')}: two laws of settling still
          fit; the one that holds shorter answers. A reading some hours on decides.
        </p>
      )}
      {report.odd.map((odd) => (
        <p key={odd.course} role="note">
          <strong>{oddInWords(odd)}</strong> Look at its winding and its peg.
        </p>
      ))}
    </Wide>
  );
}

interface RowProps {
  readonly string: StringSettling;
  readonly note: string;
  readonly clock: Clock;
}

function Row({ string, note, clock }: RowProps) {
  const { history, verdict, roundsByDrops } = string;
  const drops = dropsOf(history.rounds);
  const span = verdictSpan(verdict);
  const byDrops =
    verdict.kind === 'more readings' && roundsByDrops !== null && roundsByDrops > 0
      ? `about ${counted(roundsByDrops, 'round')} until one drops less than the tolerance`
      : '';
  return (
    <tr>
      <th scope="row">
        {history.course} {note}
      </th>
      <td>{history.droppedSoFar.toFixed(1)}</td>
      <td>{drops.at(-1)?.toFixed(1) ?? ''}</td>
      <td>{history.rounds.length}</td>
      <td>{holdInWords(string)}</td>
      <td>
        {verdictInWords(verdict, clock)}
        {(span || byDrops) && <span className="soft"> {span ? `(${span})` : byDrops}</span>}
      </td>
    </tr>
  );
}
