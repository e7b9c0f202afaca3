import { Button, Group, NativeSelect, TextInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { type LabelId, message } from '@rosefinch/core/message';
import type { Mark } from '@rosefinch/core/records';
import type { Instrument } from '@rosefinch/core/strings';
import type { Words } from '@rosefinch/words';
import { useData } from '../../data/index.ts';
import { newId, now, zone } from '../../environment.ts';
import { useNotices } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';

const KINDS: readonly { readonly value: Mark['kind']; readonly label: LabelId }[] = [
  { value: 'loan', label: 'log.lentOut' },
  { value: 'repair', label: 'log.repaired' },
  { value: 'note', label: 'log.note' },
];

interface Props {
  readonly instrument: Instrument;
  readonly marks: readonly Mark[];
}

/** Loans, repairs and notes of an instrument: they tell what its drift does not. */
export function Marks({ instrument, marks }: Props) {
  const t = useWords();
  const { repository } = useData();
  const notices = useNotices();
  const newest = [...marks].sort((a, b) => b.at - a.at);
  const remove = async ({ id }: Mark) =>
    notices.undoable(t('log.markGone'), await repository.chronicle.deleteMark(id));
  const back = (mark: Mark) => repository.chronicle.saveMark({ ...mark, until: now() });
  return (
    <section aria-label={t('log.loansRepairsNotes')}>
      <h2>{t('log.loansRepairsNotes')}</h2>
      <MarkForm instrument={instrument} />
      <ul className="marks">
        {newest.map((mark) => (
          <li key={mark.id}>
            <span>
              <strong>{t(kindOf(mark))}</strong> {daysOf(mark, t)} {mark.text}
            </span>
            <Group gap="xs">
              {mark.kind !== 'note' && mark.until === null && (
                <Button variant="default" onClick={() => void back(mark)}>
                  {t('log.itIsBack')}
                </Button>
              )}
              <Button variant="default" onClick={() => void remove(mark)}>
                {t('log.takeItOut')}
              </Button>
            </Group>
          </li>
        ))}
      </ul>
    </section>
  );
}

const kindOf = ({ kind }: Pick<Mark, 'kind'>) =>
  message(KINDS.find(({ value }) => value === kind)?.label ?? 'log.note');

function daysOf({ kind, at, until, zone: where }: Mark, t: Words): string {
  const from = t.moment(at, { now: at, zone: where }, 'day');
  if (kind === 'note') return `${from}:`;
  return until === null
    ? t('log.since', { day: from })
    : t('log.between', {
        first: from,
        last: t.moment(until, { now: until, zone: where }, 'day'),
      });
}

function MarkForm({ instrument }: { readonly instrument: Instrument }) {
  const t = useWords();
  const { repository } = useData();
  const form = useForm({
    initialValues: { kind: 'loan' as Mark['kind'], from: '', to: '', text: '' },
    validate: {
      to: (to, { from }) => (to !== '' && from !== '' && to < from ? t('log.beforeItBegan') : null),
      text: (text, { kind }) =>
        kind === 'note' && text.trim() === '' ? t('log.noteNeedsWords') : null,
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
        <NativeSelect
          label={t('log.what')}
          data={KINDS.map(({ value, label }) => ({ value, label: t(label) }))}
          {...form.getInputProps('kind')}
        />
        <TextInput label={t('log.on')} type="date" {...form.getInputProps('from')} />
        {kind !== 'note' && (
          <TextInput label={t('log.until')} type="date" {...form.getInputProps('to')} />
        )}
        <TextInput label={t('log.inWords')} maxLength={200} {...form.getInputProps('text')} />
        <Button type="submit">{t('log.putItInTheLog')}</Button>
      </Group>
    </form>
  );
}

/** The noon of a day that was typed; `otherwise` where none was. */
function dayOr(day: string, otherwise: number): number {
  return day === '' ? otherwise : new Date(`${day}T12:00`).getTime();
}
