import type { ModalProps } from '@mantine/core';
import { lazy, type ReactNode, Suspense } from 'react';
import { useWords } from '../words/index.ts';

// The bench paints before its first dialog can be asked for: what a dialog needs is read after that.
const Window = lazy(() => import('./Window.tsx'));

interface Props extends Pick<ModalProps, 'size'> {
  readonly title: string;
  readonly opened: boolean;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** A question or a note before the page; its close button has a name for those who do not see it. */
export function Dialog({ size = 'md', ...rest }: Props) {
  const t = useWords();
  return (
    <Suspense>
      <Window size={size} closeButtonProps={{ 'aria-label': t('common.close') }} {...rest} />
    </Suspense>
  );
}
