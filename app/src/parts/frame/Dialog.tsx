import { Modal, type ModalProps } from '@mantine/core';
import type { ReactNode } from 'react';

interface Props extends Pick<ModalProps, 'size'> {
  readonly title: string;
  readonly opened: boolean;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** A question or a note before the page; its close button has a name for those who do not see it. */
export function Dialog({ title, size = 'md', opened, onClose, children }: Props) {
  return (
    <Modal
      opened={opened}
      onClose={onClose}
      title={title}
      size={size}
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      {children}
    </Modal>
  );
}
