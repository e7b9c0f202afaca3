import { ownName } from '../environment.ts';

/** True the first time that something is done in this browser; where nothing can be marked it never is, or it would be every time. */
export function isFirstTime(what: string): boolean {
  const name = ownName(`rosefinch-${what}`);
  try {
    if (localStorage.getItem(name)) return false;
    localStorage.setItem(name, 'yes');
    return true;
  } catch {
    return false;
  }
}
