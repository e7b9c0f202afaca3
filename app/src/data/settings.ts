import { RecordError } from '@rosefinch/core/errors';
import type { PlanOrder } from '@rosefinch/core/retune';

/** What the teacher has set; one record. */
export interface Settings {
  readonly a4: number;
  readonly tolerance: number;
  readonly order: 'thickest first' | 'thinnest first';
  readonly wires: 'as you look down' | 'turned round';
  readonly keysOn: boolean;
  readonly practiceSound: boolean;
  /** Loudness of the reference tone, 0 to 1. */
  readonly referenceVolume: number;
  readonly spokenArrival: boolean;
  readonly microphoneId: string | null;
  readonly channel: 'left' | 'right' | 'mix';
  readonly instrumentId: string | null;
  readonly planOrder: PlanOrder;
  /** Strings are brought to where they will land on their note when the others are tuned. */
  readonly aiming: boolean;
  readonly moves: 'many small' | 'one bold';
  /** Learners get a second line that says how. */
  readonly wording: 'full' | 'short';
  readonly referenceTone: 'plucked' | 'sustained';
  /** Unit in which tensions are shown. */
  readonly force: 'N' | 'kgf';
  /** What the teacher remembers a tuning by, by its id; printed on its card. */
  readonly phrases: Readonly<Record<string, string>>;
}

export const DEFAULT_SETTINGS: Settings = {
  a4: 440,
  tolerance: 2,
  order: 'thickest first',
  wires: 'as you look down',
  keysOn: true,
  practiceSound: true,
  referenceVolume: 0.15,
  spokenArrival: false,
  microphoneId: null,
  channel: 'mix',
  instrumentId: null,
  planOrder: 'planned',
  aiming: true,
  moves: 'many small',
  wording: 'full',
  referenceTone: 'plucked',
  force: 'N',
  phrases: {},
};

/** What each setting may be, for files that come in. */
const LAWFUL: { readonly [K in keyof Settings]: (value: unknown) => boolean } = {
  a4: (v) => isBetween(v, 400, 480),
  tolerance: (v) => isBetween(v, 0.5, 20),
  order: (v) => v === 'thickest first' || v === 'thinnest first',
  wires: (v) => v === 'as you look down' || v === 'turned round',
  keysOn: (v) => typeof v === 'boolean',
  practiceSound: (v) => typeof v === 'boolean',
  referenceVolume: (v) => isBetween(v, 0, 1),
  spokenArrival: (v) => typeof v === 'boolean',
  microphoneId: (v) => v === null || typeof v === 'string',
  channel: (v) => v === 'left' || v === 'right' || v === 'mix',
  instrumentId: (v) => v === null || typeof v === 'string',
  planOrder: (v) => v === 'planned' || v === 'thickest first' || v === 'thinnest first',
  aiming: (v) => typeof v === 'boolean',
  moves: (v) => v === 'many small' || v === 'one bold',
  wording: (v) => v === 'full' || v === 'short',
  referenceTone: (v) => v === 'plucked' || v === 'sustained',
  force: (v) => v === 'N' || v === 'kgf',
  phrases: (v) =>
    typeof v === 'object' && v !== null && Object.values(v).every((p) => typeof p === 'string'),
};

function isBetween(value: unknown, low: number, high: number): boolean {
  return typeof value === 'number' && value >= low && value <= high;
}

/**
 * Lets settings from a file through only if each is known and possible.
 * @throws RecordError naming the setting and what came.
 */
export function checkSettings(value: unknown): void {
  if (typeof value !== 'object' || value === null)
    throw new RecordError('settings', `must be an object; got ${JSON.stringify(value)}`);
  for (const [name, given] of Object.entries(value)) {
    const path = `settings.${name}`;
    if (!Object.hasOwn(LAWFUL, name)) throw new RecordError(path, 'there is no such setting');
    if (!LAWFUL[name as keyof Settings](given))
      throw new RecordError(path, `${JSON.stringify(given)} is not possible`);
  }
}
