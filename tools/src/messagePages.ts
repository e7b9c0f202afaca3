// One page a language with every message as it is read: with every choice, with 0, 1, 2, 5 and 1.5,
// and with its longest values, for somebody to read aloud.
import { mkdirSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { translator, USUAL_READER } from '@rosefinch/words';
import { readCatalogue } from '@rosefinch/words/english';
import { samplesOf } from '@rosefinch/words/samples';

const root = join(import.meta.dirname, '../..');
const OUT = join(root, 'test-results/messages');

function pageOf(language: string): string {
  const catalogue = readCatalogue(language);
  const words = translator(catalogue, { ...USUAL_READER, language });
  const lines = Object.entries(catalogue).flatMap(([module, texts]) => [
    `\n## ${module}\n`,
    ...Object.entries(texts).flatMap(([key, text]) => {
      const said = samplesOf(String(text)).map((args) =>
        words({ id: `${module}.${key}`, args } as never),
      );
      return [`- \`${key}\``, ...[...new Set(said)].map((one) => `  - ${one}`)];
    }),
  ]);
  return `# Every message: ${language}\n${lines.join('\n')}\n`;
}

mkdirSync(OUT, { recursive: true });
for (const entry of readdirSync(join(root, 'messages'), { withFileTypes: true }))
  if (entry.isDirectory()) {
    const file = join(OUT, `${entry.name}.md`);
    writeFileSync(file, pageOf(entry.name));
    console.log(`  ${file}`);
  }
