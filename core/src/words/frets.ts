import type {
  Compromise,
  EndUnder,
  FretAsked,
  Fault as FretFault,
  FretPlace,
  FretVerdict,
  NoteOff,
  Ordered,
  Part,
  Proof,
  ShapeOutcome,
} from '../intonation/index.ts';
import type { Refusal } from '../listen/index.ts';
import type { Cents } from '../units.ts';
import { fixed, lengthFigure, lengthInWords } from '../writing.ts';
import { distanceInWords, signedCents } from './figures.ts';
import { refusalInWords } from './refusal.ts';
import { capital, type Sentence } from './sentence.ts';

/** Fret as it is counted on the neck: a short string begins further up. */
export function placeInWords(place: FretPlace, startFret: number): string {
  switch (place.kind) {
    case 'open':
      return 'open';
    case 'harmonic':
      return `touched over fret ${12 + startFret}`;
    case 'fret': {
      if (place.capo && place.fret === 1) return `open behind a capo at fret ${1 + startFret}`;
      const how = place.pressure === 'normal' ? '' : `, ${place.pressure}`;
      return `fret ${place.fret + startFret}${how}${place.capo ? ', the capo on' : ''}`;
    }
  }
}

/** How it is done. */
export function howInWords(place: FretPlace): string {
  if (place.kind === 'fret' && place.capo && place.fret === 1)
    return 'Put a capo close behind the fret, straight, and leave it on.';
  switch (place.kind) {
    case 'open':
      return 'Nothing held: every figure of this string rests on it.';
    case 'harmonic':
      return 'Touch it lightly in its middle, do not press; let go after the pluck.';
    case 'fret':
      return {
        soft: 'As lightly as it still rings, close behind the fret.',
        normal: 'Held as in playing, close behind the fret.',
        hard: 'Pressed as hard as a learner does.',
      }[place.pressure];
  }
}

/** A note that fits another place than the one asked for: which it may be. `heard` is a fret, 0 the open string. */
export interface OtherPlace {
  readonly asked: FretAsked;
  readonly heard: number;
  /** The open string that it may be as well. */
  readonly string: number | null;
}

/** @example otherPlaceInWords({ asked, heard: 5, string: 2 }).say // => 'That sounded like fret 5, or string 2 open, not fret 12.' */
export function otherPlaceInWords({ asked, heard, string }: OtherPlace): Sentence {
  const place = heard === 0 ? 'the open string' : `fret ${heard}`;
  const or = string === null ? '' : `, or string ${string} open`;
  return {
    say: `That sounded like ${place}${or}, not ${placeInWords(asked.place, 0)}.`,
    more: 'Its reading waits for your answer.',
  };
}

/** What stands at the end of the strings. */
type End = 'saddle' | 'bridge';

/** @example partInWords({ kind: 'slot', course: 3 }, 'saddle') // => 'the nut slot of string 3' */
export function partInWords(part: Part, end: End): string {
  switch (part.kind) {
    case 'saddle':
      return `the place of the ${end}`;
    case 'slant':
      return `the slant of the ${end}`;
    case 'nut':
      return 'the place of the nut';
    case 'slots':
      return 'the height of the nut slots';
    case 'slot':
      return `the nut slot of string ${part.course}`;
    case 'action':
      return 'the height of the strings';
    case 'hand':
      return 'a heavy finger';
    case 'fret':
      return `fret ${part.fret}`;
    case 'string':
      return `string ${part.course} itself, or its point on the ${end}`;
  }
}

/** What is at fault, by so much, and what putting it right would bring. */
export function faultyPartInWords(fault: FretFault, end: End): Sentence {
  const { cents, low, high, at, worstAfter } = fault;
  const ends = [low, high].sort((a, b) => Math.abs(a) - Math.abs(b));
  const where = `String ${at.course} at fret ${at.fret} is ${signedCents(cents)} cents (${ends.map(signedCents).join(' to ')}) by it.`;
  if (fault.part.kind === 'string')
    return {
      say: `${capital(partInWords(fault.part, end))}: no reading tells the two apart.`,
      more: `${where} Fit a new string, and read it again.`,
    };
  return {
    say: `${sizeInWords(fault, end)}.`,
    more: `${where} Put right, the notes that it moves lie within ${Math.ceil(worstAfter)} cents.`,
  };
}

/** @example 'The saddle stands too near the nut: 2.1 mm (1.7 to 2.6)' */
function sizeInWords({ part, mm, at }: FretFault, end: End): string {
  const size = mm ? millimetres(mm) : '';
  const positive = (mm?.middle ?? 0) > 0;
  switch (part.kind) {
    case 'saddle':
      return `The ${end} stands too ${positive ? 'far from' : 'near'} the nut: ${size}`;
    case 'slant':
      return `The ${end} slants: under string ${at.course} it stands too ${positive ? 'far from' : 'near'} the nut by ${size}, at the other side the other way`;
    case 'nut':
      return `The nut stands too ${positive ? 'far from' : 'near'} the first fret: ${size}`;
    case 'slots':
      return `The nut slots are too high: ${size} above what is usual`;
    case 'slot':
      return `The nut slot of string ${part.course} is too high: ${size} above what is usual`;
    case 'action':
      return `The strings lie too high: ${size} above what is usual over fret 12`;
    case 'fret':
      return `Fret ${part.fret} stands too near the ${positive ? 'bridge' : 'nut'}: ${size}`;
    case 'hand':
    case 'string':
      return capital(partInWords(part, end));
  }
}

/** @example millimetres({ middle: -2.14, low: -2.6, high: -1.7 }) // => '2.1 mm (1.7 to 2.6)' */
function millimetres({ middle, low, high }: NonNullable<FretFault['mm']>): string {
  const [least = 0, most = 0] = [low, high].map(Math.abs).sort((a, b) => a - b);
  const crosses = low * high < 0;
  const digits = Math.abs(middle) < 1 ? 2 : 1;
  return `${lengthInWords(Math.abs(middle), digits)} (${lengthFigure(crosses ? 0 : least, digits)} to ${lengthFigure(most, digits)})`;
}

/** What was judged, and how. */
export interface Judged {
  /** A note further off is wrong. */
  readonly limit: Cents;
  readonly end: End;
  /** Strings, where not all were looked at. */
  readonly only: readonly number[] | null;
}

/** What a check comes to, before its parts are named. */
export function fretVerdictInWords(verdict: FretVerdict, { limit, end, only }: Judged): Sentence {
  const strings = only ? `string${only.length > 1 ? 's' : ''} ${only.join(', ')}` : '';
  switch (verdict.kind) {
    case 'begun':
      return { say: 'Nothing is told yet.', more: 'Read the open strings, then some frets.' };
    case 'undecided':
      return { say: 'Not decided yet.', more: likelyInWords(verdict, end) };
    case 'certified':
      return {
        say: `Every note${only ? ` of ${strings}` : ''} is within ${limit} cents.`,
        more: 'Frets 1 to 12 were heard. Nothing to order.',
      };
    case 'nothing to order':
      return {
        say: only ? `Nothing to order on ${strings}.` : 'Nothing to order: no part is at fault.',
        more:
          verdict.off.length === 0
            ? `No note is shown to be off by more than ${limit} cents.`
            : `${offInWords(verdict.off)} Instruments of this build are so.`,
      };
    case 'at fault':
      return {
        say:
          verdict.faults.length === 1 ? 'One part is at fault.' : 'More than one part is at fault.',
        more: '',
      };
  }
}

/** How far a lighter and a harder finger move fret 12, in cents; null where that was not read. */
export interface Touch {
  readonly soft: Cents | null;
  readonly hard: Cents | null;
}

/** What the finger does; null where nothing was read of it. */
export function touchInWords({ soft, hard }: Touch): string | null {
  const light =
    soft === null
      ? []
      : [
          soft < -SMALL
            ? `the lightest that still rings takes ${fixed(-soft, 1)} cents off fret 12.`
            : 'a lighter one changes little.',
        ];
  const heavy =
    hard === null
      ? []
      : [hard > SMALL ? `A hard one adds ${fixed(hard, 1)} cents.` : 'A hard one changes little.'];
  const said = [...light, ...heavy].join(' ');
  return said === '' ? null : said;
}

/** Whether an order was carried out. */
export function proofInWords(proof: Proof, ordered: Ordered, end: End): Sentence {
  const name = partInWords(ordered.part, end);
  if (proof.kind === 'more plucks')
    return { say: `Was ${name} put right?`, more: 'A few plucks tell.' };
  const { course, fret } = ordered.at;
  const was = `String ${course} at fret ${fret} was ${signedCents(ordered.cents)} cents by it, and is ${signedCents(proof.cents)} ± ${fixed(proof.errorCents, 1)}.`;
  const moved = proof.moved ? ` Something else is off now: ${partInWords(proof.moved, end)}.` : '';
  const say = {
    done: `Done: ${name} is put right.`,
    'half done': `Half done: ${fixed(100 * proof.share)} % of what was ordered.`,
    'not done': `Not done: ${name} is as it was.`,
    'too much': `Too much: ${name} is off the other way now.`,
  }[proof.kind];
  return { say, more: `${was}${moved}` };
}

/** What a compromise brings the chords that are played. @example 'The widest pair comes from 9.4 to 5.1 cents' */
export function compromiseInWords({ offered, outcomes }: Compromise): string {
  if (!offered) return 'No compromise helps these chords: leave the open strings as they are.';
  const widest = (of: (one: ShapeOutcome) => Cents) => fixed(Math.max(...outcomes.map(of)), 1);
  return `Detuned so, the widest pair comes from ${widest((one) => one.worstBefore)} to ${widest((one) => one.worstAfter)} cents, and no chord is worse.`;
}

/** Less than this nobody hears. */
const SMALL: Cents = 1;

type Undecided = Extract<FretVerdict, { kind: 'undecided' }>;

function likelyInWords({ likely, unheard, farFromNut }: Undecided, end: End): string {
  const named = likely
    .filter(({ share }) => share >= WORTH_NAMING)
    .map(({ part, share }) => `${partInWords(part, end)} (${fixed(100 * share)} %)`);
  const may =
    named.length === 0 ? 'Nothing stands out so far.' : `It may be ${named.join(' or ')}.`;
  const many = (list: readonly number[]) => (list.length > 1 ? 's' : '');
  const missing = [
    ...(unheard.length > 0 ? [`fret${many(unheard)} ${unheard.join(', ')}`] : []),
    ...(farFromNut.length > 0
      ? [`string${many(farFromNut)} ${farFromNut.join(', ')} at fret 1`]
      : []),
  ];
  return missing.length === 0 ? may : `${may} Not heard yet: ${missing.join('; ')}.`;
}

/** Less likely causes are not named. */
const WORTH_NAMING = 0.1;
/** Notes that are named one by one. */
const MOST_NOTES = 3;

function offInWords(off: readonly NoteOff[]): string {
  const worst = [...off].sort((a, b) => Math.abs(b.cents) - Math.abs(a.cents));
  const named = worst
    .slice(0, MOST_NOTES)
    .map(
      ({ course, fret, cents }) =>
        `string ${course} at fret ${fret} is ${distanceInWords(Math.abs(cents))} ${cents > 0 ? 'sharp' : 'flat'}`,
    );
  const more = off.length > MOST_NOTES ? `, and ${off.length - MOST_NOTES} more` : '';
  return `${capital(named.join(', '))}${more}.`;
}

/** What is to be done with the bridge, in one sentence. */
export function bridgeInWords(ends: readonly EndUnder[]): string {
  if (ends.every(({ right }) => right)) return 'The bridge stands right. Mark its place.';
  return `${capital(ends.map(endInWords).join('; '))}.`;
}

/** @example endInWords(end) // => 'the end under string 4 moves 3.4 ± 0.3 mm away from the nut' */
function endInWords(end: EndUnder): string {
  const name = `the end under string ${end.course}`;
  return end.right ? `${name} stays` : `${name} moves ${moveInWords(end)}`;
}

/** @example moveInWords(end) // => '3.4 ± 0.3 mm away from the nut' */
function moveInWords({ mm, errorMm }: EndUnder): string {
  const way = mm > 0 ? 'away from the nut' : 'towards the nut';
  return `${lengthFigure(Math.abs(mm), 1)} ± ${lengthInWords(errorMm, 1)} ${way}`;
}

/** What is to be done with saddles of which each string has its own, in one sentence. */
export function saddlesInWords(saddles: readonly EndUnder[]): string {
  const wrong = saddles.filter(({ right }) => !right);
  if (wrong.length === 0) return 'Every saddle stands right.';
  const courses = wrong.map(({ course }) => course);
  return `The saddle${courses.length > 1 ? 's' : ''} of string${courses.length > 1 ? 's' : ''} ${courses.join(', ')} ${courses.length > 1 ? 'are' : 'is'} to be moved.`;
}

/** One saddle. @param pitchMm what a turn of its screw moves it by; null where that is not known */
export function saddleInWords(saddle: EndUnder, pitchMm: number | null): string {
  if (saddle.right) return `String ${saddle.course} stays.`;
  const turns =
    pitchMm === null ? '' : `: ${fixed(Math.abs(saddle.mm) / pitchMm, 1)} turns of its screw`;
  return `String ${saddle.course} moves ${moveInWords(saddle)}${turns}.`;
}

/**
 * What to do next in a check.
 * @param asked null once every place was read
 * @param startFret where the string begins
 * @param capoOn a capo was on at the last pluck
 */
export function fretTaskInWords(
  asked: FretAsked | null,
  startFret: number,
  done: boolean,
  capoOn = false,
): Sentence {
  if (asked) {
    const under = asked.place.kind === 'fret' && asked.place.capo;
    const off = capoOn && !under ? 'Take the capo off first. ' : '';
    return {
      say: `String ${asked.course}, ${placeInWords(asked.place, startFret)}: pluck it.`,
      more: `${off}${howInWords(asked.place)}`,
    };
  }
  return {
    say: done ? 'This check is done.' : 'Every place is read.',
    more: 'W shows what it comes to.',
  };
}

/** Why a pluck is no reading of the place that was asked for. */
export type FretNotice =
  | { readonly kind: 'refused'; readonly refusal: Refusal }
  /** The check was begun in practice, or on the real instrument, and this is the other. */
  | { readonly kind: 'other world'; readonly begun: 'practice' | 'real' }
  | { readonly kind: 'another string'; readonly heard: number; readonly asked: number }
  | { readonly kind: 'not open'; readonly asked: number; readonly cents: Cents };

/** What to say of it. */
export function fretNoticeInWords(notice: FretNotice): Sentence {
  switch (notice.kind) {
    case 'refused':
      return refusalInWords(notice.refusal);
    case 'other world':
      return {
        say: `This check was begun ${notice.begun === 'real' ? 'on the real instrument' : 'in practice'}.`,
        more: 'Finish it, and begin another one: readings of both are never mixed.',
      };
    case 'another string':
      return {
        say: `That sounded like string ${notice.heard}.`,
        more: `String ${notice.asked} open is asked for. Mute the others, and pluck it.`,
      };
    case 'not open':
      return {
        say: `That was not string ${notice.asked} open.`,
        more: `It lay ${fixed(notice.cents)} cents from its note. Pluck the open string again.`,
      };
  }
}
