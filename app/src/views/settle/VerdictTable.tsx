import type { Clock, Value } from '@rosefinch/core/message';
import {
  holdInWords,
  lessonAsked,
  lessonChance,
  slipsInWords,
  standsInWords,
  sureInWords,
} from '@rosefinch/core/sentences';
import type { StringSettling } from '@rosefinch/core/settling';
import { dropsOf, outlookNow, stillSure } from '@rosefinch/core/settling';
import type { Seconds } from '@rosefinch/core/units';
import { Wide } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';
import type { Settling } from './useSettling.ts';

interface Props {
  readonly settling: Settling;
  readonly clock: Clock;
  /** How long a lesson lasts. */
  readonly minutes: number;
  readonly note: (course: number) => Value;
}

/** Every new string: what it dropped, how long it is sure, what is to be expected of it. */
export function VerdictTable({ settling: { report }, clock, minutes, note }: Props) {
  const t = useWords();
  if (!report) return <p className="soft">{t('settle.workingOut')}</p>;
  return (
    <Wide label={t('settle.howEachStringStands')}>
      <p className="headline">{t(sureInWords(report.strings, report.at, clock))}</p>
      <table className="ledger" aria-label={t('settle.howTheyStand')}>
        <thead>
          <tr>
            <th scope="col">{t('settle.string')}</th>
            <th scope="col">{t('settle.droppedSoFarCents')}</th>
            <th scope="col">{t('settle.inTheLastRound')}</th>
            <th scope="col">{t('settle.rounds')}</th>
            <th scope="col">{t('settle.asItStands')}</th>
            <th scope="col">{t('settle.willHold8In10')}</th>
            <th scope="col">{t(lessonAsked(minutes, report.lessonAt, clock))}</th>
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
      <p className="soft">{t('settle.roomOrCreep')}</p>
      {report.strings.map((string) => {
        const odd = slipsInWords(string);
        return odd && <p key={string.history.course}>{t(odd)}</p>;
      })}
    </Wide>
  );
}

interface RowProps {
  readonly string: StringSettling;
  /** What is left of its promise. */
  readonly left: Seconds;
  readonly note: Value;
}

function Row({ string, left, note }: RowProps) {
  const t = useWords();
  const { history } = string;
  const newest = dropsOf(history.rounds).at(-1);
  return (
    <tr>
      <th scope="row">
        {history.course} {t.value(note)}
      </th>
      <td>{t.number(history.droppedSoFar, 1)}</td>
      <td>{newest === undefined ? '' : t.number(newest, 1)}</td>
      <td>{history.rounds.length}</td>
      <td>{t(standsInWords(string, left))}</td>
      <td>{t(holdInWords(outlookNow(string)))}</td>
      <td>{t(lessonChance(string))}</td>
    </tr>
  );
}
