import { type ComponentProps, lazy, Suspense } from 'react';

const List = lazy(() => import('./List.tsx'));

/** A searched list, loaded when it is first wanted. */
export function Finder({
  opened,
  ...list
}: ComponentProps<typeof List> & { readonly opened: boolean }) {
  return <Suspense>{opened && <List {...list} />}</Suspense>;
}
