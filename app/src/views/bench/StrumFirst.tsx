import { Button, Group, Text } from '@mantine/core';
import type { StrumLike, StrumTuning } from '@rosefinch/core/listen';
import { TUNINGS, type Tuning, targetsOf } from '@rosefinch/core/music';
import { MODELS, type Model, takesTuning } from '@rosefinch/core/strings';
import { BENCH_SAYS, strummedInWords } from '@rosefinch/core/words';
import { useEffect, useMemo, useState } from 'react';
import type { Settings } from '../../data/index.ts';
import { ListeningProblem, useJobHere, useListening } from '../../parts/listening/index.ts';

interface Props {
  readonly settings: Settings;
  readonly onTake: (model: Model, tuning: Tuning) => void;
}

/** Every tuning of the catalogue, by its id. */
function everyTuning(a4: number): StrumTuning[] {
  return TUNINGS.map((tuning) => ({
    name: tuning.id,
    hz: targetsOf(tuning, a4).map(({ hz }) => hz),
  }));
}

const NOTHING_KNOWN = [] as const;

/** Says from one strum what stands in front of the teacher, and offers what it may be. */
export function StrumFirst({ settings, onTake }: Props) {
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
        Strum what is in front of you
      </Button>
    );
  return (
    <section aria-label="What was strummed">
      <div role="status">{sentenceOf(like)}</div>
      <Group mt="xs">
        {(like ?? []).flatMap(({ name }) => {
          const tuning = TUNINGS.find(({ id }) => id === name);
          return tuning
            ? modelsFor(tuning).map((model) => (
                <Button
                  key={`${model.id} ${name}`}
                  variant="default"
                  onClick={() => onTake(model, tuning)}
                >
                  {like?.length === 1 ? model.name : `${model.name}, ${tuning.name}`}
                </Button>
              ))
            : [];
        })}
      </Group>
    </section>
  );
}

function sentenceOf(like: readonly StrumLike[] | null) {
  if (like === null) return <Text size="lg">{BENCH_SAYS.strum}</Text>;
  const [first] = like;
  if (!first) return <Text size="lg">{BENCH_SAYS.noStrum}</Text>;
  const names = like.map(({ name }) => {
    const tuning = TUNINGS.find(({ id }) => id === name);
    return tuning ? `a ${tuning.kind} in ${tuning.name}` : name;
  });
  const { say, more } = strummedInWords(names, first.cents);
  return (
    <>
      <Text size="xl" fw={700}>
        {say}
      </Text>
      <Text>{more}</Text>
    </>
  );
}

/** What such a tuning is strung on. */
function modelsFor(tuning: Tuning): Model[] {
  return MODELS.filter((model) => takesTuning(model.build('', ''), tuning));
}
