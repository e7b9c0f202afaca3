import { Button, Group, Text } from '@mantine/core';
import type { StrumLike, StrumTuning } from '@rosefinch/core/listen';
import { list, message } from '@rosefinch/core/message';
import { TUNINGS, type Tuning, targetsOf } from '@rosefinch/core/music';
import { strummedInWords, tuningName } from '@rosefinch/core/sentences';
import { MODELS, type Model, takesTuning } from '@rosefinch/core/strings';
import { useEffect, useMemo, useState } from 'react';
import type { Settings } from '../../data/index.ts';
import { ListeningProblem, useJobHere, useListening } from '../../parts/listening/index.ts';
import { useWords } from '../../parts/words/index.ts';

interface Props {
  readonly settings: Settings;
  readonly onTake: (model: Model, tuning: Tuning) => void;
}

/** Every tuning of the catalogue, by its id. */
function everyTuning(a4: number): StrumTuning[] {
  return TUNINGS.map((tuning) => ({
    id: tuning.id,
    name: tuningName(tuning),
    hz: targetsOf(tuning, a4).map(({ hz }) => hz),
  }));
}

const NOTHING_KNOWN = [] as const;

/** Says from one strum what stands in front of the teacher, and offers what it may be. */
export function StrumFirst({ settings, onTake }: Props) {
  const t = useWords();
  const [like, setLike] = useState<readonly StrumLike[] | null>(null);
  useJobHere();
  const listening = useListening<null>({
    settings,
    strings: NOTHING_KNOWN,
    tunings: useMemo(() => everyTuning(settings.a4), [settings.a4]),
    asked: null,
    intended: () => null,
    practice: () => Promise.reject(new Error('no practice instrument is known yet')),
    hear: (report) => {
      if (report.type === 'strum') setLike(report.like);
      else if (report.type === 'outcome') setLike([]);
    },
  });
  const { source, expectStrum, problem } = listening;
  // Each strum is asked for anew.
  // biome-ignore lint/correctness/useExhaustiveDependencies: once it listens, and after each answer
  useEffect(() => {
    if (source) expectStrum(true);
  }, [source, like]);
  if (problem) return <ListeningProblem problem={problem} />;
  if (!source)
    return (
      <Button size="lg" variant="default" onClick={() => listening.listen('microphone')}>
        {t('bench.strumWhatIsInFront')}
      </Button>
    );
  return (
    <section aria-label={t('bench.whatWasStrummed')}>
      <div role="status">
        <Says like={like} />
      </div>
      <Group mt="xs">
        {(like ?? []).flatMap((one) => {
          const tuning = TUNINGS.find(({ id }) => id === one.id);
          return tuning
            ? modelsFor(tuning).map((model) => (
                <Button
                  key={`${model.id} ${one.id}`}
                  variant="default"
                  onClick={() => onTake(model, tuning)}
                >
                  {like?.length === 1
                    ? t(model.name)
                    : t.value(list([model.name, tuningName(tuning)]))}
                </Button>
              ))
            : [];
        })}
      </Group>
    </section>
  );
}

function Says({ like }: { readonly like: readonly StrumLike[] | null }) {
  const t = useWords();
  if (like === null) return <Text size="lg">{t('bench.strum')}</Text>;
  const [first] = like;
  if (!first) return <Text size="lg">{t('bench.noStrum')}</Text>;
  const names = like.map(({ id, name }) => {
    const tuning = TUNINGS.find((one) => one.id === id);
    return tuning
      ? message('bench.kindInTuning', { kind: tuning.kind, tuning: tuningName(tuning) })
      : name;
  });
  const { say, more } = strummedInWords(names, first.cents);
  return (
    <>
      <Text size="xl" fw={700}>
        {t(say)}
      </Text>
      <Text>{t(more)}</Text>
    </>
  );
}

/** What such a tuning is strung on. */
function modelsFor(tuning: Tuning): Model[] {
  return MODELS.filter((model) => takesTuning(model.build('', ''), tuning));
}
