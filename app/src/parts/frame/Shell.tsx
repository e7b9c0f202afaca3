import type { LabelId } from '@rosefinch/core/message';
import { useWords } from '../words/index.ts';
import './styles.ts';
import type { ReactNode } from 'react';
import { Link, NavLink, useLocation } from 'react-router';

interface ViewLink {
  readonly path: string;
  readonly title: LabelId;
}

interface Props {
  readonly children: ReactNode;
  /** The instrument in hand, and the way to another one. */
  readonly inHand: ReactNode;
  /** The way to the page of the instrument in hand. */
  readonly about: ReactNode;
  /** What is done with the instrument in hand, in order. */
  readonly jobs: readonly ViewLink[];
  /** What belongs to no instrument. */
  readonly others: readonly ViewLink[];
}

/** The frame around every view: one line at the head; on a phone the jobs are a bar at the bottom. */
export function Shell({ children, inHand, about, jobs, others }: Props) {
  const t = useWords();
  return (
    <>
      <a href="#view" className="skip">
        {t('common.skipToTheView')}
      </a>
      <header className="shell-head">
        <Link to="/" className="brand">
          {t('common.rosefinch')}
        </Link>
        {inHand}
        <nav className="shell-jobs" aria-label={t('common.jobs')}>
          <Links views={jobs} />
          {about}
        </nav>
        <nav className="shell-others" aria-label={t('common.otherViews')}>
          <Links views={others} />
          <HelpLink />
        </nav>
      </header>
      <main id="view" tabIndex={-1}>
        {children}
      </main>
    </>
  );
}

/** To the page of the guide that says most about this view. */
function HelpLink() {
  const t = useWords();
  const { pathname } = useLocation();
  return (
    <NavLink
      to={pathname.startsWith('/help') ? '/help' : `/help/for${pathname}`}
      aria-label={t('common.guide')}
    >
      ?
    </NavLink>
  );
}

function Links({ views }: { readonly views: readonly ViewLink[] }) {
  const t = useWords();
  return views.map(({ path, title }) => (
    <NavLink key={path} to={path} end={path === '/' || path === '/shelf'}>
      {t(title)}
    </NavLink>
  ));
}
