import type { ReactNode } from 'react';

/** What a view is for, before there is anything in it, and one thing to start with. */
export function EmptyView({ says, offer }: { says: string; offer: ReactNode }) {
  return (
    <div className="empty">
      <p>{says}</p>
      {offer}
    </div>
  );
}
