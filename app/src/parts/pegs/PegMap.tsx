import { directionInWords } from '@rosefinch/core/sentences';
import {
  type DrawnPeg,
  type DrawnTurn,
  drawnTurn,
  type HeadstockView,
  headstockOf,
  type Instrument,
  type Point,
  type TightenDirection,
} from '@rosefinch/core/strings';
import { useWords } from '../words/index.ts';
import './pegs.css';

interface Props {
  readonly instrument: Instrument;
  readonly view: HeadstockView;
  /** The peg that is to be turned, and which way its button goes; null where nothing is to be turned. */
  readonly turn: { readonly course: number; readonly way: TightenDirection } | null;
}

/** Room round the drawing for the arrow about a button. */
const MARGIN = 12;
const BUTTON = { width: 22, height: 17, marked: { width: 25, height: 20 }, round: 11 } as const;
/** The hoop about a button, and the arrow round one that points backwards. */
const HOOP = { x: 16, y: 6 } as const;
const ROUND = 17;
const HEAD = 5;

const lineOf = (points: readonly Point[]) => points.map(({ x, y }) => `${x},${y}`).join(' ');

/** A map of the pegs of an instrument: which one, and which way. Nothing in it can be tapped. */
export function PegMap({ instrument, view, turn }: Props) {
  const t = useWords();
  const head = headstockOf(instrument, view);
  const { width, height, outline, nut, neck, pegs } = head;
  const marked = turn && pegs.find(({ course }) => course === turn.course);
  const caption = t('parts.pegsOf', { name: instrument.name, view });
  return (
    <figure className="peg-map">
      <svg
        viewBox={`${-MARGIN} ${-MARGIN} ${width + 2 * MARGIN} ${height + 2 * MARGIN}`}
        role="img"
        aria-label={
          turn
            ? t('parts.pegTurns', {
                pegs: caption,
                string: turn.course,
                way: directionInWords(turn.way),
              })
            : caption
        }
      >
        <polygon className="peg-head" points={lineOf(outline)} />
        {[0, 1].map((k) => (
          <line key={k} className="peg-neck" {...between(nut[k]!, neck[k]!)} />
        ))}
        <line className="peg-nut" {...between(...nut)} />
        {pegs.map((peg) => (
          <polyline
            key={peg.course}
            className="peg-string"
            data-marked={peg === marked}
            points={lineOf(peg.path)}
          />
        ))}
        {pegs.map((peg) => (
          <Peg key={peg.course} peg={peg} isMarked={peg === marked} />
        ))}
        {marked && turn && (
          <Arrow peg={marked} turn={drawnTurn(head, turn.way)} middle={height / 2} />
        )}
      </svg>
      <figcaption>{caption}</figcaption>
    </figure>
  );
}

const between = (from: Point, to: Point) => ({ x1: from.x, y1: from.y, x2: to.x, y2: to.y });

function Peg({ peg, isMarked }: { readonly peg: DrawnPeg; readonly isMarked: boolean }) {
  const { course, post, button, pointsBack } = peg;
  const { width, height } = isMarked ? BUTTON.marked : BUTTON;
  return (
    <g className="peg" data-marked={isMarked}>
      {pointsBack ? (
        <circle cx={post.x} cy={post.y} r={BUTTON.round} />
      ) : (
        <>
          <line {...between(post, button)} />
          <circle cx={post.x} cy={post.y} r={4} />
          <rect x={button.x - width / 2} y={button.y - height / 2} {...{ width, height }} rx={4} />
        </>
      )}
      <text x={button.x} y={button.y} dy="0.36em">
        {course}
      </text>
    </g>
  );
}

interface ArrowProps {
  readonly peg: DrawnPeg;
  readonly turn: DrawnTurn;
  /** Of the drawing’s height: beyond it the button is below the head. */
  readonly middle: number;
}

/** A hoop about the button, its nearer half whole; or an arrow round a button that points backwards. */
function Arrow({ peg: { button }, turn, middle }: ArrowProps) {
  const { x, y } = button;
  if (turn === 'clockwise' || turn === 'counterClockwise') {
    const way = turn === 'clockwise' ? 1 : -1;
    // Three quarters of the way round, its tip at the top.
    const path = `M ${x + way * ROUND} ${y} A ${ROUND} ${ROUND} 0 1 ${way > 0 ? 1 : 0} ${x} ${y - ROUND}`;
    return (
      <g className="peg-arrow">
        <path d={path} />
        <path className="peg-arrow-head" d={arrowHead({ x, y: y - ROUND }, way)} />
      </g>
    );
  }
  const way = turn === 'right' ? 1 : -1;
  const at = y + Math.sign(y - middle) * (BUTTON.marked.height / 2 + 1);
  const half = (sweep: 0 | 1) =>
    `M ${x - HOOP.x} ${at} A ${HOOP.x} ${HOOP.y} 0 0 ${sweep} ${x + HOOP.x} ${at}`;
  return (
    <g className="peg-arrow">
      <path className="peg-arrow-far" d={half(1)} />
      <path d={half(0)} />
      <path className="peg-arrow-head" d={arrowHead({ x: x + way * HOOP.x, y: at }, way)} />
    </g>
  );
}

function arrowHead({ x, y }: Point, way: number): string {
  return `M ${x + way * HEAD} ${y} l ${-way * 1.4 * HEAD} ${-HEAD * 0.8} v ${1.6 * HEAD} z`;
}
