import './help.css';
import { Button, Group, Stack } from '@mantine/core';
import { GUIDE, HELP_SAYS } from '@rosefinch/core/words';
import { Link, useParams } from 'react-router';
import { ViewHead } from '../../parts/frame/index.ts';
import { Drawing } from './Drawing.tsx';

/** One page of the guide: the trade in short, a drawing, and where to try it. */
export function HelpPage() {
  const { page: id } = useParams();
  const at = GUIDE.findIndex((page) => page.id === id);
  const page = GUIDE[at];
  if (!page)
    return (
      <p>
        {HELP_SAYS.noSuchPage} <Link to="/help">All pages</Link>
      </p>
    );
  const [before, after] = [GUIDE[at - 1], GUIDE[at + 1]];
  return (
    <article aria-labelledby="guide-title">
      <Stack>
        <div id="guide-title">
          <ViewHead title={page.title} />
        </div>
        <figure className="guide-figure">
          <Drawing drawing={page.drawing} />
          <figcaption className="soft">{page.shows}</figcaption>
        </figure>
        <div className="guide-lines">
          {page.lines.map((line) => (
            <p key={line}>{line}</p>
          ))}
        </div>
        <Group>
          <Button component={Link} to={page.tryAt}>
            Try it on the practice instrument
          </Button>
          <span className="soft">{page.tryIt}</span>
        </Group>
        <Group component="nav" aria-label="Pages of the guide">
          {before && <Link to={`/help/${before.id}`}>← {before.title}</Link>}
          <Link to="/help">All pages</Link>
          {after && <Link to={`/help/${after.id}`}>{after.title} →</Link>}
        </Group>
      </Stack>
    </article>
  );
}
