import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { expect } from 'chai';

const root = join(import.meta.dirname, '../..');

/** Runs a check on a house that has only these files. */
function check(script: string, files: Readonly<Record<string, string>>) {
  const house = mkdtempSync(join(tmpdir(), 'rosefinch-texts-'));
  for (const [at, text] of Object.entries(files)) {
    mkdirSync(dirname(join(house, at)), { recursive: true });
    writeFileSync(join(house, at), text);
  }
  const done = spawnSync(process.execPath, [join(root, 'scripts', script), house], {
    encoding: 'utf8',
    cwd: root,
  });
  return { status: done.status, output: done.stdout + done.stderr };
}

describe('texts outside of the catalogue', () => {
  const VIEW = 'app/src/views/bench/New.tsx';
  const with_ = (code: string) => check('texts.mjs', { 'core/src/x.ts': '', [VIEW]: code });

  const REFUSED: readonly (readonly [what: string, code: string, says: string])[] = [
    ['text', 'export const New = () => <p>OK</p>;\n', 'a text outside'],
    [
      'a label',
      'export const New = () => <a aria-label="Open" href="#">→</a>;\n',
      'a text outside',
    ],
    [
      'a choice',
      'export const New = (p) => <p>{p.on ? "on" : "off"}</p>;\n'.replace(
        '{p.on ? "on" : "off"}',
        '{"on"}',
      ),
      'a text outside',
    ],
    ['a sentence', "export const say = 'Pluck it once more.';\n", 'a text outside'],
    ['a name', "export const name = 'Half a step down';\n", 'a text outside'],
    [
      'glue in a template',
      `export const say = (t) => \`$\{t("a.b")} and more\`;\n`,
      'glued to words',
    ],
    ['glue by a plus', 'export const say = (t) => t("a.b") + t("a.c");\n', 'glued with +'],
    [
      'a cut',
      'export const say = (t) => t("a.b").replace(".", "");\n',
      'cut or changed by replace',
    ],
  ];
  for (const [what, code, says] of REFUSED)
    it(`refuses ${what}`, () => {
      const { status, output } = with_(code);
      expect(status, output).to.equal(1);
      expect(output).to.contain(`${VIEW}:1: `).and.to.contain(says);
    });

  it('lets codes, keys, figures and what developers read be', () => {
    const code =
      "export const kind = 'pluck any';\nexport const id = 'bench.pluckAny';\n" +
      "export const bad = () => { throw new Error('Nobody gave any words.'); };\n" +
      'export const New = ({ t, n }) => <p className="soft">{t("a.b")} {n}</p>;\n';
    const { status, output } = with_(code);
    expect(status, output).to.equal(0);
  });
});

describe('the catalogue', () => {
  const EN = {
    'messages/en/bench.json': JSON.stringify({
      pluck: 'Pluck {string}.',
      left: '{count, plural, one {# string} other {# strings}}',
    }),
    'core/src/x.ts': "export const ids = ['bench.pluck', 'bench.left'];\n",
  };
  const catalogue = (files: Readonly<Record<string, string>>) =>
    check('messages.mjs', { 'core/src/catalogue.ts': '', ...EN, ...files });
  const polish = (left: string, pluck = 'Szarpnij {string}.') => ({
    'messages/pl/bench.json': JSON.stringify({ pluck, left }),
  });
  /** The first language with another wording of its message. */
  const english = (pluck: string, more: Readonly<Record<string, string>> = {}) => ({
    'messages/en/bench.json': JSON.stringify({ pluck, left: 'x', ...more }),
    'core/src/x.ts': "export const ids = ['bench.pluck', 'bench.left', 'bench.pluck.more'];\n",
  });
  const FORMS = '{count, plural, one {# struna} few {# struny} many {# strun} other {# struny}}';

  it('takes a language that has everything', () => {
    const { status, output } = catalogue(polish(FORMS));
    expect(status, output).to.equal(0);
    expect(output).to.contain('2 messages, 2 languages');
  });

  const REFUSED: readonly (readonly [string, Readonly<Record<string, string>>, string])[] = [
    ['a missing key', { 'messages/pl/bench.json': '{}' }, 'pl: bench.pluck is missing'],
    [
      'a key that the first language does not have',
      { 'messages/pl/other.json': '{"x":"y"}', ...polish(FORMS) },
      'pl: other.x is not in en',
    ],
    ['a wrong argument', polish(FORMS, 'Szarpnij {strings}.'), '{strings} that nobody gives'],
    ['an argument that is not used', polish(FORMS, 'Szarpnij.'), 'does not use {string}'],
    [
      'a missing plural form',
      polish('{count, plural, one {# struna} other {# struny}}'),
      '{count} has no form “few”',
    ],
    ['a text that cannot be read', polish('{count, plural,'), 'cannot be read'],
    [
      'a term that the list replaces',
      {
        'messages/terms.json': '{"\\\\bat rest\\\\b":"in tune"}',
        ...english('It is at rest: {string}.'),
      },
      '“at rest” → in tune',
    ],
    [
      'a headline of more than nine words',
      english('Pluck {string} now and then let it ring on for long.', { 'pluck.more': 'So.' }),
      '11 words in a headline',
    ],
    [
      'a sentence of more than twenty words',
      english(`Pluck {string} ${'again and '.repeat(10)}again.`),
      '23 words in a sentence',
    ],
    ['a message that nobody says', { 'core/src/x.ts': '' }, 'en: bench.pluck is said nowhere'],
  ];
  for (const [what, files, says] of REFUSED)
    it(`refuses ${what}`, () => {
      const { status, output } = catalogue(files);
      expect(status, output).to.equal(1);
      expect(output).to.contain(says);
    });
});
