import '@mantine/spotlight/styles.css';
import './finder.css';
import { createSpotlight, Spotlight } from '@mantine/spotlight';
import { type ReactNode, useEffect, useState } from 'react';
import type { FoundGroup } from './found.ts';

interface Props {
  readonly label: string;
  readonly groups: readonly FoundGroup[];
  readonly onClose: () => void;
  /** What stands below the list. */
  readonly children?: ReactNode;
}

/** A searched list in groups. It opens with its first drawing. */
export default function List({ label, groups, onClose, children }: Props) {
  const [[store, list]] = useState(createSpotlight);
  useEffect(() => list.open(), [list]);
  return (
    <Spotlight
      store={store}
      shortcut={null}
      scrollable
      maxHeight="min(60vh, 520px)"
      size="lg"
      highlightQuery
      onSpotlightClose={onClose}
      nothingFound="Nothing of that name."
      searchProps={{ 'aria-label': label, placeholder: label }}
      transitionProps={{ duration: 0 }}
      overlayProps={{ blur: 0, backgroundOpacity: 0.35 }}
      actions={groups.map(({ group, entries }) => ({
        group,
        actions: entries.map(({ id, label: says, more, hotkey, act }) => ({
          id,
          label: says,
          ...(more !== undefined && { description: more }),
          ...(hotkey !== undefined && { rightSection: <kbd>{hotkey}</kbd> }),
          onClick: act,
        })),
      }))}
    >
      {children && <Spotlight.Footer>{children}</Spotlight.Footer>}
    </Spotlight>
  );
}
