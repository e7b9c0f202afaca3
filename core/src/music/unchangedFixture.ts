import { digest } from '../maths/digestFixture.ts';
import {
  accidentalFor,
  bothNames,
  chordOf,
  findTunings,
  nearestNote,
  notesInWords,
  openChord,
  pureOffsets,
  TUNINGS,
  targetsOf,
} from './index.ts';

const QUERIES = ['d a d', 'E2 A2', 'Bb', 'G4 C4 E4 A4', 'c e g', 'B0'];

/** Searches here use notes and chords only; names belong to the catalogue of messages. */
const unnamed = () => '';

/** What the music comes to today: every tuning of the catalogue, what is found, chords on every note. */
export function figures(): Record<string, ReturnType<typeof digest>> {
  return {
    tunings: digest(
      Object.fromEntries(
        TUNINGS.map((tuning) => [
          tuning.id,
          `${notesInWords(tuning)}: ${openChord(tuning) ?? 'no chord'}, ${accidentalFor(tuning.courses.flat())}`,
        ]),
      ),
    ),
    targets: digest(
      TUNINGS.flatMap((tuning, i) => targetsOf(tuning, 430 + (i % 50), i % 4).map(({ hz }) => hz)),
    ),
    found: digest(
      QUERIES.map((query) =>
        findTunings(query, unnamed)
          .map(({ id }) => id)
          .join(' '),
      ),
    ),
    chords: digest(
      Array.from({ length: 24 }, (_, root) =>
        [
          [0, 4, 7],
          [0, 3, 7],
          [7, 12, 16],
          [0, 5, 7],
          [0, 4, 7, 10],
          [0, 2, 9],
        ].map((steps) => chordOf(steps.map((step) => 40.2 + root + step))?.name ?? '-'),
      )
        .flat()
        .join(' '),
    ),
    pure: digest(pureOffsets([38, 45, 50, 54, 57, 62, 63, 59], 2, 0.7)),
    near: digest([80, 261, 442, 1000].map((hz) => nearestNote(hz, 438))),
    names: digest([37, 40, 46, 61].map((midi) => bothNames(midi, 'flat'))),
  };
}
