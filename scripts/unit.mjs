// Runs unit tests, all of them or those whose path holds one of the given words: `npm run unit -- listen`.
// They are bundled first, as the browser’s code is: as modules, which are read three times as fast as
// what a loader makes of one file after the other.
import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync, rmSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build } from 'esbuild';

const root = join(import.meta.dirname, '..');
const OUT = 'test-results/unit';
const ROOMS = ['tools', 'core', 'words', 'app', 'server', 'bench'];
/** It makes the whole house anew, again and again: `npm run extending`. */
const APART = 'tools/src/extending.test.ts';

const words = process.argv.slice(2);
const all = ROOMS.flatMap((room) =>
  readdirSync(join(root, room, 'src'), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && entry.name.endsWith('.test.ts'))
    .map((entry) => relative(root, join(entry.parentPath, entry.name))),
).filter((file) => file !== APART);
const chosen =
  words.length === 0 ? all : all.filter((file) => words.some((word) => file.includes(word)));
if (chosen.length === 0) {
  console.error(`No test’s path holds ${words.join(' or ')}.`);
  process.exit(1);
}

/** What a bundle does not have of itself: its place, which each source had, and the browser’s things. */
const inNode = {
  name: 'in node',
  setup(bundle) {
    bundle.onResolve({ filter: /\?worker/ }, ({ path }) => ({ path, namespace: 'nothing' }));
    bundle.onLoad({ filter: /.*/, namespace: 'nothing' }, () => ({
      contents: 'export default ""',
    }));
    bundle.onLoad({ filter: /\.tsx?$/ }, ({ path }) => {
      const text = readFileSync(path, 'utf8');
      if (!text.includes('import.meta')) return undefined;
      const url = JSON.stringify(pathToFileURL(path).href);
      const here = `const hereUrl = ${url}, hereDir = ${JSON.stringify(dirname(path))}, hereGlob = () => ({});`;
      const contents = `${here} ${text}`;
      return { contents, loader: path.endsWith('x') ? 'tsx' : 'ts' };
    });
    // A package is read where it stands; the rooms of core are sources.
    bundle.onResolve({ filter: /^[^./]/ }, ({ path, kind }) =>
      kind === 'entry-point' || path.startsWith('@rosefinch/')
        ? undefined
        : { path, external: true },
    );
  },
};

rmSync(join(root, OUT), { recursive: true, force: true });
await build({
  absWorkingDir: root,
  entryPoints: chosen,
  outdir: OUT,
  outbase: '.',
  outExtension: { '.js': '.mjs' },
  bundle: true,
  splitting: true,
  format: 'esm',
  platform: 'node',
  target: 'node20',
  sourcemap: 'inline',
  jsx: 'automatic',
  loader: { '.css': 'empty' },
  define: {
    'import.meta.url': 'hereUrl',
    'import.meta.dirname': 'hereDir',
    // No file is loaded piece by piece there: tests read the whole catalogue.
    'import.meta.glob': 'hereGlob',
    'import.meta.env.PROD': 'false',
  },
  logLevel: 'warning',
  plugins: [inNode],
});
const tests = chosen.map((file) => join(OUT, file.replace(/\.ts$/, '.mjs')));
const { status } = spawnSync(
  process.execPath,
  ['--enable-source-maps', 'node_modules/mocha/bin/mocha.js', ...tests],
  { cwd: root, stdio: 'inherit' },
);
process.exit(status ?? 1);
