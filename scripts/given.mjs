// Time, zone and chance are given to the code, never taken by it: outside the one file of the
// app that provides them no source may ask for them. Takes another root for its own test.
import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';

const root = process.argv[2] ?? join(import.meta.dirname, '..');
const ROOMS = ['core/src', 'app/src', 'server/src'];
const PROVIDER = 'app/src/environment.ts';
const TAKEN = [
  /\bDate\.now\b/,
  /\bnew Date\(\s*\)/,
  /(?<![.\w])Date\(\s*\)/,
  /\bMath\.random\b/,
  /\bperformance\.(now|timeOrigin)\b/,
  /\bcrypto\.(randomUUID|getRandomValues)\b/,
  /\bresolvedOptions\(\)\.timeZone\b/,
  /\bnavigator\.languages?\b/,
  // The lint rule that keeps these in their rooms knows them by their bare names.
  /\b(?:window|globalThis|self)\.(?:\w*AudioContext|\w*Worker|indexedDB|\w+Storage|fetch|navigator)\b/,
];

const files = ROOMS.flatMap((room) =>
  readdirSync(join(root, room), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && /\.tsx?$/.test(entry.name))
    .map((entry) => relative(root, join(entry.parentPath, entry.name))),
);
const found = files
  .filter((file) => file !== PROVIDER && !/\.test\.tsx?$/.test(file))
  .flatMap((file) =>
    readFileSync(join(root, file), 'utf8')
      .split('\n')
      .flatMap((line, i) =>
        TAKEN.some((taken) => taken.test(line)) ? [`${file}:${i + 1}: ${line.trim()}`] : [],
      ),
  );
console.log(`  ${files.length} sources, ${found.length} that take time, zone or chance themselves`);
for (const line of found) console.error(`  ${line}`);
// A check that sees nothing is no check.
process.exit(found.length === 0 && files.length > 0 ? 0 : 1);
