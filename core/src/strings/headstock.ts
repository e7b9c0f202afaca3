import { nth } from '../maths/index.ts';
import { pegPlace } from './pegs.ts';
import type { Course, Instrument, PegPlace, TightenDirection } from './types.ts';

/** A place in a drawing: x to the right, y downwards, in units of its own. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** From where a headstock is looked at: by its player, by somebody who faces the player, or from above as it lies on a table. */
export type HeadstockView = 'playing' | 'facing' | 'table';

/** One peg of a drawn headstock. */
export interface DrawnPeg {
  readonly course: number;
  /** Where the string winds on. */
  readonly post: Point;
  /** The middle of the button; that of the post where the button is behind it. */
  readonly button: Point;
  /** Its button points backwards: it is drawn as a circle about its post. */
  readonly pointsBack: boolean;
  /** Where its string leaves the drawing, by way of the nut or past it. */
  readonly path: readonly Point[];
}

/** The headstock of an instrument as a line drawing. */
export interface Headstock {
  readonly width: number;
  readonly height: number;
  readonly outline: readonly Point[];
  /** Both ends of the nut. */
  readonly nut: readonly [Point, Point];
  /** Both edges of the neck at the end of the drawing. */
  readonly neck: readonly [Point, Point];
  /** String 1 first. */
  readonly pegs: readonly DrawnPeg[];
  readonly view: HeadstockView;
  /** The neck is on the right. */
  readonly neckRight: boolean;
}

/** Room between two pegs of a row, at the head’s tip, and between the nut and the first peg. */
const APART = 30;
const TIP = 16;
const BEFORE_NUT = 26;
/** The head’s half height where it is widest, and where it meets the neck. */
const HALF = 30;
const HALF_NUT = 21;
/** Posts and buttons of two rows, from the middle. */
const POSTS = 17;
const BUTTONS = 48;
/** Of pegs in one line the row slopes by this from peg to peg. */
const SLOPE = 2;
/** So much of the neck is drawn; the peg on a neck stands in it. */
const NECK = 64;
const ON_NECK = 30;
const HEIGHT = 124;
const MIDDLE = HEIGHT / 2;

/**
 * The headstock of an instrument: its tip on the left and the thickest string on top, as its player
 * sees it from behind. A left-handed instrument is the mirror image, and so are the other views.
 */
export function headstockOf(instrument: Instrument, view: HeadstockView = 'playing'): Headstock {
  const { layout, courses } = instrument;
  const places = courses.map(({ number }) => pegPlace(layout, number, courses.length));
  const plan: Plan = {
    nutX: TIP + BEFORE_NUT + APART * (longestRow(places) - 0.5),
    row: longestRow(places),
    inLine: layout === 'inLine' || layout === 'inLineReversed',
    overNut: places.filter(({ row }) => row !== 'side').length,
  };
  const width = plan.nutX + NECK;
  const mirrored = (instrument.leftHanded === true) !== (view === 'facing');
  const seen = ({ x, y }: Point): Point => ({
    x: mirrored ? width - x : x,
    y: view === 'table' ? HEIGHT - y : y,
  });
  const edges = (x: number) =>
    [seen({ x, y: MIDDLE - HALF_NUT }), seen({ x, y: MIDDLE + HALF_NUT })] as const;
  return {
    width,
    height: HEIGHT,
    outline: outlineOf(plan, layout === 'inLineReversed').map(seen),
    nut: edges(plan.nutX),
    neck: edges(width),
    pegs: courses.map((course, i) => {
      const { post, button, path, ...peg } = drawnPeg(course, nth(places, i), plan);
      return { ...peg, post: seen(post), button: seen(button), path: path.map(seen) };
    }),
    view,
    neckRight: !mirrored,
  };
}

/** How a button is drawn to turn: where its nearer edge goes, or round the peg. */
export type DrawnTurn = 'left' | 'right' | 'clockwise' | 'counterClockwise';

/**
 * How a turn looks in a drawing. “Towards you” is said by the player: the edge nearer the nut comes
 * towards them. Whoever faces the player, or bends over a table, sees the other side of the same turn.
 */
export function drawnTurn({ view, neckRight }: Headstock, way: TightenDirection): DrawnTurn {
  const fromBehind = view === 'playing';
  if (pointsBack(way)) {
    const clockwise = (way === 'clockwise') === fromBehind;
    return clockwise ? 'clockwise' : 'counterClockwise';
  }
  const toTip = (way === 'towardsYou') === fromBehind;
  return toTip === neckRight ? 'left' : 'right';
}

/** What the places of all pegs have in common. */
interface Plan {
  readonly nutX: number;
  /** Pegs of the longer row. */
  readonly row: number;
  readonly inLine: boolean;
  /** Strings that run over the nut. */
  readonly overNut: number;
}

function pointsBack(way: TightenDirection): boolean {
  return way === 'clockwise' || way === 'counterClockwise';
}

function longestRow(places: readonly PegPlace[]): number {
  return Math.max(1, ...places.map(({ row, fromNut }) => (row === 'side' ? 1 : fromNut)));
}

/** A peg as its right-handed player sees it. */
function drawnPeg({ number, strings }: Course, { row, fromNut }: PegPlace, plan: Plan): DrawnPeg {
  const { nutX, overNut } = plan;
  const back = strings[0] !== undefined && pointsBack(strings[0].peg.tighten);
  const end = nutX + NECK;
  if (row === 'side') {
    const post = { x: nutX + ON_NECK, y: MIDDLE - HALF_NUT - 4 };
    const button = back ? post : { x: post.x, y: MIDDLE - BUTTONS };
    return { course: number, post, button, pointsBack: back, path: [post, { x: end, y: post.y }] };
  }
  const side = row === 'upper' ? -1 : 1;
  const x = nutX - BEFORE_NUT - APART * (fromNut - 1);
  const post = { x, y: MIDDLE + side * (POSTS + slopeAt(x, plan)) };
  const button = back ? post : { x, y: MIDDLE + side * (BUTTONS + slopeAt(x, plan)) };
  const share = (number - 1) / Math.max(1, overNut - 1);
  const y = MIDDLE + (HALF_NUT - 4) * (1 - 2 * share);
  return {
    course: number,
    post,
    button,
    pointsBack: back,
    path: [post, { x: nutX, y }, { x: end, y }],
  };
}

/** Pegs in one line stand on a slope: highest at the tip. */
function slopeAt(x: number, { nutX, inLine }: Plan): number {
  return inLine ? SLOPE * ((nutX - x) / APART) - SLOPE : 0;
}

/** The edge of the head from the nut round the tip and back. */
function outlineOf(plan: Plan, reversed: boolean): Point[] {
  const { nutX, inLine } = plan;
  const shoulder = nutX - BEFORE_NUT / 2;
  const upper = (x: number) => MIDDLE - HALF - slopeAt(x, plan);
  const right = [
    { x: nutX, y: MIDDLE - HALF_NUT },
    { x: shoulder, y: upper(shoulder) },
    { x: TIP / 2, y: upper(TIP / 2) },
  ];
  if (!inLine)
    return [
      ...right,
      { x: 0, y: MIDDLE },
      ...right.toReversed().map(({ x, y }) => ({ x, y: HEIGHT - y })),
    ];
  const points = [
    ...right,
    { x: 0, y: MIDDLE - HALF },
    { x: TIP, y: MIDDLE },
    { x: nutX, y: MIDDLE + HALF_NUT },
  ];
  return reversed ? points.map(({ x, y }) => ({ x, y: HEIGHT - y })) : points;
}
