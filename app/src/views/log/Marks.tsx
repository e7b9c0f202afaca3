import { Button, Group, NativeSelect, TextInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import type { Mark } from '@rosefinch/core/records';
import type { Instrument } from '@rosefinch/core/strings';
import { dayInWords, LOG_SAYS } from '@rosefinch/core/words';
import { useData } from '../../data/index.ts';
import { locale, newId, now, zone } from '../../environment.ts';
import { useNotices } from '../../parts/frame/index.ts';

const KINDS: readonly { readonly value: Mark['kind']; readonly label: string }[] = [
  { value: 'loan', label: 'lent out' },
  { value: 'repair', label: 'repaired' },
  { value: 'note', label: 'note' },
];

interface Props {
  readonly instrument: Instrument;
  readonly marks: readonly Mark[];
}

/** Loans, repairs and notes of an instrument: they tell what its drift does not. */
export function Marks({ instrument, marks }: Props) {
  const { repository } = useData();
  const notices = useNotices();
  const newest = [...marks].sort((a, b) => b.at - a.at);
  const remove = async ({ id }: Mark) =>
    notices.undoable(LOG_SAYS.markGone, await repository.chronicle.deleteMark(id));
  const back = (mark: Mark) => repository.chronicle.saveMark({ ...mark, until: now() });
  return (
    <section aria-label="Loans, repairs, notes">
      <h2>Loans, repairs, notes</h2>
      <MarkForm instrument={instrument} />
      <ul className="marks">
        {newest.map((mark) => (
          <li key={mark.id}>
            <span>
              <strong>{KINDS.find(({ value }) => value === mark.kind)?.label}</strong>{' '}
              {daysOf(mark)} {mark.text}
            </span>
            <Group gap="xs">
              {mark.kind !== 'note' && mark.until === null && (
                <Button variant="default" onClick={() => void back(mark)}>
                  It is back
                </Button>
              )}
              <Button variant="default" onClick={() => void remove(mark)}>
                Take it out
              </Button>
            </Group>
          </li>
        ))}
      </ul>
    </section>
  );
}

function daysOf({ kind, at, until, zone: where }: Mark): string {
  const from = dayInWords(at, where, locale());
  if (kind === 'note') return `${from}:`;
  return until === null
    ? LOG_SAYS.since(from)
    : LOG_SAYS.between(from, dayInWords(until, where, locale()));
}

function MarkForm({ instrument }: { readonly instrument: Instrument }) {
  const { repository } = useData();
  const form = useForm({
    initialValues: { kind: 'loan' as Mark['kind'], from: '', to: '', text: '' },
    validate: {
      to: (to, { from }) => (to !== '' && from !== '' && to < from ? 'before it began' : null),
      text: (text, { kind }) =>
        kind === 'note' && text.trim() === '' ? 'a note needs words' : null,
    },
  });
  const { kind } = form.values;
  const add = form.onSubmit(async ({ from, to, text }) => {
    await repository.chronicle.saveMark({
      id: newId(),
      instrumentId: instrument.id,
      kind,
      at: dayOr(from, now()),
      until: kind === 'note' || to === '' ? null : dayOr(to, now()),
      zone: zone(),
      text: text.trim(),
    });
    form.reset();
  });
  return (
    <form onSubmit={add}>
      <Group align="end">
        <NativeSelect label="What" data={[...KINDS]} {...form.getInputProps('kind')} />
        <TextInput label="On" type="date" {...form.getInputProps('from')} />
        {kind !== 'note' && <TextInput label="Until" type="date" {...form.getInputProps('to')} />}
        <TextInput label="In words" maxLength={200} {...form.getInputProps('text')} />
        <Button type="submit">Put it in the log</Button>
      </Group>
    </form>
  );
}

/** The noon of a day that was typed; `otherwise` where none was. */
function dayOr(day: string, otherwise: number): number {
  return day === '' ? otherwise : new Date(`${day}T12:00`).getTime();
}
