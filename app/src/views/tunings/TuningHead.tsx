import { Button } from '@mantine/core';
import { findTuning, singleTuningId, TUNINGS, type Tuning } from '@rosefinch/core/music';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { useData } from '../../data/index.ts';
import type { Card } from '../../parts/cards/index.ts';
import { download, ViewHead } from '../../parts/frame/index.ts';
import { asLinked, ShareLink } from '../../parts/share/index.ts';
import { scaleText } from './draft.ts';

interface HeadProps {
  readonly tuning: Tuning;
  readonly card: Card;
  readonly canPlan: boolean;
}

/** Title of a tuning, and all that can be done with it. */
export function TuningHead({ tuning, card, canPlan }: HeadProps) {
  // One in pairs is made from that of single strings, and changes with it.
  const own = !findTuning(tuning.id, TUNINGS) && singleTuningId(tuning.id) === tuning.id;
  const saveSvg = async () => {
    // Only whoever wants the file loads what writes it.
    const [{ renderToStaticMarkup }, { CardSvg }] = await Promise.all([
      import('react-dom/server'),
      import('./CardSvg.tsx'),
    ]);
    download(`${tuning.name}.svg`, renderToStaticMarkup(<CardSvg card={card} />), 'image/svg+xml');
  };
  return (
    <ViewHead title={card.title} align="baseline">
      <span className="soft">{card.about}</span>
      {canPlan && (
        <Button component={Link} to={`/retune?to=${tuning.id}`}>
          Plan the way there
        </Button>
      )}
      <Button variant="default" onClick={() => window.print()}>
        Print this page
      </Button>
      <Button variant="default" component={Link} to={`/paper?tuning=${tuning.id}`}>
        Cards to print
      </Button>
      <Button variant="default" onClick={() => void saveSvg()}>
        Card as SVG
      </Button>
      <Button variant="default" onClick={() => download(`${tuning.name}.scl`, scaleText(tuning))}>
        Scale file (.scl)
      </Button>
      <HandOn tuning={tuning} />
      <Button variant="default" component={Link} to={`/tunings/new?from=${tuning.id}`}>
        New one from this
      </Button>
      {own && <OwnButtons tuning={tuning} />}
    </ViewHead>
  );
}

/** The tuning as a link, or as a code for a camera. */
function HandOn({ tuning }: { readonly tuning: Tuning }) {
  const [opened, setOpened] = useState(false);
  return (
    <>
      <Button variant="default" onClick={() => setOpened(true)}>
        Hand it on
      </Button>
      <ShareLink
        what={{ kind: 'tuning', tuning: asLinked(tuning) }}
        title={tuning.name}
        opened={opened}
        onClose={() => setOpened(false)}
      />
    </>
  );
}

/** A tuning of the teacher's own can be changed, or thrown away. */
function OwnButtons({ tuning }: { tuning: Tuning }) {
  const { repository } = useData();
  const navigate = useNavigate();
  const [problem, setProblem] = useState<string | null>(null);
  const remove = async () => {
    try {
      await repository.deleteTuning(tuning.id);
      await navigate('/tunings', { state: { deleted: tuning } });
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <>
      <Button variant="default" component={Link} to={`/tunings/${tuning.id}/edit`}>
        Change
      </Button>
      <Button variant="default" onClick={() => void remove()}>
        Delete
      </Button>
      {problem && (
        <div className="problem" role="alert">
          {problem}
        </div>
      )}
    </>
  );
}
