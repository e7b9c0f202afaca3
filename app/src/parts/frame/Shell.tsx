import './styles.ts';
import { ActionIcon, useComputedColorScheme, useMantineColorScheme } from '@mantine/core';
import { IconMoon, IconSun } from '@tabler/icons-react';
import type { ReactNode } from 'react';
import { Link, NavLink } from 'react-router';

interface Props {
  readonly children: ReactNode;
  /** The views that stand in the head, in order. */
  readonly links: readonly { readonly path: string; readonly title: string }[];
}

/** The frame around every view. */
export function Shell({ children, links }: Props) {
  const { setColorScheme } = useMantineColorScheme();
  const dark = useComputedColorScheme() === 'dark';
  return (
    <>
      <a href="#view" className="skip">
        Skip to the view
      </a>
      <header className="shell-head">
        <Link to="/" className="brand">
          Rosefinch
        </Link>
        <nav className="shell-nav" aria-label="Views">
          {links.map(({ path, title }) => (
            <NavLink key={path} to={path} end={path === '/'}>
              {title}
            </NavLink>
          ))}
        </nav>
        <div className="shell-tools">
          <ActionIcon
            variant="subtle"
            color="gray"
            size={44}
            aria-label={dark ? 'Light theme' : 'Dark theme'}
            onClick={() => setColorScheme(dark ? 'light' : 'dark')}
          >
            {dark ? <IconSun size={20} /> : <IconMoon size={20} />}
          </ActionIcon>
        </div>
      </header>
      <main id="view" tabIndex={-1}>
        {children}
      </main>
    </>
  );
}
