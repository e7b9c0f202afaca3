import { mixDown, readWav } from '@rosefinch/core/formats';
import {
  knowledgeOf,
  type PluckOutcome,
  type Reading,
  readPlucks,
  whoSounded,
} from '@rosefinch/core/listen';
import {
  centsBetween,
  findTuning,
  nearestNote,
  noteName,
  type Target,
  TUNINGS,
  targetsOf,
} from '@rosefinch/core/music';

/** One outcome as `measure` prints it; refusals carry no figures. */
export interface MeasuredLine {
  readonly file: string;
  readonly start: number;
  readonly outcome: string;
  readonly string: number | null;
  readonly note: string | null;
  readonly hz?: number;
  readonly cents?: number;
  readonly clarity?: number;
  readonly error?: number;
  readonly spread?: number;
  readonly f0Hz?: number;
  readonly firstPartialHz?: number;
  readonly periodHz?: number;
  readonly inharmonicity?: number;
}

/**
 * Every pluck of a WAV file as a line.
 * @throws FormatError for a file that is no readable WAV; Error for an unknown tuning.
 */
export function measureWav(
  file: string,
  bytes: Uint8Array,
  tuningId: string,
  a4: number,
): MeasuredLine[] {
  const targets = targetsFor(tuningId, a4);
  const sound = readWav(bytes);
  const strings = knowledgeOf(targets ?? [], []);
  return readPlucks(mixDown(sound), sound.sampleRate, strings).map((heard) =>
    lineOf(file, heard.start, heard.outcome, targets, a4),
  );
}

function targetsFor(tuningId: string, a4: number): Target[] | null {
  if (tuningId === 'chromatic') return null;
  const tuning = findTuning(tuningId);
  const known = ['chromatic', ...TUNINGS.map((entry) => entry.id)].join(', ');
  if (!tuning) throw new Error(`there is no tuning “${tuningId}”; known: ${known}`);
  return targetsOf(tuning, a4);
}

function lineOf(
  file: string,
  start: number,
  outcome: PluckOutcome,
  targets: Target[] | null,
  a4: number,
): MeasuredLine {
  const head = { file, start: round(start, 4) };
  if (outcome.kind !== 'reading') {
    const kind = outcome.kind === 'not sure' ? `not sure: ${outcome.reason}` : outcome.kind;
    return { ...head, outcome: kind, string: null, note: null };
  }
  const place = targets ? stringFor(outcome, targets) : chromatic(outcome.hz, a4);
  return {
    ...head,
    outcome: 'reading',
    ...place,
    hz: round(outcome.hz, 5),
    clarity: round(outcome.clarity, 3),
    error: round(outcome.errorCents, 3),
    spread: round(outcome.spreadCents, 3),
    f0Hz: round(outcome.f0Hz, 5),
    firstPartialHz: round(outcome.firstPartialHz, 5),
    periodHz: round(outcome.periodHz, 5),
    inharmonicity: Number(outcome.inharmonicity.toPrecision(4)),
  };
}

function chromatic(hz: number, a4: number) {
  const { midi, cents } = nearestNote(hz, a4);
  return { string: null, note: noteName(midi), cents: round(cents, 3) };
}

function stringFor(reading: Reading, targets: Target[]) {
  const { hz } = reading;
  const identity = whoSounded(reading, knowledgeOf(targets, []), null);
  const target = identity.kind === 'known' ? targets[identity.course - 1] : undefined;
  if (!target) return { string: null, note: null };
  const cents = round(centsBetween(target.hz, hz), 3);
  return { string: target.course, note: noteName(target.midi), cents };
}

function round(value: number, digits: number): number {
  return Number(value.toFixed(digits));
}

/** One line for the eye. */
export function printLine(line: MeasuredLine): string {
  const head = `${line.file}  ${line.start.toFixed(3)} s  ${line.outcome}`;
  if (line.hz === undefined) return head;
  const string = line.string === null ? '' : `string ${line.string}  `;
  const cents = line.cents === undefined ? '' : `${line.cents.toFixed(2)} cents  `;
  return `${head}  ${string}${line.note ?? ''}  ${line.hz.toFixed(3)} Hz  ${cents}±${line.error?.toFixed(2)}  clarity ${line.clarity?.toFixed(2)}  spread ${line.spread?.toFixed(2)}  f0 ${line.f0Hz?.toFixed(3)} Hz  B ${line.inharmonicity}`;
}
