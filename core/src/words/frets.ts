import type { EndUnder, Finding, FretAsked, FretPlace } from '../intonation/index.ts';
import type { Refusal } from '../listen/index.ts';
import type { Cents } from '../units.ts';
import { signedCents } from './figures.ts';
import { refusalInWords } from './refusal.ts';
import { capital, type Sentence } from './sentence.ts';

/** Fret as it is counted on the neck: a short string begins further up. */
export function placeInWords(place: FretPlace, startFret: number): string {
  switch (place.kind) {
    case 'open':
      return 'open';
    case 'harmonic':
      return `touched over fret ${12 + startFret}`;
    case 'fret':
      return `fret ${place.fret + startFret}${place.pressure === 'normal' ? '' : `, ${place.pressure}`}`;
  }
}

/** How it is done. */
export function howInWords(place: FretPlace): string {
  switch (place.kind) {
    case 'open':
      return 'Nothing held. It is read four times: every figure rests on it.';
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

const strings = (courses: readonly number[]) =>
  `string${courses.length > 1 ? 's' : ''} ${courses.join(', ')}`;

/** What was found, with its evidence. */
export function findingInWords(finding: Finding): { readonly say: string; readonly why: string } {
  const { cause, courses, cents, errorCents, fret } = finding;
  const amount = `${signedCents(cents)} ± ${errorCents.toFixed(1)} cents`;
  switch (cause) {
    case 'fret':
      return {
        say: `Fret ${fret} is out of its place on ${strings(courses)}.`,
        why: `It alone is ${amount} off; its neighbours are not.`,
      };
    case 'light touch':
      return {
        say: `A lighter touch helps on ${strings(courses)}.`,
        why: `Fret 12 is ${amount} by it.`,
      };
    case 'hard touch':
      return {
        say: `A hard finger makes ${strings(courses)} sharper.`,
        why: `Fret 12 is ${amount} by it.`,
      };
    case 'saddle place':
      return {
        say: `${cents > 0 ? 'Sharper' : 'Flatter'} the further up the neck on ${strings(courses)}: the saddle stands too ${cents > 0 ? 'near' : 'far'}, as it plays at your pressure.`,
        why: `Fret 12 is ${amount} off by it.`,
      };
    case 'nut place':
      return {
        say: `Every fretted note alike is ${cents > 0 ? 'sharp' : 'flat'} on ${strings(courses)}: the nut stands too ${cents > 0 ? 'far back' : 'near'}, or the open string was read off.`,
        why: `${amount} at every fret.`,
      };
    case 'nut height':
      return {
        say: `The first frets are worst on ${strings(courses)}: the nut slots are high.`,
        why: `Fret 1 is ${amount} off by it, and less the further up.`,
      };
  }
}

/** What is to be done with the bridge, in one sentence. */
export function bridgeInWords(ends: readonly EndUnder[]): string {
  if (ends.every(({ right }) => right)) return 'The bridge stands right. Mark its place.';
  return `${capital(ends.map(endInWords).join('; '))}.`;
}

/** @example endInWords(end) // => 'the end under string 4 moves 3.4 ± 0.3 mm away from the nut' */
function endInWords({ course, mm, errorMm, right }: EndUnder): string {
  const end = `the end under string ${course}`;
  if (right) return `${end} stays`;
  const way = mm > 0 ? 'away from the nut' : 'towards the nut';
  return `${end} moves ${Math.abs(mm).toFixed(1)} ± ${errorMm.toFixed(1)} mm ${way}`;
}

/**
 * What to do next in a check.
 * @param asked null once every place was read
 * @param startFret where the string begins
 */
export function fretTaskInWords(
  asked: FretAsked | null,
  startFret: number,
  done: boolean,
): Sentence {
  if (asked)
    return {
      say: `String ${asked.course}, ${placeInWords(asked.place, startFret)}: pluck it.`,
      more: howInWords(asked.place),
    };
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
        more: `It lay ${notice.cents.toFixed(0)} cents from its note. Pluck the open string again.`,
      };
  }
}
