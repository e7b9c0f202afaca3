import { Modal } from '@mantine/core';
import type { ReactNode } from 'react';

interface Props {
  readonly title: string;
  readonly opened: boolean;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** A question or a note before the page; its close button has a name for those who do not see it. */
export function Dialog({ title, opened, onClose, children }: Props) {
  return (
    <Modal
      opened={opened}
      onClose={onClose}
      title={title}
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      {children}
    </Modal>
  );
}
