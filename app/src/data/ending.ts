import { ownName } from '../environment.ts';

/** Set while a page is open; still there at the next opening, if it did not close in order. */
const OPEN = ownName('rosefinch-open');
/** Held by every page for as long as it is there. */
const PAGE = ownName('rosefinch-page');

/**
 * Marks the page as open until it closes in order. `badly` resolves to whether the page before did
 * not; `undo` takes the listener away.
 */
export function markOpen(): { readonly badly: Promise<boolean>; readonly undo: () => void } {
  const close = () => mark(false);
  window.addEventListener('pagehide', close);
  const wasOpen = marked();
  mark(true);
  const look = async () => {
    const others = await isOpenElsewhere();
    void navigator.locks?.request(PAGE, { mode: 'shared' }, () => new Promise(() => {}));
    // Otherwise another page has set the mark, and is still there.
    return wasOpen && !others;
  };
  return { badly: look(), undo: () => window.removeEventListener('pagehide', close) };
}

async function isOpenElsewhere(): Promise<boolean> {
  const { held = [] } = (await navigator.locks?.query()) ?? {};
  return held.some(({ name }) => name === PAGE);
}

function marked(): boolean {
  try {
    return localStorage.getItem(OPEN) !== null;
  } catch {
    return false;
  }
}

function mark(open: boolean): void {
  try {
    if (open) localStorage.setItem(OPEN, 'yes');
    else localStorage.removeItem(OPEN);
  } catch {
    // A browser that forbids even this is only never taken for one that ended badly.
  }
}
