import { type Message, message, signed } from '@rosefinch/core/message';
import { movedMost, type Summary } from '@rosefinch/core/sitting';
import { useWords } from '../../parts/words/index.ts';
import './instrument.css';
import type { Instrument } from '@rosefinch/core/strings';
import { useLive } from '../../data/index.ts';
import { MiniWires } from '../../parts/wires/index.ts';

/** So many of the last sessions are shown. */
const SHOWN = 8;

/** What happened to an instrument: its last sessions as small wires, the newest first, each with its one sentence. */
export function InstrumentStory({ instrument }: { readonly instrument: Instrument }) {
  const t = useWords();
  const lives = useLive((r) => r.chronicle.lives(instrument.id), `lives ${instrument.id}`);
  if (!lives) return <p>{t('common.moment')}</p>;
  const told = [...(lives.get(instrument.id)?.sittings ?? [])].reverse().slice(0, SHOWN);
  if (told.length === 0) return <p className="soft">{t('shelf.viewNotLookedAt')}</p>;
  return (
    <section aria-label={t('shelf.lastSittings')} className="story">
      {told.map(({ session, summary }) => (
        <article key={session.id} className="card">
          <strong>
            {t.moment(session.startedAt, { now: session.startedAt, zone: session.zone }, 'day')}
          </strong>
          <MiniWires strings={summary.strings} tolerance={session.tolerance} />
          <span className="soft">{t(sittingInShort(summary))}</span>
        </article>
      ))}
    </section>
  );
}

/** What came of a session, as short as it can be said. */
function sittingInShort(summary: Summary): Message {
  const { passes, plucks } = summary;
  const most = movedMost(summary);
  return most
    ? message('shelf.sittingMoved', { passes, string: most.course, cents: signed(most.cents) })
    : message('shelf.sittingInShort', { passes, plucks });
}
