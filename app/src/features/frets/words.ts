import type { Finding, FretPlace } from '@rosefinch/core/intonation';
import { signedCents } from '../../ui/index.ts';

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
