import { ActionIcon, useComputedColorScheme, useMantineColorScheme } from '@mantine/core';
import { IconMoon, IconSun } from '@tabler/icons-react';
import type { ReactNode } from 'react';
import { Link, NavLink } from 'react-router';

const VIEWS = [
  { to: '/', label: 'Bench' },
  { to: '/retune', label: 'Retune' },
  { to: '/settle', label: 'Settle' },
  { to: '/frets', label: 'Frets' },
  { to: '/shelf', label: 'Shelf' },
  { to: '/tunings', label: 'Tunings' },
  { to: '/history', label: 'History' },
  { to: '/data', label: 'Data' },
] as const;

/** The frame around every view. */
export function Shell({ children }: { children: ReactNode }) {
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
          {VIEWS.map(({ to, label }) => (
            <NavLink key={to} to={to} end={to === '/'}>
              {label}
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
