import { Button, Group, Stack } from '@mantine/core';
import { problemOf } from '@rosefinch/core/errors';
import { type Message, message, type Value } from '@rosefinch/core/message';
import {
  findTuning,
  notesInWords,
  type OwnTuning,
  TUNINGS,
  type Tuning,
} from '@rosefinch/core/music';
import type { Linked } from '@rosefinch/core/records';
import { exerciseName, exerciseTask, kindInWords, tuningName } from '@rosefinch/core/sentences';
import type { Words } from '@rosefinch/words';
import { useState } from 'react';
import { Link, useLocation, useNavigate } from 'react-router';
import { readLink, type Stock, useData, useStock } from '../../data/index.ts';
import { newId } from '../../environment.ts';
import { NotSaved, useNotices, ViewHead } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';

/** A link that was opened: what it holds, before it is taken in. */
export function OpenView() {
  const t = useWords();
  const { hash } = useLocation();
  const stock = useStock();
  if (!stock) return <p>{t('common.moment')}</p>;
  try {
    return <Held key={hash} what={readLink(hash)} stock={stock} />;
  } catch (error) {
    return (
      <Stack>
        <ViewHead title={t('open.aLink')} />
        <p role="alert">{t.value(problemOf(error))}</p>
        <p>
          {t('open.nothingTaken')} <Link to="/tunings">{t('open.allTunings')}</Link>
        </p>
      </Stack>
    );
  }
}

interface Props {
  readonly what: Linked;
  readonly stock: Stock;
}

function Held({ what, stock }: Props) {
  const t = useWords();
  const notices = useNotices();
  const [held] = useState(() => withoutCatalogue(what));
  const { repository } = useData();
  const navigate = useNavigate();
  const [problem, setProblem] = useState<Value | null>(null);
  const taken = tuningsIn(held).filter((tuning) => !isHere(tuning, stock));
  const take = async () => {
    for (const tuning of taken)
      notices.undoable(t('open.taken', { name: tuning.name }), await repository.saveTuning(tuning));
    await navigate(placeOf(held));
  };
  return (
    <Stack>
      <ViewHead title={t(titleOf(held))} />
      {tuningsIn(held).map((tuning) => (
        <p key={tuning.id}>
          <strong>{t.value(tuningName(tuning))}</strong>, {t(aboutIt(tuning, t))}{' '}
          {t(standingOf(tuning, stock))}
        </p>
      ))}
      {what.kind === 'exercise' && <p>{t(exerciseTask(what.exercise))}</p>}
      <NotSaved reason={problem} />
      <Group>
        <Button onClick={() => take().catch((error: Error) => setProblem(problemOf(error)))}>
          {taken.length > 0 ? t('open.takeItIn') : t('open.openIt')}
        </Button>
      </Group>
    </Stack>
  );
}

/** The catalogue stays as it is: what calls itself one of its tunings and is another gets a name of its own. */
function withoutCatalogue(what: Linked): Linked {
  const own = (tuning: OwnTuning): OwnTuning => {
    const known = findTuning(tuning.id, TUNINGS);
    return known && !sameNotes(known, tuning) ? { ...tuning, id: newId() } : tuning;
  };
  if (what.kind === 'tuning') return { ...what, tuning: own(what.tuning) };
  return what.kind === 'plan' ? { ...what, from: own(what.from), to: own(what.to) } : what;
}

function tuningsIn(what: Linked): readonly OwnTuning[] {
  if (what.kind === 'tuning') return [what.tuning];
  return what.kind === 'plan' ? [what.from, what.to] : [];
}

/** The same notes under the same id: nothing is to be taken in. */
function isHere(tuning: Tuning, { tunings }: Stock): boolean {
  const known = findTuning(tuning.id, tunings);
  return known !== undefined && sameNotes(known, tuning);
}

function sameNotes(a: Tuning, b: Tuning): boolean {
  const of = ({ kind, courses, temper }: Tuning) => JSON.stringify([kind, courses, temper]);
  return of(a) === of(b);
}

function aboutIt(tuning: Tuning, t: Words): Message {
  const facts = { kind: kindInWords(tuning.kind), notes: notesInWords(tuning, t.reader) };
  return tuning.temper
    ? message('open.tuningWithOffsets', facts)
    : message('open.tuningNotes', facts);
}

function standingOf(tuning: Tuning, stock: Stock): Message {
  const known = findTuning(tuning.id, stock.tunings);
  if (!known) return message('open.notHere');
  if (sameNotes(known, tuning)) return message('open.here');
  return message('open.replaces', { name: known.name });
}

function titleOf(what: Linked): Message {
  switch (what.kind) {
    case 'tuning':
      return message('open.aTuning', { tuning: tuningName(what.tuning) });
    case 'plan':
      return message('open.fromTo', { from: tuningName(what.from), to: tuningName(what.to) });
    case 'exercise':
      return message('open.forTheEar', { exercise: exerciseName(what.exercise) });
  }
}

function placeOf(what: Linked): string {
  switch (what.kind) {
    case 'tuning':
      return `/tunings/${what.tuning.id}`;
    case 'plan':
      return `/retune?to=${what.to.id}`;
    case 'exercise':
      return `/ear/${what.exercise}${what.minute ? '?minute' : ''}`;
  }
}
