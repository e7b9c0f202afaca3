import { useWords } from '../words/index.ts';
import '@mantine/spotlight/styles.css';
import './finder.css';
import { createSpotlight, Spotlight } from '@mantine/spotlight';
import { type ReactNode, useEffect, useState } from 'react';
import { type FoundGroup, findIn } from './found.ts';

interface Props {
  readonly label: string;
  readonly groups: readonly FoundGroup[];
  readonly onClose: () => void;
  /** What is below the list. */
  readonly children?: ReactNode;
}

/** What scrolls is reached by the keyboard too. */
const SCROLLED = { viewportProps: { tabIndex: 0 } };

/** A searched list in groups. It opens with its first drawing. */
export default function List({ label, groups, onClose, children }: Props) {
  const t = useWords();
  const [[store, list]] = useState(createSpotlight);
  const [query, setQuery] = useState('');
  useEffect(() => list.open(), [list]);
  const found = findIn(groups, query);
  return (
    <Spotlight.Root
      store={store}
      shortcut={null}
      query={query}
      onQueryChange={setQuery}
      size="lg"
      title={label}
      scrollable
      maxHeight="min(56vh, 520px)"
      onSpotlightClose={onClose}
      transitionProps={{ duration: 0 }}
      overlayProps={{ blur: 0, backgroundOpacity: 0.35 }}
    >
      <Spotlight.Search aria-label={label} placeholder={label} />
      <Spotlight.ActionsList {...SCROLLED}>
        {found.map(({ group, entries }) => (
          <Spotlight.ActionsGroup key={group} label={group}>
            {entries.map(({ id, label: says, more, hotkey, act }) => (
              <Spotlight.Action
                key={id}
                label={says}
                {...(more !== undefined && { description: more })}
                rightSection={hotkey && <kbd>{hotkey}</kbd>}
                onClick={act}
              />
            ))}
          </Spotlight.ActionsGroup>
        ))}
        {found.length === 0 && <Spotlight.Empty>{t('parts.noSuchName')}</Spotlight.Empty>}
      </Spotlight.ActionsList>
      {children && <Spotlight.Footer>{children}</Spotlight.Footer>}
    </Spotlight.Root>
  );
}
