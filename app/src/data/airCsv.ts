import { type Message, message } from '@rosefinch/core/message';
import type { AirOfDay } from '@rosefinch/core/records';
import Papa from 'papaparse';

/** What a logger's table holds, day by day; or what is wrong with it, line by line. */
export type AirRead =
  | { readonly ok: true; readonly days: readonly AirOfDay[]; readonly lines: number }
  | { readonly ok: false; readonly faults: readonly Message[] };

const MOST_FAULTS = 5;
const COLUMNS = {
  time: /time|date|datum|zeit/i,
  celsius: /temp|°c|celsius/i,
  humidity: /hum|rh|feucht/i,
} as const;
const LIMITS = { celsius: [-30, 60], humidity: [0, 100] } as const;
type Quantity = keyof typeof LIMITS;

/** Reads the table of a logger: a time, and temperature in °C or humidity in per cent, or both. All of it or nothing. */
export function readAirCsv(text: string): AirRead {
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: true });
  const [head = [], ...rows] = data;
  const column = (name: RegExp) => head.findIndex((title) => name.test(title));
  const at = column(COLUMNS.time);
  const places = { celsius: column(COLUMNS.celsius), humidity: column(COLUMNS.humidity) };
  if (at < 0 || (places.celsius < 0 && places.humidity < 0))
    return {
      ok: false,
      faults: [message('records.airHead', { head: head.join(', ').slice(0, 80) })],
    };
  const faults: Message[] = [];
  const byDay = new Map<string, Record<Quantity, number[]>>();
  rows.forEach((row, i) => {
    const line = i + 2;
    const day = dayOf(row[at] ?? '');
    if (day === null) return faults.push(message('records.airDate', { line, text: row[at] ?? '' }));
    const own = byDay.get(day) ?? { celsius: [], humidity: [] };
    byDay.set(day, own);
    for (const quantity of ['celsius', 'humidity'] as const) {
      const typed = places[quantity] < 0 ? '' : (row[places[quantity]] ?? '').trim();
      if (typed === '') continue;
      const value = Number(typed.replace(',', '.'));
      const [low, high] = LIMITS[quantity];
      if (value >= low && value <= high) own[quantity].push(value);
      else faults.push(message('records.airNumber', { quantity, line, typed, low, high }));
    }
  });
  if (rows.length === 0) faults.push(message('records.noLineOfAir'));
  if (faults.length > 0) return { ok: false, faults: faults.slice(0, MOST_FAULTS) };
  const days = [...byDay].map(([id, { celsius, humidity }]) => ({
    id,
    ...(celsius.length > 0 && { celsius: mean(celsius) }),
    ...(humidity.length > 0 && { humidity: mean(humidity) }),
  }));
  return { ok: true, days, lines: rows.length };
}

/** The day of a time that begins as ISO 8601 has it. @example dayOf('2026-03-10 09:20') // => '2026-03-10' */
function dayOf(text: string): string | null {
  const [, day = ''] = /^\s*(\d{4}-\d{2}-\d{2})(?:\D|$)/.exec(text) ?? [];
  return day !== '' && !Number.isNaN(Date.parse(`${day}T00:00:00Z`)) ? day : null;
}

function mean(values: readonly number[]): number {
  return Math.round((10 * values.reduce((a, b) => a + b, 0)) / values.length) / 10;
}
