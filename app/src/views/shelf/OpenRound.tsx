import { Group } from '@mantine/core';
import { nextOf } from '@rosefinch/core/rounds';
import { roundInWords } from '@rosefinch/core/sentences';
import { Link, useNavigate } from 'react-router';
import { useData, useSettings } from '../../data/index.ts';
import { locale, now, zone } from '../../environment.ts';
import { Action, KEY_TABLE, keysOf, useKeys } from '../../parts/frame/index.ts';
import { takeOfRound, useOpenRound } from '../../parts/rounds/index.ts';
import { useWords } from '../../parts/words/index.ts';

/** The round that is going on: how far it is, and the way on. */
export function OpenRound() {
  const t = useWords();
  const round = useOpenRound();
  const settings = useSettings();
  const { repository } = useData();
  const navigate = useNavigate();
  const next = round ? (round.inHand ?? nextOf(round, null)) : null;
  const begin = () => {
    if (!round || next === null) return;
    void takeOfRound(repository, round, next).then(() => navigate('/'));
  };
  useKeys(keysOf('shelf', { begin }), (settings?.keysOn ?? false) && next !== null);
  if (!round) return null;
  const clock = { now: now(), zone: zone(), reader: locale() };
  return (
    <section className="open-round" aria-label={t('shelf.theRoundThatIsGoing')}>
      <div>
        <strong>{round.name}</strong> <span>{t(roundInWords(round, clock))}</span>
      </div>
      <Group>
        <Link to={`/rounds/${round.id}`}>{t('shelf.itsSheet')}</Link>
        <Action main hotkey={KEY_TABLE.shelf.begin.shown} disabled={next === null} onAct={begin}>
          {t('shelf.goOnWithTheRound')}
        </Action>
      </Group>
    </section>
  );
}
