import type { Tuning } from '@rosefinch/core/music';
import { useWords } from '../../parts/words/index.ts';

interface Props {
  readonly tuning: Tuning;
  /** What is under a note; its string's number unless something else is to be said. */
  readonly under?: (course: number) => string | undefined;
}

/** More notes than these stand on a line only if they are small. */
const MANY = 7;

/** The notes of a tuning, large, in the player's order. */
export function CardNotes({ tuning, under }: Props) {
  const t = useWords();
  const notes = tuning.courses.map(([midi = 0], i) => ({ course: i + 1, midi })).reverse();
  return (
    <ol className="card-notes" data-many={notes.length > MANY}>
      {notes.map(({ course, midi }) => (
        <li key={course}>
          <strong className="card-note">{t.note(midi, tuning.accidental)}</strong>
          <small>{under?.(course) ?? course}</small>
        </li>
      ))}
    </ol>
  );
}
