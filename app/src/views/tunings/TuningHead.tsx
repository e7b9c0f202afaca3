import { Button } from '@mantine/core';
import { problemOf } from '@rosefinch/core/errors';
import type { Value } from '@rosefinch/core/message';
import { findTuning, singleTuningId, TUNINGS, type Tuning } from '@rosefinch/core/music';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { useData } from '../../data/index.ts';
import type { Card } from '../../parts/cards/index.ts';
import { download, ViewHead } from '../../parts/frame/index.ts';
import { asLinked, ShareLink } from '../../parts/share/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { scaleText } from './draft.ts';

interface HeadProps {
  readonly tuning: Tuning;
  readonly card: Card;
  readonly canPlan: boolean;
}

/** Title of a tuning, and all that can be done with it. */
export function TuningHead({ tuning, card, canPlan }: HeadProps) {
  const t = useWords();
  // One in pairs is made from that of single strings, and changes with it.
  const own = !findTuning(tuning.id, TUNINGS) && singleTuningId(tuning.id) === tuning.id;
  const saveSvg = async () => {
    // Only anyone who wants the file loads what writes it.
    const [{ renderToStaticMarkup }, { CardSvg }] = await Promise.all([
      import('react-dom/server'),
      import('./CardSvg.tsx'),
    ]);
    download(
      `${card.title}.svg`,
      renderToStaticMarkup(<CardSvg card={card} t={t} />),
      'image/svg+xml',
    );
  };
  return (
    <ViewHead title={card.title} align="baseline">
      <span className="soft">{card.about}</span>
      {canPlan && (
        <Button component={Link} to={`/retune?to=${tuning.id}`}>
          {t('tunings.planTheWayThere')}
        </Button>
      )}
      <Button variant="default" onClick={() => window.print()}>
        {t('tunings.printThisPage')}
      </Button>
      <Button variant="default" component={Link} to={`/paper?tuning=${tuning.id}`}>
        {t('tunings.cardsToPrint')}
      </Button>
      <Button variant="default" onClick={() => void saveSvg()}>
        {t('tunings.cardAsSVG')}
      </Button>
      <Button
        variant="default"
        onClick={() => download(`${card.title}.scl`, scaleText(tuning, card.title))}
      >
        {t('tunings.scaleFileScl')}
      </Button>
      <HandOn tuning={tuning} />
      <Button variant="default" component={Link} to={`/tunings/new?from=${tuning.id}`}>
        {t('tunings.newOneFromThis')}
      </Button>
      {own && <OwnButtons tuning={tuning} />}
    </ViewHead>
  );
}

/** The tuning as a link, or as a code for a camera. */
function HandOn({ tuning }: { readonly tuning: Tuning }) {
  const t = useWords();
  const [opened, setOpened] = useState(false);
  return (
    <>
      <Button variant="default" onClick={() => setOpened(true)}>
        {t('tunings.handItOn')}
      </Button>
      <ShareLink
        what={{ kind: 'tuning', tuning: asLinked(tuning, t) }}
        title={t.value(tuning.name)}
        opened={opened}
        onClose={() => setOpened(false)}
      />
    </>
  );
}

/** A tuning of the teacher's own can be changed, or thrown away. */
function OwnButtons({ tuning }: { tuning: Tuning }) {
  const t = useWords();
  const { repository } = useData();
  const navigate = useNavigate();
  const [problem, setProblem] = useState<Value | null>(null);
  const remove = async () => {
    try {
      await repository.deleteTuning(tuning.id);
      await navigate('/tunings', { state: { deleted: tuning } });
    } catch (error) {
      setProblem(problemOf(error));
    }
  };
  return (
    <>
      <Button variant="default" component={Link} to={`/tunings/${tuning.id}/edit`}>
        {t('tunings.change')}
      </Button>
      <Button variant="default" onClick={() => void remove()}>
        {t('tunings.delete')}
      </Button>
      {problem && (
        <div className="problem" role="alert">
          {t.value(problem)}
        </div>
      )}
    </>
  );
}
