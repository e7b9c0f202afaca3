// docs/keys.md from the table of keys in the code; with --check it only says whether it is as it must be.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { KEY_TABLE, keyName } from '../app/src/parts/frame/keyTable.ts';
import { inEnglish } from '../words/src/english.ts';

const file = join(import.meta.dirname, '../docs/keys.md');
const TITLES = {
  bench: 'Bench',
  settle: 'Settle',
  frets: 'Frets',
  playing: 'A tuning by playing',
  shelf: 'Shelf',
  retune: 'Retune',
  ear: 'Ear exercises',
  everywhere: 'Everywhere',
};
const rows = (lines) =>
  Object.values(lines).map(
    ({ shown, does }) => `- **${inEnglish.value(keyName(shown))}**: ${inEnglish(does)}`,
  );
const text = `# Keys

Made from \`app/src/parts/frame/keyTable.ts\` by \`npm run keys\`. Keys do nothing while something is typed, and can be switched off.
Digits are the keys of the upper row or the number block, also where a layout gives them with Shift alone.
${Object.entries(KEY_TABLE)
  .map(([view, lines]) => `\n## ${TITLES[view]}\n\n${rows(lines).join('\n')}\n`)
  .join('')}`;

if (!process.argv.includes('--check')) writeFileSync(file, text);
else if (readFileSync(file, 'utf8') !== text) {
  console.error('docs/keys.md is not as the code has it: npm run keys');
  process.exit(1);
}
