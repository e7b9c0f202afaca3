const USUAL = 5180;
const HIGHEST = 65_535;

/** The port that was asked for, the usual one for none; or why it is none, in words. @example portFrom('abc') // => 'PORT is “abc”: …' */
export function portFrom(text: string | undefined): number | string {
  const asked = text?.trim() ?? '';
  if (asked === '') return USUAL;
  const port = /^\d+$/.test(asked) ? Number(asked) : 0;
  if (port >= 1 && port <= HIGHEST) return port;
  return `PORT is “${asked}”: it must be a whole number from 1 to ${HIGHEST}, as in PORT=5190 npm start`;
}
