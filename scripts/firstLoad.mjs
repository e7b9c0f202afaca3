// Size of what the bench loads first: the entry script, all that it imports at once, and its texts.
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';

const LIMIT_KB = 243;
const dist = join(import.meta.dirname, '../app/dist');
const page = readFileSync(join(dist, 'index.html'), 'utf8');
const scripts = [...page.matchAll(/(?:src|href)="\.(\/assets\/[^"]+\.js)"/g)].map((m) => m[1]);
const workers = readdirSync(join(dist, 'assets'))
  .filter((n) => /worker|worklet/.test(n) && n.endsWith('.js'))
  .map((n) => `/assets/${n}`);
const size = (files) =>
  files.reduce((sum, f) => sum + gzipSync(readFileSync(join(dist, f))).length, 0) / 1024;
// Its texts come beside it.
const texts = readdirSync(join(dist, 'assets'))
  .filter((name) => /^texts-.*\.js$/.test(name))
  .map((name) => `/assets/${name}`);
const total = size([...new Set([...scripts, ...texts])]);
console.log(
  `  First load: ${total.toFixed(1)} kB JavaScript gzipped (limit ${LIMIT_KB}), workers ${size(workers).toFixed(0)} kB`,
);
if (scripts.length === 0 || texts.length === 0 || total > LIMIT_KB) process.exit(1);
