// Keeps the figures that `unchanged.test.ts` of a room holds the code against: `npm run approve`, or
// `npm run approve -- listen` for one room. Read the diff before you commit it.
import { readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';

const core = join(import.meta.dirname, '../core/src');
const wanted = process.argv[2];
for (const room of readdirSync(core)) {
  if (wanted !== undefined && room !== wanted) continue;
  const fixture = join(core, room, 'unchangedFixture.ts');
  const { figures } = await import(pathToFileURL(fixture)).catch((error) => {
    if (error.code === 'ERR_MODULE_NOT_FOUND') return {};
    throw error;
  });
  if (figures === undefined) continue;
  writeFileSync(join(core, room, 'unchanged.json'), `${JSON.stringify(figures(), null, 2)}\n`);
  console.log(`  kept core/src/${room}/unchanged.json`);
}
