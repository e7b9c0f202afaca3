import { type Tuning, targetsOf } from '@rosefinch/core/music';
import {
  arrowOf,
  directionInWords,
  inCourseInShort,
  pegInWords,
  pegKnownInWords,
} from '@rosefinch/core/sentences';
import { centsPerTurn, type Instrument, inCourse, pegPlace } from '@rosefinch/core/strings';
import type { Stock } from '../../data/index.ts';
import { useWords } from '../../parts/words/index.ts';
import type { Room } from './Sheets.tsx';

/** Heights in widths of a letter, as the style sheet has them. */
const HEAD = 6;
const ROW = 3.1;

export function pegRoom({ courses }: Tuning) {
  return (): Room => ({ wide: 26, high: HEAD + ROW * courses.length });
}

interface Props {
  readonly tuning: Tuning;
  readonly instrument: Instrument;
  readonly stock: Stock;
}

/** How the pegs of an instrument turn, as the peg test found them: in words, and an arrow a string. */
export function PegCard({ tuning, instrument, stock }: Props) {
  const t = useWords();
  const targets = targetsOf(tuning, stock.settings.a4);
  return (
    <div className="card-half card-whole">
      <header>
        <strong>{instrument.name}</strong>
        <span>{t('paper.pegsHowEachTightens')}</span>
      </header>
      <table className="card-pegs card-pegs-large" aria-label={t('paper.howEachPegTightens')}>
        <tbody>
          {targets.toReversed().map(({ course, midi, hz }) => {
            const peg = instrument.courses[course - 1]?.strings[0]?.peg;
            const place = inCourse(instrument, course);
            if (!peg) return null;
            return (
              <tr key={course}>
                <th scope="row" className="card-peg-name">
                  {place ? t(inCourseInShort(place)) : course}
                </th>
                <td>
                  <strong className="card-peg-name">{t.note(midi, tuning.accidental)}</strong>
                </td>
                <td className="card-arrow" aria-hidden="true">
                  {arrowOf(peg.tighten)}
                </td>
                <td>
                  {t(directionInWords(peg.tighten))}
                  <br />
                  <small>
                    {t(pegInWords(pegPlace(instrument.layout, course, instrument.courses.length)))};{' '}
                    {t(pegKnownInWords(peg, centsPerTurn(instrument, course, hz)))}
                  </small>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
