import type { ReactNode } from 'react';

/** Something went wrong; said at once. */
export function Problem({ children }: { readonly children: ReactNode }) {
  return (
    <div className="problem" role="alert">
      <strong>{children}</strong>
    </div>
  );
}
