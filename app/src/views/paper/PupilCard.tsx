import { tyingChecks } from '@rosefinch/core/fretboard';
import type { Tuning } from '@rosefinch/core/music';
import { arrowOf, directionInWords, inCourseInShort } from '@rosefinch/core/sentences';
import { type Instrument, inCourse, stringLoad } from '@rosefinch/core/strings';
import type { Stock } from '../../data/index.ts';
import {
  type CardCheck,
  cardOf,
  checkInWords,
  comparisonsOf,
  HIGHEST_FRET,
} from '../../parts/cards/index.ts';
import { FretStrip } from '../../parts/charts/index.ts';
import { asLinked, LinkCode, linkTo } from '../../parts/share/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { CardNotes } from './CardNotes.tsx';
import type { Room } from './Sheets.tsx';

/** Heights in widths of a letter, as the style sheet has them. */
const PADDING = 3.4;
const HEAD = 6.4;
const PHRASE = 1.7;
const PEG = 1.52;
const CHECK = 4.7;
const FOOT = 6.6;
const STANDING = 27;
const LYING = 54;

/** The room of a pupil's card: its halves one below the other, or side by side. */
export function pupilRoom(tuning: Tuning, instrument: Instrument, phrase: boolean) {
  const notes = HEAD + (phrase ? PHRASE : 0) + PEG * tuning.courses.length;
  const checks = CHECK * Math.ceil(checksOf(tuning, instrument).length / 2) + FOOT;
  return (lies: boolean): Room =>
    lies
      ? { wide: LYING, high: PADDING + Math.max(notes, checks) }
      : { wide: STANDING, high: PADDING + notes + checks };
}

function checksOf(tuning: Tuning, instrument: Instrument): CardCheck[] {
  const all = comparisonsOf(tuning, instrument, HIGHEST_FRET, true);
  return tyingChecks(all).slice(0, MOST_CHECKS);
}

interface Props {
  readonly tuning: Tuning;
  readonly instrument: Instrument;
  readonly stock: Stock;
  /** Whose card it is; a card of no instrument has none. */
  readonly name?: string;
  readonly tension: boolean;
}

/** More drawings than these no card holds beside its notes. */
const MOST_CHECKS = 6;

/** What a pupil takes along of a tuning: the notes large, how each peg turns, and how to check it by ear. */
export function PupilCard({ tuning, instrument, stock, name, tension }: Props) {
  const t = useWords();
  const card = cardOf(tuning, instrument, stock, t);
  const checks = checksOf(tuning, instrument);
  return (
    <>
      <div className="card-half">
        <header>
          <strong>{card.title}</strong>
          {name && <span>{name}</span>}
        </header>
        {card.phrase && <p className="card-phrase">{card.phrase}</p>}
        <CardNotes tuning={tuning} />
        <Pegs {...{ tuning, instrument, stock, tension }} />
      </div>
      <div className="card-half">
        <div className="card-checks">
          {checks.map((check) => (
            <figure key={`${check.held.course} ${check.held.fret} ${check.open}`}>
              <FretStrip
                held={check.held}
                open={check.open}
                leftHanded={instrument.leftHanded === true}
              />
              <figcaption>{t(checkInWords(check))}</figcaption>
            </figure>
          ))}
        </div>
        <footer>
          <LinkCode url={linkTo({ kind: 'tuning', tuning: asLinked(tuning, t) })} size={84} />
          <span>
            {t('paper.sameOnPhone')}
            <br />
            {t('paper.faceAway')}
          </span>
        </footer>
      </div>
    </>
  );
}

/** How each peg tightens its string, in words and an arrow. */
function Pegs({ tuning, instrument, stock, tension }: Props) {
  const t = useWords();
  const { strings } = cardOf(tuning, instrument, stock, t);
  return (
    <table className="card-pegs" aria-label={t('paper.howEachPegTightens')}>
      <tbody>
        {strings.map(({ course, tighten, hz }) => {
          const place = inCourse(instrument, course);
          const load = tension && stringLoad(instrument, course, hz);
          return (
            <tr key={course}>
              <th scope="row">{place ? t(inCourseInShort(place)) : course}</th>
              <td>
                <span aria-hidden="true">{arrowOf(tighten)}</span> {t(directionInWords(tighten))}
              </td>
              {load && <td>{t.force(load.tension)}</td>}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
