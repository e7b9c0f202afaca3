import { useWords } from '../../parts/words/index.ts';
import './help.css';
import { Button, Group, Stack } from '@mantine/core';
import { GUIDE } from '@rosefinch/core/sentences';
import { Link, useParams } from 'react-router';
import { ViewHead } from '../../parts/frame/index.ts';
import { Drawing } from './Drawing.tsx';

/** One page of the guide: the trade in short, a drawing, and where to try it. */
export function HelpPage() {
  const t = useWords();
  const { page: id } = useParams();
  const at = GUIDE.findIndex((page) => page.id === id);
  const page = GUIDE[at];
  if (!page)
    return (
      <p>
        {t('help.noSuchPage')} <Link to="/help">{t('help.allPages')}</Link>
      </p>
    );
  const [before, after] = [GUIDE[at - 1], GUIDE[at + 1]];
  return (
    <article aria-labelledby="guide-title">
      <Stack>
        <div id="guide-title">
          <ViewHead title={t(page.title)} />
        </div>
        <figure className="guide-figure">
          <Drawing drawing={page.drawing} />
          <figcaption className="soft">{t(page.shows)}</figcaption>
        </figure>
        <div className="guide-lines">
          {page.lines.map((line) => (
            <p key={line.id}>{t(line)}</p>
          ))}
        </div>
        <Group>
          <Button component={Link} to={page.tryAt}>
            {t('help.tryItOnThePractice')}
          </Button>
          <span className="soft">{t(page.tryIt)}</span>
        </Group>
        <Group component="nav" aria-label={t('help.pagesOfTheGuide')}>
          {before && <Link to={`/help/${before.id}`}>← {t(before.title)}</Link>}
          <Link to="/help">{t('help.allPages')}</Link>
          {after && <Link to={`/help/${after.id}`}>{t(after.title)} →</Link>}
        </Group>
      </Stack>
    </article>
  );
}
