import { factsOf, type Judged, judge } from '@rosefinch/core/dialogue';
import { Listener, type Reading } from '@rosefinch/core/listen';
import { between, normal, type Random, seededRandom } from '@rosefinch/core/maths';
import { centsBetween } from '@rosefinch/core/music';
import { type BenchEvent, follow } from '@rosefinch/core/sitting';
import { findModel } from '@rosefinch/core/strings';
import type { Seconds } from '@rosefinch/core/units';
import { firstSession } from './firstSession.ts';
import { level } from './foreign/places.ts';
import { classroomOf, placeAt, type Room, soundsFrom } from './foreign/shoebox.ts';
import { sound, strike } from './foreign/string.ts';
import { percent } from './print.ts';
import { OPEN_STRINGS, type OpenString } from './strings.ts';

const RATE = 24_000;
const LASTS: Seconds = 1.5;
const PLUCKED_AT: Seconds = 0.4;
const MODELS = ['steel-guitar', 'nylon-guitar', 'ukulele-concert', 'banjo-five'] as const;
/** Others are heard after so many plucks of ours. */
const AFTER = [0, 1, 3, 10] as const;

/** What a row differs in. */
export interface OursRow {
  readonly name: string;
  /** Metres from the microphone. */
  readonly own: readonly [number, number];
  readonly others: readonly [number, number];
  /** Seconds to −60 dB; null for no room at all. */
  readonly lasts: readonly [Seconds, Seconds] | null;
  readonly levelled?: boolean;
}

export const OURS_ROWS: readonly OursRow[] = [
  { name: 'others at 1.5–6 m', own: [0.3, 0.8], others: [1.5, 6], lasts: [0.35, 0.95] },
  { name: 'others at 1–2 m', own: [0.3, 0.8], others: [1, 2], lasts: [0.35, 0.95] },
  {
    ...{ name: 'a device that levels by itself', own: [0.3, 0.8], others: [1.5, 6] },
    ...{ lasts: [0.35, 0.95], levelled: true },
  },
  { name: 'no room at all', own: [0.3, 0.8], others: [1.5, 6], lasts: null },
];

interface OursTally {
  own: number;
  ownLeftOut: number;
  readonly others: number[];
  readonly booked: number[];
  /** … where nothing is judged by how near it was. */
  readonly otherwise: number[];
}

/**
 * Plays one session: what is counted stays in its log and is learned from, also where it was another
 * instrument's. Plucks of others come after 0, 1, 3 and 10 of ours.
 */
export function oursSession(seed: number, row: OursRow): OursTally {
  const random = seededRandom(seed * 6911);
  const instrument = findModel(MODELS[seed % MODELS.length]!)!.build('x', 'X');
  const { targets, order, setup } = firstSession(instrument);
  const place = new Classroom(random, row);
  const tally: OursTally = { own: 0, ownLeftOut: 0, others: [], booked: [], otherwise: [] };
  const log: BenchEvent[] = [];
  const hear = (reading: Reading, asked: number): Judged => {
    const { presence, hz, errorCents, moving } = reading;
    const facts = {
      ...factsOf(reading, { chosen: null, inHand: asked }),
      ...(presence && { presence }),
    };
    const { who } = judge(reading, facts, follow(setup, log), true);
    const pitch = { hz, errorCents, moving };
    if (who.kind === 'string') {
      const { course } = who;
      const cents = centsBetween(targets[course - 1]!.hz, hz);
      log.push({ type: 'reading', reading: { ...pitch, course, cents }, pluck: facts });
    } else if (who.kind === 'not ours')
      log.push({ type: 'unattributed', pitch, pluck: { ...facts, others: true } });
    else if (who.kind === 'doubt') log.push({ type: 'unattributed', pitch, pluck: facts });
    return who;
  };
  const hearOthers = (asked: number) => {
    const reading = place.heard(false, anyNote(random), targets);
    const plain = reading && factsOf(reading, { chosen: null, inHand: asked });
    tally.others.push(1);
    tally.otherwise.push(
      plain && isBooked(judge(reading, plain, follow(setup, log), true).who) ? 1 : 0,
    );
    tally.booked.push(reading && isBooked(hear(reading, asked)) ? 1 : 0);
  };
  const strings = OPEN_STRINGS.filter(({ set }) => set.length === targets.length);
  for (let k = 0; k <= AFTER.at(-1)!; k++) {
    const asked = order[Math.floor(k / 2) % order.length]!;
    if (AFTER.some((after) => after === k)) hearOthers(asked);
    const target = targets[asked - 1]!;
    const string = strings.find(({ hz }) => Math.abs(hz - target.hz) < 1) ?? strings[0]!;
    const hz = target.hz * 2 ** (between(random, -40, 40) / 1200);
    const reading = place.heard(true, { string, hz }, targets);
    if (!reading) continue;
    tally.own++;
    if (hear(reading, asked).kind === 'not ours') tally.ownLeftOut++;
  }
  return tally;
}

const isBooked = ({ kind }: Judged) => kind === 'string' || kind === 'doubt' || kind === 'touched';

/** An open string or a fretted note of any instrument of the class. */
function anyNote(random: Random): { readonly string: OpenString; readonly hz: number } {
  const string = OPEN_STRINGS[Math.floor(random() * OPEN_STRINGS.length)]!;
  const fret = random() < 0.5 ? 0 : Math.floor(between(random, 1, 8));
  return { string, hz: string.hz * 2 ** ((100 * fret + between(random, -30, 30)) / 1200) };
}

/** A room with us near its microphone and others further off. */
class Classroom {
  private readonly room: Room;
  private readonly ownAt: number;
  private readonly gain: number;
  private readonly floor: number;

  constructor(
    private readonly random: Random,
    private readonly row: OursRow,
  ) {
    this.room = classroomOf(random, row.lasts ?? [0.3, 0.3]);
    this.ownAt = between(random, ...row.own);
    this.gain = between(random, 0.12, 0.4);
    this.floor = 2e-4 * 10 ** between(random, -0.5, 0.5);
  }

  /** What the ear reads of a note; null where it reads nothing. */
  heard(
    ours: boolean,
    { string, hz }: { readonly string: OpenString; readonly hz: number },
    targets: readonly { readonly course: number; readonly midi: number; readonly hz: number }[],
  ): Reading | null {
    const { random, row } = this;
    const dry = new Float32Array(Math.round(LASTS * RATE));
    sound(dry, strike(random, string, hz), { rate: RATE, at: PLUCKED_AT });
    const wet = this.carried(dry, ours);
    for (let i = 0; i < wet.length; i++)
      wet[i] = Math.max(-0.99, Math.min(0.99, this.gain * wet[i]! + this.floor * normal(random)));
    const samples = row.levelled ? level(wet, RATE, { ratio: 4, attack: 0.01, release: 0.3 }) : wet;
    let reading: Reading | null = null;
    const ear = new Listener(RATE, (event) => {
      if (event.type === 'outcome' && event.outcome.kind === 'reading') reading ??= event.outcome;
    });
    ear.know(targets.map((target) => ({ target })));
    ear.hear(samples);
    ear.finish();
    return reading;
  }

  private carried(dry: Float32Array, ours: boolean): Float32Array {
    const { random, room, row } = this;
    for (;;) {
      const distance = ours
        ? this.ownAt * between(random, 0.9, 1.12)
        : between(random, ...row.others);
      if (!row.lasts) return dry.map((x) => x / distance);
      const place = placeAt(random, room, distance);
      if (place) return soundsFrom(dry, { room, place, rate: RATE }, random);
    }
  }
}

/** Prints how many plucks of others are counted as ours, and how many of ours are left out. */
export function oursFigures(first: number, sessions: number): void {
  console.log(
    `\nOurs or another instrument, seeds ${first}–${first + sessions - 1}: guitar, ukulele, banjo in shoebox rooms; of others, counted or asked about after ${AFTER.join(', ')} plucks of ours`,
  );
  for (const row of OURS_ROWS) {
    const all = Array.from({ length: sessions }, (_, i) => oursSession(first + i, row));
    const sum = (of: (one: OursTally) => number) => all.reduce((total, one) => total + of(one), 0);
    const share = (of: (one: OursTally) => readonly number[]) =>
      AFTER.map((_, k) =>
        percent(
          sum((t) => of(t)[k]!),
          sum((t) => t.others[k]!),
        ),
      ).join(', ');
    console.log(
      `  ${row.name}: ${share((t) => t.booked)} of ${sessions} each, otherwise ${share((t) => t.otherwise)}; ours left out ${percent(
        sum((t) => t.ownLeftOut),
        sum((t) => t.own),
      )} of ${sum((t) => t.own)}`,
    );
  }
}
