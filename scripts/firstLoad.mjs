// Size of what the bench loads first: the entry script and all that it imports at once.
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';

const LIMIT_KB = 250;
const dist = join(import.meta.dirname, '../app/dist');
const page = readFileSync(join(dist, 'index.html'), 'utf8');
const scripts = [...page.matchAll(/(?:src|href)="\.(\/assets\/[^"]+\.js)"/g)].map((m) => m[1]);
const workers = readdirSync(join(dist, 'assets'))
  .filter((n) => /worker|worklet/.test(n) && n.endsWith('.js'))
  .map((n) => `/assets/${n}`);
const size = (files) =>
  files.reduce((sum, f) => sum + gzipSync(readFileSync(join(dist, f))).length, 0) / 1024;
const total = size([...new Set(scripts)]);
console.log(
  `  First load: ${total.toFixed(1)} kB JavaScript gzipped (limit ${LIMIT_KB}), workers ${size(workers).toFixed(0)} kB`,
);
if (scripts.length === 0 || total > LIMIT_KB) process.exit(1);
