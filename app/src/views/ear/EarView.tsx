import {
  comesToInWords,
  dayInWords,
  EAR_VIEW_SAYS,
  EXERCISE_WORDS,
  nextInWords,
} from '@rosefinch/core/words';
import './ear.css';
import { Button, Group, Stack } from '@mantine/core';
import { type EarProgress, EXERCISES, type ExerciseKind, nextPractice } from '@rosefinch/core/ear';
import { Link } from 'react-router';
import { locale, now, zone } from '../../environment.ts';
import { ViewHead } from '../../parts/frame/index.ts';
import { Learners } from './Learners.tsx';
import { ProgressWire } from './ProgressWire.tsx';
import { useProgress } from './useProgress.ts';

/** Where the ear is practised: what to do next, every exercise, and what it has come to. */
export function EarView() {
  const ear = useProgress();
  if (!ear) return <p>One moment …</p>;
  const { learnerId, progress } = ear;
  const next = progress && nextPractice(progress, now());
  const words = next && nextInWords(next);
  return (
    <Stack>
      <ViewHead title="Ear">
        <Learners learnerId={learnerId} />
      </ViewHead>
      {next && words && (
        <section className="ear-next" aria-label="What to practise next">
          <div>
            <strong>{words.say}</strong> <span className="soft">{words.more}</span>
          </div>
          <Button component={Link} to={`/ear/${next.exercise}?minute`} size="md">
            A minute of it
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
            A question to the class
          </Button>
        )}
        <Button component={Link} to="/?by=ear" variant="default">
          Hide the figures at the bench
        </Button>
        <Button component={Link} to="/ear/progress" variant="default">
          Progress on paper
        </Button>
      </Group>
      <p className="soft">{EAR_VIEW_SAYS.softly}</p>
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
  const { say, more } = EXERCISE_WORDS[exercise];
  return (
    <section className="ear-row" aria-label={say}>
      <div>
        <strong>{say}</strong>
        <br />
        <span className="soft">{more}</span>
      </div>
      <div className="ear-row-wire">{progress && <ProgressWire progress={progress} />}</div>
      <div>{progress && <Standing progress={progress} />}</div>
      <Group gap="xs" wrap="nowrap">
        {!WHOLES.has(exercise) && (
          <Button component={Link} to={`/ear/${exercise}?minute`} variant="default">
            A minute
          </Button>
        )}
        <Button component={Link} to={`/ear/${exercise}`} variant="default">
          Begin
        </Button>
      </Group>
    </section>
  );
}

function Standing({ progress }: { readonly progress: EarProgress }) {
  const { lastAt } = progress;
  if (lastAt === null) return <span className="soft">never done</span>;
  return (
    <>
      {comesToInWords(progress)}{' '}
      <span className="soft">{dayInWords(lastAt, zone(), locale())}</span>
    </>
  );
}
