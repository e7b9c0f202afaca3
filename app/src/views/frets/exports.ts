import { errorOf } from '@rosefinch/core/intonation';
import type { FretCheck } from '@rosefinch/core/records';
import { type Instrument, startFret } from '@rosefinch/core/strings';
import { csvText, rounded } from '../../data/index.ts';
import { download } from '../../parts/frame/index.ts';

const COLUMNS = [
  'time_utc',
  'zone',
  'instrument',
  'tuning',
  'string',
  'place',
  'fret',
  'pressure',
  'capo',
  'error_cents',
  'uncertainty_cents',
  'struck_out',
  'note',
] as const;

/** Every reading of a check as CSV (RFC 4180): one line a reading, units in the heading. */
export function fretsCsv(instrument: Instrument, check: FretCheck, reader?: string): string {
  const rows = check.readings.map((reading) => {
    const { course, place, at, errorCents, struckOut, note } = reading;
    const error = errorOf(check, reading);
    return {
      time_utc: new Date(at).toISOString(),
      zone: check.zone,
      instrument: instrument.name,
      tuning: check.tuningId,
      string: course,
      place: place.kind,
      fret: place.kind === 'fret' ? place.fret + startFret(instrument, course) : null,
      pressure: place.kind === 'fret' ? place.pressure : '',
      capo: place.kind === 'fret' && place.capo ? '1' : '',
      error_cents: error === null ? null : rounded(error, 3),
      uncertainty_cents: rounded(errorCents, 3),
      struck_out: struckOut ? 'yes' : 'no',
      note: note ?? '',
    };
  });
  return csvText(COLUMNS, rows, reader);
}

const MAP = '.fret-map';
/** Pixels of the picture for one of the drawing. */
const SHARPNESS = 2;

/** Hands the map to the browser as a drawing or a picture of its own, black on white. */
export function saveDrawing(name: string, kind: 'svg' | 'png'): void {
  const shown = document.querySelector<SVGSVGElement>(MAP);
  if (!shown) return;
  const text = standalone(shown);
  if (kind === 'svg') return download(`${name}.svg`, text, 'image/svg+xml');
  const { width, height } = shown.viewBox.baseVal;
  const picture = new Image();
  picture.onload = () => {
    const canvas = document.createElement('canvas');
    canvas.width = width * SHARPNESS;
    canvas.height = height * SHARPNESS;
    const context = canvas.getContext('2d');
    if (!context) return;
    context.fillStyle = '#ffffff';
    context.fillRect(0, 0, canvas.width, canvas.height);
    context.drawImage(picture, 0, 0, canvas.width, canvas.height);
    const link = document.createElement('a');
    link.href = canvas.toDataURL('image/png');
    link.download = `${name}.png`;
    link.click();
  };
  picture.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(text)}`;
}

/** The drawing with the colours and letters that the page's own styles give it. */
function standalone(shown: SVGSVGElement): string {
  const copy = shown.cloneNode(true) as SVGSVGElement;
  const { width, height } = shown.viewBox.baseVal;
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('width', String(width));
  copy.setAttribute('height', String(height));
  const style = document.createElementNS('http://www.w3.org/2000/svg', 'style');
  style.textContent = `svg{--ink:#000;--hairline:#999;font:12px sans-serif}text{fill:#333}.note{font-size:18px;fill:#000}.line{fill:none;stroke:#000;stroke-width:1.5}.mark{fill:#000}.open-bar{fill:#fff;stroke:#000;stroke-width:1.5}.active{display:none}`;
  copy.prepend(style);
  return new XMLSerializer().serializeToString(copy);
}
