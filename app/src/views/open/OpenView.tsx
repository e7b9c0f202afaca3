import { Button, Group, Stack } from '@mantine/core';
import { findTuning, notesInWords, TUNINGS, type Tuning } from '@rosefinch/core/music';
import type { Linked } from '@rosefinch/core/records';
import { EXERCISE_WORDS, OPEN_SAYS } from '@rosefinch/core/words';
import { useState } from 'react';
import { Link, useLocation, useNavigate } from 'react-router';
import { readLink, type Stock, useData, useStock } from '../../data/index.ts';
import { newId } from '../../environment.ts';
import { NotSaved, useNotices, ViewHead } from '../../parts/frame/index.ts';

/** A link that was opened: what it holds, before it is taken in. */
export function OpenView() {
  const { hash } = useLocation();
  const stock = useStock();
  if (!stock) return <p>One moment …</p>;
  try {
    return <Held key={hash} what={readLink(hash)} stock={stock} />;
  } catch (error) {
    return (
      <Stack>
        <ViewHead title="A link" />
        <p role="alert">{error instanceof Error ? error.message : String(error)}</p>
        <p>
          {OPEN_SAYS.nothingTaken} <Link to="/tunings">All tunings</Link>
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
  const notices = useNotices();
  const [held] = useState(() => withoutCatalogue(what));
  const { repository } = useData();
  const navigate = useNavigate();
  const [problem, setProblem] = useState<string | null>(null);
  const taken = tuningsIn(held).filter((tuning) => !isHere(tuning, stock));
  const take = async () => {
    for (const tuning of taken)
      notices.undoable(OPEN_SAYS.taken(tuning.name), await repository.saveTuning(tuning));
    await navigate(placeOf(held));
  };
  return (
    <Stack>
      <ViewHead title={titleOf(held)} />
      {tuningsIn(held).map((tuning) => (
        <p key={tuning.id}>
          <strong>{tuning.name}</strong>, {tuning.kind}: {notesInWords(tuning)}
          {tuning.temper && ', with offsets of its own'}. {standingOf(tuning, stock)}
        </p>
      ))}
      {what.kind === 'exercise' && <p>{EXERCISE_WORDS[what.exercise].more}</p>}
      <NotSaved reason={problem} />
      <Group>
        <Button onClick={() => take().catch((error: Error) => setProblem(error.message))}>
          {taken.length > 0 ? 'Take it in' : 'Open it'}
        </Button>
      </Group>
    </Stack>
  );
}

/** The catalogue stays as it is: what calls itself one of its tunings and is another gets a name of its own. */
function withoutCatalogue(what: Linked): Linked {
  const own = (tuning: Tuning): Tuning => {
    const known = findTuning(tuning.id, TUNINGS);
    return known && !sameNotes(known, tuning) ? { ...tuning, id: newId() } : tuning;
  };
  if (what.kind === 'tuning') return { ...what, tuning: own(what.tuning) };
  return what.kind === 'plan' ? { ...what, from: own(what.from), to: own(what.to) } : what;
}

function tuningsIn(what: Linked): readonly Tuning[] {
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

function standingOf(tuning: Tuning, stock: Stock): string {
  const known = findTuning(tuning.id, stock.tunings);
  if (!known) return OPEN_SAYS.notHere;
  if (sameNotes(known, tuning)) return OPEN_SAYS.here;
  return OPEN_SAYS.replaces(known.name);
}

function titleOf(what: Linked): string {
  switch (what.kind) {
    case 'tuning':
      return `A tuning: ${what.tuning.name}`;
    case 'plan':
      return `From ${what.from.name} to ${what.to.name}`;
    case 'exercise':
      return `For the ear: ${EXERCISE_WORDS[what.exercise].say}`;
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
