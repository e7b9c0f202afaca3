import { problemOf } from '@rosefinch/core/errors';
import { Component, type ReactNode } from 'react';
import { useLocation } from 'react-router';
import { useWords } from '../words/index.ts';

interface Props {
  readonly title: string;
  /** What can be done where the view has failed: a backup, first of all. */
  readonly rescue: ReactNode;
  readonly children: ReactNode;
}

/** One view: its title for tabs and readers, and what is shown in its place should it fail. */
export function View({ title, rescue, children }: Props) {
  const t = useWords();
  const { pathname } = useLocation();
  return (
    <>
      <title>{t('common.titleRosefinch', { title })}</title>
      <Boundary key={pathname} rescue={rescue}>
        {children}
      </Boundary>
    </>
  );
}

interface BoundaryProps {
  readonly rescue: ReactNode;
  readonly children: ReactNode;
}

/** A view that fails leaves the others, and all that is stored, as they are. */
class Boundary extends Component<BoundaryProps, { failed: Error | null }> {
  override state = { failed: null as Error | null };

  static getDerivedStateFromError(failed: Error) {
    return { failed };
  }

  override render() {
    const { failed } = this.state;
    if (!failed) return this.props.children;
    return <Failed error={failed} rescue={this.props.rescue} />;
  }
}

function Failed({ error, rescue }: { readonly error: Error; readonly rescue: ReactNode }) {
  const t = useWords();
  return (
    <div className="problem" role="alert">
      <strong>{t('common.stopped')}</strong>
      <p>{t('common.restKept', { reason: problemOf(error) })}</p>
      {rescue}
    </div>
  );
}
