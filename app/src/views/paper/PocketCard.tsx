import { movesBetween, openChord, type Tuning } from '@rosefinch/core/music';
import { semitonesShort, tuningName } from '@rosefinch/core/sentences';
import type { Stock } from '../../data/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { CardNotes } from './CardNotes.tsx';
import type { Room } from './Sheets.tsx';

/** Four tunings, two and two, or one below the other. */
export function pocketRoom(lies: boolean): Room {
  return lies ? { wide: 40, high: 21 } : { wide: 23, high: 32 };
}

interface Props {
  readonly tunings: readonly Tuning[];
  /** What each is reached from. */
  readonly from: Tuning;
  readonly stock: Stock;
}

/** Tunings to have in a pocket: the notes of each, and which strings move on the way to it. */
export function PocketCard({ tunings, from, stock }: Props) {
  const t = useWords();
  return (
    <div className="pocket">
      {tunings.map((tuning) => {
        const chord = openChord(tuning);
        const moves = movesBetween(from, tuning);
        const phrase = stock.settings.phrases[tuning.id];
        return (
          <section key={tuning.id}>
            <strong>{t.value(tuningName(tuning))}</strong>
            {chord && <small>{t('paper.openChordChord', { chord })}</small>}
            <CardNotes
              tuning={tuning}
              under={(course) => {
                const move = moves.find((one) => one.course === course);
                return move && semitonesShort(move.semitones);
              }}
            />
            {phrase && <small>{phrase}</small>}
          </section>
        );
      })}
      <footer>
        <small>{t('paper.underEachNoteItsString', { name: from.name })}</small>
      </footer>
    </div>
  );
}
