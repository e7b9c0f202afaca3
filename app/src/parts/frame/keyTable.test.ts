import { expect } from 'chai';
import { KEY_TABLE, type KeyedView, keyLines, keysOf } from './keyTable.ts';

/**
 * How signs are typed on keyboards other than the American one, as far as keys here use or tempt
 * to use them; from memory. Letters stand on a cap of their own on all three, and digits are known by their cap.
 */
const LAYOUTS: Readonly<Record<string, Readonly<Record<string, 'plain' | 'Shift' | 'AltGr'>>>> = {
  German: { '?': 'Shift', '/': 'Shift', '[': 'AltGr', ']': 'AltGr', '+': 'plain', '-': 'plain' },
  French: { '?': 'Shift', '/': 'Shift', '[': 'AltGr', ']': 'AltGr', '+': 'Shift', '-': 'plain' },
  Spanish: { '?': 'Shift', '/': 'Shift', '[': 'AltGr', ']': 'AltGr', '+': 'plain', '-': 'plain' },
};
const ARROWS = ['ArrowUp', 'ArrowDown', 'Shift+ArrowUp', 'Shift+ArrowDown'];
const NAMED = new Set([' ', 'Enter', 'Escape', 'PageUp', 'PageDown', ...ARROWS]);
const VIEWS = Object.keys(KEY_TABLE) as KeyedView[];

/** Why a key cannot be pressed on a layout; null where it can. */
function trouble(key: string, layout: string): string | null {
  if (NAMED.has(key) || /^[a-z0-9]$/.test(key)) return null;
  const how = LAYOUTS[layout]?.[key];
  if (how === undefined) return 'not known how it is typed';
  return how === 'AltGr' ? 'it needs AltGr, which keys here leave to the system' : null;
}

describe('the table of keys', () => {
  for (const view of VIEWS) {
    const lines = Object.values(KEY_TABLE[view]);

    it(`${view}: no key does two things`, () => {
      const keys = lines.flatMap((line) => line.keys);
      expect(new Set(keys).size).to.equal(keys.length);
    });

    it(`${view}: every line says what it does, and no two the same`, () => {
      const lines = keyLines(view).map(([, line]) => line);
      expect(lines.every(({ shown }) => shown !== '')).to.equal(true);
      expect(new Set(lines.map(({ does }) => does)).size).to.equal(lines.length);
    });

    for (const layout of Object.keys(LAYOUTS))
      it(`${view}: every key can be pressed on a ${layout} keyboard`, () => {
        for (const { keys } of lines)
          for (const key of keys) expect(trouble(key, layout), key).to.equal(null);
      });
  }

  it('no view takes a key that is everybody’s', () => {
    const everywhere = keyLines('everywhere').flatMap(([, { keys }]) => keys);
    for (const view of VIEWS.filter((name) => name !== 'everywhere'))
      expect(keyLines(view).flatMap(([, { keys }]) => keys)).to.not.include.members(everywhere);
  });

  it('a key that needs AltGr would be refused', () => {
    expect(trouble('[', 'German')).to.match(/AltGr/);
    expect(trouble('§', 'French')).to.match(/not known/);
  });

  it('tells an act which of its keys it was, and has none for what cannot be done', () => {
    const pressed: string[] = [];
    const acts = Object.fromEntries(
      Object.keys(KEY_TABLE.bench).map((name) => [
        name,
        (key: string) => pressed.push(`${name} ${key}`),
      ]),
    ) as never;
    const keys = keysOf('bench', acts);
    keys['4']?.();
    keys.Escape?.();
    keys['Shift+ArrowUp']?.();
    expect(pressed).to.deep.equal(['string 4', 'automatic Escape', 'upMore Shift+ArrowUp']);
    const none = Object.fromEntries(Object.keys(KEY_TABLE.frets).map((name) => [name, null]));
    expect(keysOf('frets', none as never)).to.deep.equal({});
  });
});
