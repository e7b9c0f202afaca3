import { dayInWords, SHELF_SAYS } from '@rosefinch/core/words';
import './instrument.css';
import { movedMost } from '@rosefinch/core/sitting';
import type { Instrument } from '@rosefinch/core/strings';
import { useLive } from '../../data/index.ts';
import { locale } from '../../environment.ts';
import { MiniWires } from '../../parts/wires/index.ts';

/** So many of the last sittings are shown. */
const SHOWN = 8;

/** What happened to an instrument: its last sittings as small wires, the newest first, each with its one sentence. */
export function InstrumentStory({ instrument }: { readonly instrument: Instrument }) {
  const lives = useLive((r) => r.chronicle.lives(instrument.id), `lives ${instrument.id}`);
  if (!lives) return <p>One moment …</p>;
  const told = [...(lives.get(instrument.id)?.sittings ?? [])].reverse().slice(0, SHOWN);
  if (told.length === 0) return <p className="soft">{SHELF_SAYS.notLookedAt}</p>;
  return (
    <section aria-label="Last sittings" className="story">
      {told.map(({ session, summary }) => (
        <article key={session.id} className="card">
          <strong>{dayInWords(session.startedAt, session.zone, locale())}</strong>
          <MiniWires strings={summary.strings} tolerance={session.tolerance} />
          <span className="soft">{SHELF_SAYS.sittingInShort(summary, movedMost(summary))}</span>
        </article>
      ))}
    </section>
  );
}
