import { Group, type GroupProps, Title } from '@mantine/core';
import type { ReactNode } from 'react';

interface Props extends Pick<GroupProps, 'align'> {
  readonly title: string;
  /** Choices and buttons that hold for the whole view. */
  readonly children?: ReactNode;
}

/** What is at the head of a view: its name, and what holds for all of it. */
export function ViewHead({ title, align = 'center', children }: Props) {
  return (
    <Group align={align}>
      <Title order={1} size="h2">
        {title}
      </Title>
      {children}
    </Group>
  );
}
