import { useWords } from '../words/index.ts';
import './cards.css';
import { type Neighbour, neighboursOf, type Tuning } from '@rosefinch/core/music';
import { semitonesShort, tuningName } from '@rosefinch/core/sentences';
import { Link } from 'react-router';

const COLUMN = 200;
const ROW = 34;
const TOP = 26;
/** Where a name begins behind its dot, and about what a letter takes. */
const NAME = 10;
const LETTER = 7.5;
/** More than these in a column nobody looks through. */
const MOST = 10;

interface Props {
  readonly tuning: Tuning;
  readonly tunings: readonly Tuning[];
}

interface Placed extends Neighbour {
  readonly x: number;
  readonly y: number;
}

/** Which tunings lie one, two and three strings away, and by which others one comes to them; each can be gone to. */
export function NeighbourMap({ tuning, tunings }: Props) {
  const t = useWords();
  const near = neighboursOf(tuning, tunings);
  const columns = [1, 2, 3].map((strings) =>
    near.filter(({ moves }) => moves.length === strings).slice(0, MOST),
  );
  const shown = columns.flat();
  if (shown.length === 0) return null;
  const rows = Math.max(...columns.map((column) => column.length));
  const height = TOP + rows * ROW;
  const placed = new Map(
    columns.flatMap((column, k) =>
      column.map((one, i): [string, Placed] => [
        one.tuning.id,
        { ...one, x: (k + 1) * COLUMN, y: TOP + ((i + 0.5) * rows * ROW) / column.length },
      ]),
    ),
  );
  const own = { x: 6, y: TOP + (rows * ROW) / 2 };
  const left = near.length - shown.length;
  return (
    <figure className="near" aria-label={t('parts.tuningsNearBy')}>
      <svg viewBox={`0 0 ${4 * COLUMN} ${height}`} className="chart near-map">
        <title>{t('parts.tuningsOneTwoAndThree', { name: tuningName(tuning) })}</title>
        {[1, 2, 3].map((strings) => (
          <text key={strings} x={strings * COLUMN} y={12}>
            {t('parts.stringsAway', { strings })}
          </text>
        ))}
        {[...placed.values()].map(({ tuning: to, by, x, y }) => {
          const from = placed.get(by.id) ?? own;
          const start =
            from === own ? own.x : from.x + NAME + LETTER * t.value(tuningName(by)).length;
          return (
            <path
              key={to.id}
              className="near-way"
              d={`M${start},${from.y} C${(start + x) / 2},${from.y} ${(start + x) / 2},${y} ${x},${y}`}
            />
          );
        })}
        <circle cx={own.x} cy={own.y} r={5} className="mark" />
        <text x={own.x + NAME} y={own.y - 8} className="near-own">
          {t.value(tuningName(tuning))}
        </text>
        {[...placed.values()].map(({ tuning: to, moves, x, y }) => (
          <Link key={to.id} to={`/tunings/${to.id}`} className="near-link">
            <circle cx={x} cy={y} r={3.5} className="mark" />
            <text x={x + NAME} y={y - 1} className="near-name">
              {t.value(tuningName(to))}
            </text>
            <text x={x + NAME} y={y + 12}>
              {moves
                .map(({ course, semitones }) => `${course} ${semitonesShort(semitones)}`)
                .join('  ')}
            </text>
          </Link>
        ))}
      </svg>
      <figcaption className="soft">
        {t('parts.underEachName')}
        {left > 0 && ` ${t('parts.notDrawn', { left: left })}`}
      </figcaption>
    </figure>
  );
}
