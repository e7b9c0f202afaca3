import { EXERCISES, type ExerciseKind } from '../ear/index.ts';
import { RecordError } from '../errors.ts';
import { message } from '../message.ts';
import type { OwnTuning } from '../music/index.ts';
import { among, byField, checked, choice, optional, record, yes } from './shape.ts';
import { TABLES } from './shapes.ts';

/** What can be handed on as a link: it stands in the link itself, and nothing is sent anywhere. */
export type Linked =
  | { readonly kind: 'tuning'; readonly tuning: OwnTuning }
  | { readonly kind: 'plan'; readonly from: OwnTuning; readonly to: OwnTuning }
  | { readonly kind: 'exercise'; readonly exercise: ExerciseKind; readonly minute?: true };

const { shape: tuning } = TABLES.tunings;
const linked = byField<Linked, 'kind'>('kind', {
  tuning: record<Extract<Linked, { kind: 'tuning' }>>({ kind: choice<'tuning'>('tuning'), tuning }),
  plan: record<Extract<Linked, { kind: 'plan' }>>({
    kind: choice<'plan'>('plan'),
    from: tuning,
    to: tuning,
  }),
  exercise: record<Extract<Linked, { kind: 'exercise' }>>({
    kind: choice<'exercise'>('exercise'),
    exercise: among<ExerciseKind>(
      Object.fromEntries(EXERCISES.map((one) => [one, true])) as Record<ExerciseKind, true>,
    ),
    minute: optional(yes()),
  }),
});

/** What a link holds, if it may. @throws RecordError naming the field that is wrong */
export function checkLinked(value: unknown): Linked {
  const link = checked<Linked>(linked, value, 'the link');
  for (const { id } of tuningsIn(link))
    if (!ID.test(id)) throw new RecordError('the link.id', message('problems.oddId', { id }));
  return link;
}

/** What ids look like: they become part of an address. */
const ID = /^[\w-]{1,100}$/;

const tuningsIn = (link: Linked): readonly OwnTuning[] => {
  if (link.kind === 'tuning') return [link.tuning];
  return link.kind === 'plan' ? [link.from, link.to] : [];
};
