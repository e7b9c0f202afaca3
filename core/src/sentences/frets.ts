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
import {
  lengthValue,
  list,
  type Message,
  message,
  type Sentence,
  signed,
  type Text,
} from '../message.ts';
import type { Cents, Millimetres } from '../units.ts';
import { distanceInWords } from './figures.ts';
import { refusalInWords } from './refusal.ts';

/** Fret as it is counted on the neck: a short string begins further up. */
export function placeInWords(place: FretPlace, startFret: number): Message {
  switch (place.kind) {
    case 'open':
      return message('frets.placeOpen');
    case 'harmonic':
      return message('frets.placeHarmonic', { fret: 12 + startFret });
    case 'fret': {
      const fret = place.fret + startFret;
      if (place.capo && place.fret === 1) return message('frets.placeCapoOpen', { fret });
      return place.capo
        ? message('frets.placeFretCapo', { pressure: place.pressure, fret })
        : message('frets.placeFret', { pressure: place.pressure, fret });
    }
  }
}

/** How it is done. */
export function howInWords(place: FretPlace): Message {
  if (place.kind === 'fret' && place.capo && place.fret === 1) return message('frets.howCapo');
  switch (place.kind) {
    case 'open':
      return message('frets.howOpen');
    case 'harmonic':
      return message('frets.howHarmonic');
    case 'fret':
      return message('frets.howFret', { pressure: place.pressure });
  }
}

/** A note that fits another place than the one asked for: which it may be. `heard` is a fret, 0 the open string. */
export interface OtherPlace {
  readonly asked: FretAsked;
  readonly heard: number;
  /** The open string that it may be as well. */
  readonly string: number | null;
}

/** @example ‘That sounded like fret 5, or string 2 open, not fret 12.’ */
export function otherPlaceInWords({ asked, heard, string }: OtherPlace): Sentence {
  const place = placeInWords(asked.place, 0);
  return {
    say:
      string === null
        ? message('frets.otherPlace', { heard, place })
        : message('frets.otherPlaceOrString', { heard, string, place }),
    more: message('frets.otherPlace.more'),
  };
}

/** What carries the strings at their end: bridge or saddle. */
type End = 'saddle' | 'bridge';

/** @example partInWords({ kind: 'slot', course: 3 }, 'saddle') // ‘the nut slot of string 3’ */
export function partInWords(part: Part, end: End): Message {
  switch (part.kind) {
    case 'saddle':
      return message('frets.partEnd', { end });
    case 'slant':
      return message('frets.partSlant', { end });
    case 'nut':
      return message('frets.partNut');
    case 'slots':
      return message('frets.partSlots');
    case 'slot':
      return message('frets.partSlot', { string: part.course });
    case 'action':
      return message('frets.partAction');
    case 'hand':
      return message('frets.partHand');
    case 'fret':
      return message('frets.partFret', { fret: part.fret });
    case 'string':
      return message('frets.partString', { end, string: part.course });
  }
}

/** What is at fault, by so much, and what putting it right would bring. */
export function faultyPartInWords(fault: FretFault, end: End): Sentence {
  const { cents, low, high, at, worstAfter, part } = fault;
  const ends = [low, high].sort((a, b) => Math.abs(a) - Math.abs(b));
  const where = message('frets.faultAt', {
    string: at.course,
    fret: at.fret,
    cents: signed(cents),
    range: list(ends.map(signed), 'to'),
  });
  if (part.kind === 'string')
    return {
      say: message('frets.faultString', { end, string: part.course }),
      more: [where, message('frets.faultString.more')],
    };
  return {
    say: sizeInWords(fault, end),
    more: [where, message('frets.fault.more', { cents: Math.ceil(worstAfter) })],
  };
}

/** @example ‘The saddle stands too near the nut: 2.1 mm (1.7 to 2.6).’ */
function sizeInWords({ part, mm, at }: FretFault, end: End): Message {
  const size = mm ? millimetres(mm) : '';
  const way = (mm?.middle ?? 0) > 0 ? 'far' : 'near';
  switch (part.kind) {
    case 'saddle':
      return end === 'saddle'
        ? message('frets.saddleStands', { way, size })
        : message('frets.bridgeStands', { way, size });
    case 'slant':
      return end === 'saddle'
        ? message('frets.saddleSlants', { way, string: at.course, size })
        : message('frets.bridgeSlants', { way, string: at.course, size });
    case 'nut':
      return message('frets.nutStands', { way, size });
    case 'slots':
      return message('frets.slotsHigh', { size });
    case 'slot':
      return message('frets.slotHigh', { string: part.course, size });
    case 'action':
      return message('frets.actionHigh', { size });
    case 'fret':
      return message('frets.fretStands', { way, fret: part.fret, size });
    case 'hand':
      return message('frets.handHeavy');
    case 'string':
      return message('frets.stringItself', { string: part.course });
  }
}

/** @example millimetres({ middle: -2.14, low: -2.6, high: -1.7 }) // ‘2.1 mm (1.7 to 2.6)’ */
function millimetres({ middle, low, high }: NonNullable<FretFault['mm']>): Message {
  const [least = 0, most = 0] = [low, high].map(Math.abs).sort((a, b) => a - b);
  const crosses = low * high < 0;
  const digits = Math.abs(middle) < 1 ? 2 : 1;
  return message('frets.lengthRange', {
    middle: lengthValue(Math.abs(middle), digits),
    low: lengthValue(crosses ? 0 : least, digits, false),
    high: lengthValue(most, digits, false),
  });
}

/** What was judged, and how. */
export interface Judged {
  /** A note further off is wrong. */
  readonly limit: Cents;
  readonly end: End;
  /** Strings, where not all were looked at. */
  readonly only: readonly number[] | null;
}

/** The result of a check, before the parts at fault are named. */
export function fretVerdictInWords(verdict: FretVerdict, { limit, end, only }: Judged): Sentence {
  const some = { count: only?.length ?? 0, strings: list(only ?? []) };
  switch (verdict.kind) {
    case 'begun':
      return { say: message('frets.begun'), more: message('frets.begun.more') };
    case 'undecided':
      return { say: message('frets.undecided'), more: likelyInWords(verdict, end) };
    case 'certified':
      return {
        say: only
          ? message('frets.certifiedSome', { ...some, limit })
          : message('frets.certified', { limit }),
        more: message('frets.certified.more'),
      };
    case 'nothing to order':
      return {
        say: only ? message('frets.nothingToOrderSome', some) : message('frets.nothingToOrder'),
        more:
          verdict.off.length === 0
            ? message('frets.nothingOff', { limit })
            : [offInWords(verdict.off), message('frets.usualForBuild')],
      };
    case 'at fault':
      return {
        say: message('frets.atFault', { count: verdict.faults.length }),
        more: null,
      };
  }
}

/** How far a lighter and a harder finger move fret 12, in cents; null where that was not read. */
export interface Touch {
  readonly soft: Cents | null;
  readonly hard: Cents | null;
}

/** What the finger does; null where nothing was read of it. */
export function touchInWords({ soft, hard }: Touch): Text | null {
  const light =
    soft === null
      ? []
      : [
          soft < -SMALL
            ? message('frets.lightTakes', { cents: -soft })
            : message('frets.lightLittle'),
        ];
  const heavy =
    hard === null
      ? []
      : [hard > SMALL ? message('frets.hardAdds', { cents: hard }) : message('frets.hardLittle')];
  const said = [...light, ...heavy];
  return said.length === 0 ? null : said;
}

/** Whether an order was carried out. */
export function proofInWords(proof: Proof, ordered: Ordered, end: End): Sentence {
  const part = partInWords(ordered.part, end);
  if (proof.kind === 'more plucks')
    return {
      say: message('frets.wasItPutRight', { part }),
      more: message('frets.wasItPutRight.more'),
    };
  const { course, fret } = ordered.at;
  const was = message('frets.proof.more', {
    string: course,
    fret,
    before: signed(ordered.cents),
    after: signed(proof.cents),
    error: proof.errorCents,
  });
  const moved = proof.moved
    ? [message('frets.nowOff', { part: partInWords(proof.moved, end) })]
    : [];
  return { say: proofOf(proof.kind, part, proof.share), more: [was, ...moved] };
}

function proofOf(
  kind: Exclude<Proof['kind'], 'more plucks'>,
  part: Message,
  share: number,
): Message {
  switch (kind) {
    case 'done':
      return message('frets.proofDone', { part });
    case 'half done':
      return message('frets.proofHalf', { percent: 100 * share });
    case 'not done':
      return message('frets.proofNot', { part });
    case 'too much':
      return message('frets.proofTooMuch', { part });
  }
}

/** What a compromise brings the chords that are played. */
export function compromiseInWords({ offered, outcomes }: Compromise): Message {
  if (!offered) return message('frets.noCompromise');
  const widest = (of: (one: ShapeOutcome) => Cents) => Math.max(...outcomes.map(of));
  return message('frets.compromise', {
    before: widest((one) => one.worstBefore),
    after: widest((one) => one.worstAfter),
  });
}

/** Less than this nobody hears. */
const SMALL: Cents = 1;

type Undecided = Extract<FretVerdict, { kind: 'undecided' }>;

function likelyInWords({ likely, unheard, farFromNut }: Undecided, end: End): Text {
  const named = likely
    .filter(({ share }) => share >= WORTH_NAMING)
    .map(({ part, share }) =>
      message('frets.partChance', { part: partInWords(part, end), percent: 100 * share }),
    );
  const may =
    named.length === 0
      ? message('frets.nothingStandsOut')
      : message('frets.mayBe', { parts: list(named, 'or') });
  const missing = [
    ...(unheard.length > 0
      ? [message('frets.missingFrets', { count: unheard.length, frets: list(unheard) })]
      : []),
    ...(farFromNut.length > 0
      ? [message('frets.missingStrings', { count: farFromNut.length, strings: list(farFromNut) })]
      : []),
  ];
  return missing.length === 0
    ? may
    : [may, message('frets.missing', { places: list(missing, 'semicolons') })];
}

/** Less likely causes are not named. */
const WORTH_NAMING = 0.1;
/** Notes that are named one by one. */
const MOST_NOTES = 3;

function offInWords(off: readonly NoteOff[]): Message {
  const worst = [...off].sort((a, b) => Math.abs(b.cents) - Math.abs(a.cents));
  const named = worst.slice(0, MOST_NOTES).map(({ course, fret, cents }) =>
    message('frets.noteOff', {
      side: cents > 0 ? 'sharp' : 'flat',
      string: course,
      fret,
      distance: distanceInWords(cents),
    }),
  );
  return message('frets.notesOff', {
    notes: list(named),
    more: Math.max(0, off.length - MOST_NOTES),
  });
}

/** What is to be done with the bridge. */
export function bridgeInWords(ends: readonly EndUnder[]): Text {
  if (ends.every(({ right }) => right)) return message('frets.bridgeRight');
  return ends.map((end) =>
    end.right
      ? message('frets.endStays', { string: end.course })
      : message('frets.endMoves', { string: end.course, move: moveInWords(end) }),
  );
}

/** @example ‘3.4 ± 0.3 mm away from the nut’ */
function moveInWords({ mm, errorMm }: EndUnder): Message {
  return message('frets.move', {
    way: mm > 0 ? 'away' : 'towards',
    size: lengthValue(Math.abs(mm), 1, false),
    error: lengthValue(errorMm, 1),
  });
}

/** What is to be done with saddles of which each string has its own, in one sentence. */
export function saddlesInWords(saddles: readonly EndUnder[]): Message {
  const wrong = saddles.filter(({ right }) => !right).map(({ course }) => course);
  if (wrong.length === 0) return message('frets.saddlesRight');
  return message('frets.saddlesMove', { count: wrong.length, strings: list(wrong) });
}

/** One saddle. @param pitchMm what a turn of its screw moves it by; null where that is not known */
export function saddleInWords(saddle: EndUnder, pitchMm: Millimetres | null): Message {
  const string = saddle.course;
  if (saddle.right) return message('frets.saddleStays', { string });
  const move = moveInWords(saddle);
  return pitchMm === null
    ? message('frets.saddleMoves', { string, move })
    : message('frets.saddleMovesTurns', { string, move, turns: Math.abs(saddle.mm) / pitchMm });
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
    const off = capoOn && !under ? [message('frets.capoOffFirst')] : [];
    return {
      say: message('frets.pluckPlace', {
        string: asked.course,
        place: placeInWords(asked.place, startFret),
      }),
      more: [...off, howInWords(asked.place)],
    };
  }
  return {
    say: done ? message('frets.checkDone') : message('frets.allRead'),
    more: message('frets.allRead.more'),
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
        say: message('frets.otherWorld', { begun: notice.begun }),
        more: message('frets.otherWorld.more'),
      };
    case 'another string':
      return {
        say: message('frets.anotherString', { heard: notice.heard }),
        more: message('frets.anotherString.more', { string: notice.asked }),
      };
    case 'not open':
      return {
        say: message('frets.notOpen', { string: notice.asked }),
        more: message('frets.notOpen.more', { cents: notice.cents }),
      };
  }
}
