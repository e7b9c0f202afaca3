import { Group } from '@mantine/core';
import { nextOf } from '@rosefinch/core/rounds';
import { roundInWords } from '@rosefinch/core/words';
import { Link, useNavigate } from 'react-router';
import { useData, useSettings } from '../../data/index.ts';
import { locale, now, zone } from '../../environment.ts';
import { Action, KEY_TABLE, keysOf, useKeys } from '../../parts/frame/index.ts';
import { takeOfRound, useOpenRound } from '../../parts/rounds/index.ts';

/** The round that is going on: how far it is, and the way on. */
export function OpenRound() {
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
    <section className="open-round" aria-label="The round that is going on">
      <div>
        <strong>{round.name}</strong> <span>{roundInWords(round, clock)}</span>
      </div>
      <Group>
        <Link to={`/rounds/${round.id}`}>Its sheet</Link>
        <Action main hotkey={KEY_TABLE.shelf.begin.shown} disabled={next === null} onAct={begin}>
          Go on with the round
        </Action>
      </Group>
    </section>
  );
}
