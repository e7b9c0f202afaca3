import { kindInWords } from '@rosefinch/core/sentences';
import type { Words } from '@rosefinch/words';
import { useWords } from '../../parts/words/index.ts';
import './firstUse.css';
import { Button, Group, NativeSelect, NumberInput, Radio, Stack, Text, Title } from '@mantine/core';
import type { InstrumentKind, Tuning } from '@rosefinch/core/music';
import { type Instrument, MODELS, type Model } from '@rosefinch/core/strings';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { type Stock, useData } from '../../data/index.ts';
import { newId } from '../../environment.ts';
import { modelChoices } from '../../parts/instruments/index.ts';
import { StrumFirst } from './StrumFirst.tsx';

/** So many can be put on the shelf at once. */
const MOST = 40;

/** An empty shelf, or another one for it: what stands in front of the teacher, how many of them, and ways to begin. */
export default function FirstUse({ stock }: { readonly stock: Stock }) {
  const t = useWords();
  const names = stock.shelf.map(({ name }) => name);
  const { repository } = useData();
  const [, setSearch] = useSearchParams();
  const [modelId, setModelId] = useState(MODELS[0]?.id ?? '');
  const [count, setCount] = useState<number | string>(1);
  const model = MODELS.find(({ id }) => id === modelId);
  const many = typeof count === 'number' ? count : 1;
  const kind = model ? kindOf(model) : 'guitar';
  const begin = async (listen: 'microphone' | 'practice') => {
    if (!model) return;
    const instruments = shelfOf(model, many, names, t);
    await repository.addInstruments(instruments);
    await repository.saveSettings({ instrumentId: instruments[0]?.id ?? null });
    setSearch({ listen });
  };
  const takeStrummed = async (strummed: Model, { id: tuningId }: Tuning) => {
    const [instrument] = shelfOf(strummed, 1, names, t);
    if (!instrument) return;
    await repository.addInstruments([{ ...instrument, tuningId, homeTuningId: tuningId }]);
    await repository.saveSettings({ instrumentId: instrument.id });
    setSearch({ listen: 'microphone' });
  };
  return (
    <Stack className="first-use" align="flex-start">
      <Title order={1}>{t('bench.whatStands')}</Title>
      <StrumFirst settings={stock.settings} onTake={(m, tuning) => void takeStrummed(m, tuning)} />
      <KindChoice value={modelId} onChange={setModelId} />
      <NumberInput
        label={t('bench.howMany')}
        w={150}
        min={1}
        max={MOST}
        allowDecimal={false}
        value={count}
        onChange={setCount}
      />
      <Group>
        <Button size="lg" onClick={() => void begin('microphone')}>
          {t('bench.listenByTheMicrophone')}
        </Button>
        <Button size="lg" variant="default" onClick={() => void begin('practice')}>
          {t('bench.tryItWithAPractice', { kind: kindInWords(kind) })}
        </Button>
      </Group>
      <Text>{t('bench.whatItDoes')}</Text>
      <Text size="sm">{t('bench.caution')}</Text>
    </Stack>
  );
}

interface KindProps {
  readonly value: string;
  readonly onChange: (modelId: string) => void;
}

/** What most have as cards, so that the ways to begin stay in sight; all others in a list. */
function KindChoice({ value, onChange }: KindProps) {
  const t = useWords();
  const usual = MODELS.filter((model) => model.usual);
  const others = MODELS.filter((model) => !model.usual);
  return (
    <>
      <Radio.Group aria-label={t('bench.kind')} value={value} onChange={onChange}>
        <div className="first-kinds">
          {usual.map(({ id, name }) => (
            <Radio.Card key={id} value={id} className="first-kind">
              <Group wrap="nowrap">
                <Radio.Indicator />
                <span>{t(name)}</span>
              </Group>
            </Radio.Card>
          ))}
        </div>
      </Radio.Group>
      <NativeSelect
        label={t('bench.anotherOne')}
        data={[{ value: '', label: t('bench.oneOfTheAbove') }, ...modelChoices(t, others)]}
        value={others.some(({ id }) => id === value) ? value : ''}
        onChange={(event) => onChange(event.currentTarget.value || (usual[0]?.id ?? ''))}
      />
    </>
  );
}

function kindOf(model: Model): InstrumentKind {
  return model.build('', '').kind;
}

/** The first one is the teacher’s own; of more than one each has its number, and none the name of another. */
function shelfOf(model: Model, count: number, names: readonly string[], t: Words): Instrument[] {
  const kind = kindOf(model);
  const mine = t('bench.myInstrument', { kind });
  if (count === 1 && !names.includes(mine)) return [model.build(newId(), mine)];
  const free: string[] = [];
  for (let number = 1; free.length < count; number++) {
    const name = t('bench.numberedInstrument', { kind, number });
    if (!names.includes(name)) free.push(name);
  }
  return free.map((name) => model.build(newId(), name));
}
