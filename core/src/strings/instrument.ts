import { pegPlace, USUAL_RATIO } from './pegs.ts';
import { stringsOfSet } from './sets.ts';
import type { Instrument, Peg, PegKind, PegPlace, TightenDirection } from './types.ts';

/**
 * A usual peg. Sideways buttons of the upper row are turned away from the player to
 * tighten, the others towards; backward ones, as the string winds on at the inner side
 * of the post, clockwise in the upper row and the other way in the lower. A left-handed
 * instrument is the mirror image: what turns clockwise turns the other way, what goes away
 * from the player still does.
 */
export function usualPeg(kind: PegKind, { row }: PegPlace, leftHanded = false): Peg {
  return {
    kind,
    postMm: 6,
    ratio: USUAL_RATIO[kind],
    tighten: usualDirection(kind, row, leftHanded),
    known: 'assumed',
  };
}

/** A six-string guitar with steel strings 12–53 in standard tuning. */
export function steelGuitar(id: string, name: string, note = ''): Instrument {
  const strings = stringsOfSet('guitar-acoustic-12');
  return {
    id,
    name,
    kind: 'guitar',
    scaleMm: 648,
    frets: 20,
    courses: strings.map((spec, index) => ({
      number: index + 1,
      strings: [{ spec, peg: usualPeg('geared', pegPlace('3+3', index + 1, strings.length)) }],
    })),
    layout: '3+3',
    bridge: 'fixed',
    tuningId: 'guitar-standard',
    note,
  };
}

function usualDirection(
  kind: PegKind,
  row: PegPlace['row'],
  leftHanded: boolean,
): TightenDirection {
  if (kind === 'geared') return row === 'upper' ? 'awayFromYou' : 'towardsYou';
  return (row === 'upper') !== leftHanded ? 'clockwise' : 'counterClockwise';
}
