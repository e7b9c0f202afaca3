import { comesToInWords, exerciseName, exerciseTask, nextInWords } from '@rosefinch/core/sentences';
import { useWords } from '../../parts/words/index.ts';
import './ear.css';
import { Button, Group, Stack } from '@mantine/core';
import { type EarProgress, EXERCISES, type ExerciseKind, nextPractice } from '@rosefinch/core/ear';
import { Link } from 'react-router';
import { now, zone } from '../../environment.ts';
import { ViewHead } from '../../parts/frame/index.ts';
import { Learners } from './Learners.tsx';
import { ProgressWire } from './ProgressWire.tsx';
import { useProgress } from './useProgress.ts';

/** Where the ear is practised: what to do next, every exercise, and what it has come to. */
export function EarView() {
  const t = useWords();
  const ear = useProgress();
  if (!ear) return <p>{t('common.moment')}</p>;
  const { learnerId, progress } = ear;
  const next = progress && nextPractice(progress, now());
  const words = next && nextInWords(next);
  return (
    <Stack>
      <ViewHead title={t('ear.ear')}>
        <Learners learnerId={learnerId} />
      </ViewHead>
      {next && words && (
        <section className="ear-next" aria-label={t('ear.whatToPractiseNext')}>
          <div>
            <strong>{t(words.say)}</strong> <span className="soft">{t(words.more)}</span>
          </div>
          <Button component={Link} to={`/ear/${next.exercise}?minute`} size="md">
            {t('ear.aMinuteOfIt')}
          </Button>
        </section>
      )}
      <div className="ear-rows">
        {EXERCISES.filter((exercise) => exercise !== 'class' || learnerId === null).map(
          (exercise) => (
            <Row
              key={exercise}
              progress={progress?.find((one) => one.exercise === exercise)}
              exercise={exercise}
            />
          ),
        )}
      </div>
      <Group>
        {learnerId !== null && (
          <Button component={Link} to="/ear/class" variant="default">
            {t('ear.aQuestionToTheClass')}
          </Button>
        )}
        <Button component={Link} to="/?by=ear" variant="default">
          {t('ear.hideTheFiguresAtThe')}
        </Button>
        <Button component={Link} to="/ear/progress" variant="default">
          {t('ear.progressOnPaper')}
        </Button>
      </Group>
      <p className="soft">{t('ear.softly')}</p>
    </Stack>
  );
}

/** What has no questions to stop after: it takes as long as it takes. */
const WHOLES: ReadonlySet<ExerciseKind> = new Set(['whole', 'touch']);

interface RowProps {
  readonly exercise: ExerciseKind;
  readonly progress: EarProgress | undefined;
}

/** One exercise: what it is, what it has come to, and the ways to begin. */
function Row({ exercise, progress }: RowProps) {
  const t = useWords();
  const say = t(exerciseName(exercise));
  return (
    <section className="ear-row" aria-label={say}>
      <div>
        <strong>{say}</strong>
        <br />
        <span className="soft">{t(exerciseTask(exercise))}</span>
      </div>
      <div className="ear-row-wire">{progress && <ProgressWire progress={progress} />}</div>
      <div>{progress && <Standing progress={progress} />}</div>
      <Group gap="xs" wrap="nowrap">
        {!WHOLES.has(exercise) && (
          <Button component={Link} to={`/ear/${exercise}?minute`} variant="default">
            {t('ear.aMinute')}
          </Button>
        )}
        <Button component={Link} to={`/ear/${exercise}`} variant="default">
          {t('ear.begin')}
        </Button>
      </Group>
    </section>
  );
}

function Standing({ progress }: { readonly progress: EarProgress }) {
  const t = useWords();
  const { lastAt } = progress;
  if (lastAt === null) return <span className="soft">{t('ear.neverDone2')}</span>;
  return (
    <>
      {t(comesToInWords(progress))}{' '}
      <span className="soft">{t.moment(lastAt, { now: lastAt, zone: zone() }, 'day')}</span>
    </>
  );
}
