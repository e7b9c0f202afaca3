import type { Cents } from '@rosefinch/core/units';
import type { Words } from '@rosefinch/words';
import { FEW_TICKS, TICKS, TWO_TICKS, wireHeight } from './scale.ts';

/** A stroke: time since the pluck in seconds and deviation in cents, by turns. */
export type Stroke = ArrayLike<number>;

/** One finished pluck on a wire. */
export interface Perch {
  readonly cents: Cents;
  readonly error: Cents;
  /** Where the string was to be brought then. */
  readonly aim: Cents;
  readonly stroke: Stroke;
  /** It is on the disk. */
  readonly stored: boolean;
}

export interface WirePicture {
  readonly width: number;
  readonly height: number;
  readonly tall: boolean;
  readonly tolerance: Cents;
  /** Where the string is to be brought, in cents; 0 is its target. */
  readonly aim: Cents;
  readonly perches: readonly Perch[];
  /** The note that rings now; null when none does. */
  readonly live: Stroke | null;
  readonly hidden: boolean;
  readonly palette: Palette;
  /** Writes the figures. */
  readonly words: Words;
  /** Thickness of the wire, in pixels: thick strings are drawn thicker. */
  readonly gauge: number;
}

export interface Palette {
  readonly ink: string;
  readonly soft: string;
  readonly hairline: string;
  readonly band: string;
  readonly rose: string;
  readonly paper: string;
}

const SLOT = 168;
const PERCH_AT = 74;
const PERCH_WIDTH = 76;
/** Room for an error after its value. */
const ERROR_WIDTH = 40;
const LEFT = 46;
const STROKE_SECONDS = 0.9;
const FONT = '"Atkinson Hyperlegible Next Variable", sans-serif';

/** A tall wire of this height is drawn as large as its figures are given here; a taller one larger. */
const USUAL_HEIGHT = 230;
/** Seen from afar the figures at perches are up to this many times as large; as far as so many units stay in width. */
const AFAR = 3.4;
const LEAST_UNITS = 360;
/** Below these there is no room for every tick of the scale, and for more than two. */
const ROOMY = 170;
const NARROW = 110;

/** How much larger than usual a tall wire is drawn, so that it fits its height; from afar its figures come first. */
export function scaleOf(width: number, height: number, afar: boolean): number {
  if (!afar) return Math.max(1, height / USUAL_HEIGHT);
  return Math.max(1, Math.min(AFAR, width / LEAST_UNITS));
}

/** Draws one string's wire with its strokes and perches. */
export function drawWire(c: CanvasRenderingContext2D, p: WirePicture): void {
  c.clearRect(0, 0, p.width, p.height);
  const middle = p.height / 2;
  const half = p.tall ? p.height / 2 - 14 : p.height / 2 - 12;
  const y = (cents: Cents) => middle - wireHeight(cents) * half;
  if (p.tall) drawRuling(c, p, y);
  c.fillStyle = p.palette.ink;
  c.fillRect(LEFT, middle - p.gauge / 2, p.width - LEFT, p.gauge);
  if (p.hidden) return;
  const slots = Math.max(1, Math.floor((p.width - LEFT - 10) / SLOT));
  const fit = p.live ? slots - 1 : slots;
  const shown = p.perches.slice(Math.max(0, p.perches.length - fit));
  shown.forEach((perch, i) => {
    const x = LEFT + 10 + i * SLOT;
    const newest = !p.live && i === shown.length - 1;
    if (p.tall) drawStroke(c, p, perch.stroke, x, y, newest);
    drawPerch(c, p, perch, x + PERCH_AT, y, middle);
  });
  if (p.live) drawStroke(c, p, p.live, LEFT + 10 + shown.length * SLOT, y, true);
}

function ticksFor(height: number): readonly number[] {
  return height < NARROW ? TWO_TICKS : height < ROOMY ? FEW_TICKS : TICKS;
}

function drawRuling(
  c: CanvasRenderingContext2D,
  p: WirePicture,
  y: (cents: Cents) => number,
): void {
  c.fillStyle = p.palette.band;
  const top = y(p.aim + p.tolerance);
  c.fillRect(LEFT, top, p.width - LEFT, y(p.aim - p.tolerance) - top);
  c.font = `12px ${FONT}`;
  c.textAlign = 'right';
  c.textBaseline = 'middle';
  for (const tick of ticksFor(p.height)) {
    c.fillStyle = p.palette.soft;
    c.fillText(`${tick > 0 ? '+' : '−'}${Math.abs(tick)}`, LEFT - 8, y(tick));
    c.fillStyle = p.palette.hairline;
    c.fillRect(LEFT, y(tick), p.width - LEFT, 1);
  }
}

function drawStroke(
  c: CanvasRenderingContext2D,
  p: WirePicture,
  stroke: Stroke,
  x: number,
  y: (cents: Cents) => number,
  active: boolean,
): void {
  if (stroke.length < 2) return;
  const span = SLOT - 24;
  const place = (t: number) => x + Math.min(1, t / STROKE_SECONDS) * span * 0.9;
  c.strokeStyle = active ? p.palette.rose : p.palette.soft;
  c.lineWidth = active ? 3 : 1.5;
  c.beginPath();
  for (let i = 0; i + 1 < stroke.length; i += 2) {
    const at = place(stroke[i]!);
    if (i === 0) c.moveTo(at, y(stroke[i + 1]!));
    else c.lineTo(at, y(stroke[i + 1]!));
  }
  c.stroke();
  c.fillStyle = c.strokeStyle;
  c.beginPath();
  c.arc(place(stroke[0]!), y(stroke[1]!), active ? 5 : 3, 0, 2 * Math.PI);
  c.fill();
}

/** Flat is below its line, sharp above it, in tune on it, solid; an open dot beside it until it is stored. */
function drawPerch(
  c: CanvasRenderingContext2D,
  p: WirePicture,
  perch: Perch,
  x: number,
  y: (cents: Cents) => number,
  middle: number,
): void {
  const { cents, aim } = perch;
  const rest = Math.abs(cents - aim) <= p.tolerance;
  const low = cents < aim;
  const base = p.tall ? y(cents) : middle;
  const size = p.tall ? 10 : Math.max(5, Math.abs(y(cents) - middle));
  const top = rest ? base - 4 : low ? base : base - size;
  const height = rest ? 8 : size;
  c.fillStyle = p.palette.ink;
  c.strokeStyle = p.palette.ink;
  c.lineWidth = 2;
  if (rest) c.fillRect(x, top, PERCH_WIDTH, height);
  else {
    c.clearRect(x, top, PERCH_WIDTH, height);
    c.strokeRect(x, top, PERCH_WIDTH, height);
  }
  if (p.tall) labelPerch(c, p, perch, x, low ? top + height : top, low);
  if (perch.stored) return;
  c.beginPath();
  c.arc(x + PERCH_WIDTH + 9, top + height / 2, 4, 0, 2 * Math.PI);
  c.stroke();
}

function labelPerch(
  c: CanvasRenderingContext2D,
  p: WirePicture,
  { cents, error }: Perch,
  x: number,
  edge: number,
  low: boolean,
): void {
  c.fillStyle = p.palette.ink;
  c.textBaseline = 'middle';
  c.font = `700 17px ${FONT}`;
  c.textAlign = 'left';
  const below = low ? edge + 14 < p.height - 6 : edge - 14 < 8;
  // Where there is no room above or below it, the value stands beside its perch.
  const beside = p.height < NARROW;
  const at = beside ? edge : below ? edge + (low ? 14 : 26) : edge - (low ? 24 : 14);
  const from = beside ? x + PERCH_WIDTH + 6 : x;
  const value = p.words.signed(cents);
  const width = c.measureText(value).width;
  // Its wire runs on behind it.
  if (beside) c.clearRect(from - 3, at - 9, width + ERROR_WIDTH, 18);
  c.fillText(value, from, at);
  c.font = `13px ${FONT}`;
  c.fillStyle = p.palette.soft;
  c.fillText(` ±${p.words.number(error, 1)}`, from + width, at);
}
