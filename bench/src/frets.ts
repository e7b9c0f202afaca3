import {
  type FretReading,
  type Judgement,
  judgeNeck,
  MOST_PLUCKS,
  neckOf,
  nextPlace,
  partKey,
  Unknowns,
} from '@rosefinch/core/intonation';
import { seededRandom } from '@rosefinch/core/maths';
import {
  type FaultKind,
  type ForeignNeck,
  foreignNeck,
  NECK_KINDS,
  type NeckKind,
  WORLDS,
  type World,
} from './foreign/necks.ts';
import { quantile } from './print.ts';

/** Between two plucks. */
const EACH_MS = 8000;
const LAST = 12;
const LIMIT = 5;

/** One check as the app leads it, until it is decided. */
export interface Checked {
  readonly neck: ForeignNeck;
  readonly judgement: Judgement;
  readonly plucks: number;
  /** The furthest note, as it truly is. */
  readonly worst: number;
}

function checked(neck: ForeignNeck): Checked {
  const seen = neckOf(neck.instrument, neck.targets);
  const unknowns = new Unknowns(seen);
  const readings: FretReading[] = [];
  let judgement = judgeNeck(seen, readings, LIMIT, unknowns);
  for (;;) {
    let asked = nextPlace(seen, readings, judgement);
    if (!asked && judgement.verdict.kind === 'begun') {
      // The list is at its end before that: from here what was read leads.
      judgement = judgeNeck(seen, readings, LIMIT, unknowns);
      asked = nextPlace(seen, readings, judgement);
    }
    if (!asked) break;
    const { course, place } = asked;
    const press =
      place.kind === 'fret'
        ? { course, fret: place.fret, pressure: place.pressure, capo: place.capo === true }
        : { course, fret: 0, pressure: 'normal' as const };
    readings.push({ course, place, ...neck.read(press), at: readings.length * EACH_MS });
    // Before each string was plucked four times nothing is decided.
    if (readings.length >= 4 * seen.strings.length || judgement.explanations)
      judgement = judgeNeck(seen, readings, LIMIT, unknowns);
  }
  let worst = 0;
  for (const { course } of seen.strings)
    for (let fret = 1; fret <= LAST; fret++)
      worst = Math.max(worst, Math.abs(neck.net(course, fret)));
  return { neck, judgement, plucks: readings.length, worst };
}

const seedOf = (seed: number, ...of: number[]) =>
  of.reduce((sum, k) => sum * 31 + k + 1, seed * 7919);

export function checksOf(
  first: number,
  count: number,
  world: World,
  kind: NeckKind,
  fault: { readonly kind: FaultKind; readonly low: number; readonly high: number } | null,
): Checked[] {
  return Array.from({ length: count }, (_, i) => {
    const faultSeed = fault ? fault.kind.length * 13 + fault.kind.charCodeAt(1) : 0;
    const random = seededRandom(
      seedOf(first + i, WORLDS.indexOf(world), NECK_KINDS.indexOf(kind), faultSeed),
    );
    const wanted = fault && {
      kind: fault.kind,
      effect: fault.low + random() * (fault.high - fault.low),
    };
    return checked(foreignNeck(random, world, kind, wanted));
  });
}

const percent = (k: number, n: number) => (n === 0 ? '–' : `${((100 * k) / n).toFixed(1)} %`);

/** Sound instruments: how many are let go, and how many are certified of those that deserve it. */
function soundFigures(first: number, count: number, kind: NeckKind): void {
  for (const world of WORLDS) {
    const all = checksOf(first, count, world, kind, null);
    const by = (of: Judgement['verdict']['kind']) =>
      all.filter(({ judgement }) => judgement.verdict.kind === of);
    const good = all.filter(({ worst }) => worst < 4);
    const certified = good.filter(({ judgement }) => judgement.verdict.kind === 'certified').length;
    const wrongly = by('certified').filter(({ worst }) => worst > LIMIT).length;
    const cleared = by('certified').length + by('nothing to order').length;
    const ordered = by('at fault');
    console.log(
      `  ${kind}, ${world}, ${count}: cleared ${percent(cleared, count)}, ordered ${percent(ordered.length, count)}, undecided ${percent(by('undecided').length, count)}; certified ${percent(certified, good.length)} of ${good.length} that lie below 4, ${wrongly} wrongly of ${by('certified').length}; worst note ${quantile(
        all.map(({ worst }) => worst),
        0.5,
        1,
      )}; plucks ${quantile(
        all.map(({ plucks }) => plucks),
        0.5,
        0,
      )}`,
    );
    for (const { judgement } of ordered.slice(0, 4)) console.log(`      ${said(judgement)}`);
  }
}

function said({ verdict }: Judgement): string {
  if (verdict.kind === 'at fault' || verdict.kind === 'undecided')
    return (verdict.kind === 'at fault' ? verdict.faults : verdict.likely)
      .map(
        (f) =>
          `${partKey(f.part)} ${f.share.toFixed(2)} ${f.cents.toFixed(1)} [${f.low.toFixed(1)} ${f.high.toFixed(1)}] ${f.worst.toFixed(1)}→${f.worstAfter.toFixed(1)}`,
      )
      .join('; ');
  return verdict.kind;
}

const FAULTS: readonly FaultKind[] = [
  'saddle',
  'slant',
  'nut',
  'slots',
  'slot',
  'action',
  'fret',
  'string',
];

/** True if a part is the one at fault: one string’s saddle and a false string are one. */
function isRight(part: string, { neck: { fault } }: Checked): boolean {
  if (!fault) return false;
  if (fault.kind === 'fret' || fault.kind === 'slot' || fault.kind === 'string')
    return part === `${fault.kind} ${fault.which}`;
  return part === fault.kind;
}

function faultyFigures(
  first: number,
  count: number,
  kind: NeckKind,
  low: number,
  high: number,
): void {
  const total = {
    n: 0,
    decided: 0,
    wrong: 0,
    also: 0,
    undecided: 0,
    first: 0,
    cleared: 0,
    hold: 0,
    amounts: 0,
  };
  for (const fault of FAULTS) {
    const all = WORLDS.flatMap((world) =>
      checksOf(first, Math.ceil(count / WORLDS.length), world, kind, { kind: fault, low, high }),
    ).filter(({ neck }) => neck.fault!.size < MOST_MM);
    let [firstRight, decided, wrong, also, undecided, cleared, hold] = [0, 0, 0, 0, 0, 0, 0];
    const off: number[] = [];
    const notes: string[] = [];
    for (const one of all) {
      const { verdict } = one.judgement;
      if (verdict.kind === 'at fault' || verdict.kind === 'undecided') {
        const list = verdict.kind === 'at fault' ? verdict.faults : verdict.likely;
        if (list[0] && isRight(partKey(list[0].part), one)) firstRight++;
        else if (notes.length < 3)
          notes.push(
            `${fault} ${one.neck.fault!.which ?? ''} ${one.neck.fault!.size.toFixed(2)}: ${said(one.judgement)}`,
          );
      }
      if (verdict.kind === 'at fault') {
        decided++;
        const right = verdict.faults.find((f) => isRight(partKey(f.part), one));
        if (!right) wrong++;
        else if (verdict.faults.length > 1) also++;
        if (right) {
          const { course, fret } = right.at;
          const truth = one.neck.net(course, fret) - one.neck.netRight(course, fret);
          if (truth >= right.low && truth <= right.high) hold++;
          off.push(Math.abs(right.cents - truth) / Math.max(1, Math.abs(truth)));
        }
      } else if (verdict.kind === 'undecided') undecided++;
      else cleared++;
    }
    const n = all.length;
    console.log(
      `  ${kind}, ${fault} of ${low}–${high} cents, ${n}: first ${percent(firstRight, n)}; decided ${percent(decided, n)}, wrong ${percent(wrong, decided)}, another beside ${percent(also, decided)}; undecided ${percent(undecided, n)}, cleared ${percent(cleared, n)}; amount within its 80 % ${percent(hold, off.length)}, median error ${
        off.length
          ? quantile(
              off.map((x) => 100 * x),
              0.5,
              0,
            )
          : '–'
      } %; plucks ${
        n
          ? quantile(
              all.map(({ plucks }) => plucks),
              0.5,
              0,
            )
          : '–'
      }`,
    );
    for (const note of notes) console.log(`      ${note}`);
    total.n += n;
    total.first += firstRight;
    total.decided += decided;
    total.wrong += wrong;
    total.also += also;
    total.undecided += undecided;
    total.cleared += cleared;
    total.hold += hold;
    total.amounts += off.length;
  }
  console.log(
    `  ${kind}, all faults of ${low}–${high}: first ${percent(total.first, total.n)}, decided ${percent(total.decided, total.n)}, wrong ${percent(total.wrong, total.decided)}, also ${percent(total.also, total.decided)}, undecided ${percent(total.undecided, total.n)}, cleared ${percent(total.cleared, total.n)}, interval ${percent(total.hold, total.amounts)}`,
  );
}

/** No slot and no saddle is wrong by more, in mm: what would need it is no fault of this cause. */
const MOST_MM = 4;

/** The judge of the fret check in worlds that are not its own. */
export function fretFigures(first: number, sound: number, faulty: number): void {
  console.log(
    `\nFret check in three foreign worlds (seeds ${first} on), limit ${LIMIT} cents, at most ${MOST_PLUCKS} plucks`,
  );
  const only = process.argv.find((word) => word.startsWith('--kind='))?.slice('--kind='.length);
  for (const kind of NECK_KINDS.filter((one) => !only || one === only)) {
    if (sound > 0) soundFigures(first, sound, kind);
    if (faulty > 0) {
      faultyFigures(first, faulty, kind, 6, 12);
      faultyFigures(first, faulty, kind, 4, 6);
    }
  }
}
