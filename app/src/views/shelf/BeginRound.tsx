import { Button, Group, NativeSelect, SegmentedControl, Stack, TextInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { problemOf } from '@rosefinch/core/errors';
import { newRound, ONE_STRUM, type Round, roundOrder } from '@rosefinch/core/rounds';
import { DAY_MS } from '@rosefinch/core/units';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { type Settings, useData } from '../../data/index.ts';
import { natural, newId, now, zone } from '../../environment.ts';
import { Action, Dialog, KEY_TABLE, keysOf, useKeys, useNotices } from '../../parts/frame/index.ts';
import { takeOfRound, useOpenRound } from '../../parts/rounds/index.ts';
import { useWords } from '../../parts/words/index.ts';
import type { Shelved } from './shelved.ts';

interface Props {
  readonly picked: readonly Shelved[];
  readonly due: readonly Shelved[];
  readonly shown: readonly Shelved[];
  readonly group: string | null;
  readonly settings: Settings;
}

type Which = 'picked' | 'due' | 'shown';

/** Begins a round over what is picked, what is due, or all that is shown. */
export function BeginRound(props: Props) {
  const t = useWords();
  const [opened, setOpened] = useState(false);
  const round = useOpenRound();
  const begin = () => setOpened(true);
  // With a round open its own button has the key.
  useKeys(keysOf('shelf', { begin }), props.settings.keysOn && !opened && round === null);
  return (
    <>
      <Action
        main={round === null}
        {...(round === null && { hotkey: KEY_TABLE.shelf.begin.shown })}
        onAct={begin}
      >
        {t('shelf.beginARound')}
      </Action>
      <Dialog title={t('shelf.aRound')} opened={opened} onClose={() => setOpened(false)}>
        {opened && <RoundForm {...props} />}
      </Dialog>
    </>
  );
}

function RoundForm({ picked, due, shown, group }: Props) {
  const t = useWords();
  const lists: Readonly<Record<Which, readonly Shelved[]>> = { picked, due, shown };
  const words: Readonly<Record<Which, string>> = {
    picked: t('shelf.theTicked', { count: picked.length }),
    due: t('shelf.theDue', { count: due.length }),
    shown: t('shelf.theShown', { count: shown.length }),
  };
  const first = (['picked', 'due', 'shown'] as const).find((which) => lists[which].length > 0);
  const form = useForm({
    initialValues: {
      name: group ?? t('shelf.beforeTheLesson'),
      time: '',
      which: group && picked.length === 0 ? 'shown' : (first ?? 'shown'),
      way: 'anyOrder' as Round['way'],
    },
    validate: { name: (name) => (name.trim() === '' ? t('shelf.roundNeedsName') : null) },
  });
  const begin = useBegin();
  const { which } = form.values;
  const list = lists[which as Which];
  const minutes = list.reduce((sum, one) => sum + one.minutes, 0);
  return (
    <form onSubmit={form.onSubmit(({ name, time, way }) => begin({ name, time, way, list }))}>
      <Stack>
        <TextInput label={t('shelf.name')} maxLength={60} {...form.getInputProps('name')} />
        <TextInput label={t('shelf.toBeDoneByIf')} type="time" {...form.getInputProps('time')} />
        <NativeSelect
          label={t('shelf.which')}
          data={(['picked', 'due', 'shown'] as const)
            .filter((one) => lists[one].length > 0)
            .map((value) => ({ value, label: words[value] }))}
          {...form.getInputProps('which')}
        />
        <SegmentedControl
          aria-label={t('shelf.howItGoes')}
          data={[
            { value: 'anyOrder', label: t('shelf.oneAfterTheOther') },
            { value: 'rollCall', label: t('shelf.rollCall2') },
          ]}
          {...form.getInputProps('way')}
        />
        <p className="soft">
          {form.values.way === 'rollCall' ? t('shelf.rollCall') : t('shelf.anyOrder')}
        </p>
        <Group>
          <Button type="submit" disabled={list.length === 0}>
            {form.values.way === 'anyOrder'
              ? t('shelf.beginAbout', {
                  instruments: list.length,
                  minutes: Math.max(1, Math.round(minutes)),
                })
              : t('shelf.beginCall', { instruments: list.length })}
          </Button>
        </Group>
      </Stack>
    </form>
  );
}

interface Wanted {
  readonly name: string;
  readonly time: string;
  readonly way: Round['way'];
  readonly list: readonly Shelved[];
}

function useBegin() {
  const { repository } = useData();
  const navigate = useNavigate();
  const notices = useNotices();
  return ({ name, time, way, list }: Wanted) => {
    // A roll call goes by number, as the children sit.
    const ordered = way === 'rollCall' ? byName(list) : roundOrder(list, orderFacts);
    const taken = ordered.map(({ instrument, minutes }) => ({
      instrumentId: instrument.id,
      minutes: way === 'rollCall' ? ONE_STRUM : minutes,
    }));
    const round = newRound(
      { id: newId(), name: name.trim(), way, madeAt: now(), zone: zone(), by: timeOf(time) },
      taken,
    );
    const first = taken[0]?.instrumentId;
    const begun = async () => {
      await repository.chronicle.beginRound(round);
      if (first !== undefined) await takeOfRound(repository, round, first);
      await navigate('/');
    };
    begun().catch((error: Error) => notices.say({ message: problemOf(error) }));
  };
}

function byName(list: readonly Shelved[]): Shelved[] {
  const order = natural();
  return [...list].sort((a, b) => order.compare(a.instrument.name, b.instrument.name));
}

function orderFacts({ need, out }: Shelved) {
  return { settles: need.kind === 'now' && need.because === 'new strings', out };
}

/** That time of the clock on the wall, next; null where none was typed. */
function timeOf(typed: string): number | null {
  const [hours, minutes] = typed.split(':').map(Number);
  if (typed === '' || hours === undefined || minutes === undefined) return null;
  const at = new Date(now()).setHours(hours, minutes, 0, 0);
  return at > now() ? at : at + DAY_MS;
}
