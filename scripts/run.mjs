// One door for the daily commands. Needs Node alone: it installs what is missing
// and says what it is doing.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const [command, ...rest] = process.argv.slice(2);
const quiet = command === 'measure';
const say = (text) => quiet || console.log(`» ${text}`);

function fail(text) {
  console.error(text);
  process.exit(1);
}

/** Runs a program in the project's root; stops everything if it fails. */
function run(program, args, options = {}) {
  const done = spawnSync(program, args, { cwd: root, stdio: 'inherit', ...options });
  if (done.error) fail(`${program} could not be started: ${done.error.message}`);
  if (done.status !== 0 && !options.mayFail) process.exit(done.status ?? 1);
  return done;
}

const node = (args, options) => run(process.execPath, args, options);
const bin = (name, args, options) => run(join(root, 'node_modules/.bin', name), args, options);

function install() {
  const [major] = process.versions.node.split('.').map(Number);
  if (major < 20) fail(`Node 20 or newer is needed; this is ${process.version}.`);
  const wanted = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  const stamp = join(root, 'node_modules/.rosefinch-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  say('Installing the packages named in package-lock.json (once, a minute or two) …');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    stdio: quiet ? 'ignore' : 'inherit',
  });
  writeFileSync(stamp, wanted);
}

/** Newest change below the folders that a build depends on. */
function newest(path) {
  const info = statSync(path);
  if (!info.isDirectory()) return info.mtimeMs;
  return Math.max(
    0,
    ...readdirSync(path)
      .filter((n) => n !== 'dist' && n !== 'node_modules')
      .map((n) => newest(join(path, n))),
  );
}

function build() {
  const page = join(root, 'app/dist/index.html');
  const sources = ['app', 'core', 'messages', 'words', 'package-lock.json'].map((p) =>
    newest(join(root, p)),
  );
  if (existsSync(page) && statSync(page).mtimeMs > Math.max(...sources)) return;
  say('Building the application …');
  bin('vite', ['build', '--logLevel', 'warn'], { cwd: join(root, 'app') });
}

/** Nobody waits longer for packages. */
const LONGEST_INSTALL_MS = 600_000;
const CHROMIUM = '/usr/bin/chromium';
/** Stands there once the packages are through, however that went. */
const done = join(tmpdir(), `rosefinch-chromium-${process.pid}`);
let fetching = false;

/** Begins to install Chromium, where it is missing; what needs no browser goes on meanwhile. */
function fetchChromium() {
  if (existsSync(CHROMIUM)) return;
  say('Installing Chromium from Debian’s packages for the browser tests …');
  fetching = true;
  // Without its window it is quicker; where there is no such package all tests take the whole one.
  const packages = ['chromium', 'chromium-headless-shell'].map(
    (name) => `apt-get install -y -qq ${name}`,
  );
  const all = ['apt-get update -qq', ...packages, `touch ${done}`].join('; ');
  spawn('sh', ['-c', all], {
    detached: true,
    stdio: 'ignore',
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  }).unref();
}

function chromium() {
  if (!existsSync(CHROMIUM) && !fetching) fetchChromium();
  const until = Date.now() + LONGEST_INSTALL_MS;
  while (fetching && !existsSync(done) && Date.now() < until) spawnSync('sleep', ['1']);
  rmSync(done, { force: true });
  fetching = false;
  if (!existsSync(CHROMIUM))
    fail(
      'The browser tests need Chromium: install the Debian package “chromium”, then run npm test again.',
    );
}

function serve(shelf) {
  build();
  node(['--import', 'tsx', 'server/src/main.ts', shelf], { mayFail: true });
}

/** Counts of the test runners' own reports. */
const tally = { passed: 0, failed: 0 };

function unitTests() {
  say('Unit tests …');
  mkdirSync(join(root, 'test-results'), { recursive: true });
  const report = join(root, 'test-results/unit.json');
  const done = node(['scripts/unit.mjs'], {
    mayFail: true,
    env: { ...process.env, UNIT_REPORT: report },
  });
  const { passes, failures } = JSON.parse(readFileSync(report, 'utf8'));
  tally.passed += passes;
  tally.failed += failures || (done.status === 0 ? 0 : 1);
}

function browserTests() {
  chromium();
  build();
  say('Browser tests …');
  const report = join(root, 'test-results/browser.json');
  const done = bin('playwright', ['test', ...rest], {
    cwd: join(root, 'e2e'),
    mayFail: true,
    env: { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: report },
  });
  const { stats } = JSON.parse(readFileSync(report, 'utf8'));
  tally.passed += stats.expected + stats.flaky;
  if (stats.flaky > 0)
    console.log(`${stats.flaky} browser tests passed only the second time: see above`);
  tally.failed += stats.unexpected || (done.status === 0 ? 0 : 1);
}

function check() {
  say('Types …');
  bin('tsc', ['-b']);
  say('Format and lint …');
  bin('biome', ['ci', '--error-on-warnings', '.']);
  say('Rooms and the one way of their arrows …');
  node(['scripts/boundaries.mjs']);
  say('Unused code and dependencies …');
  bin('knip', ['--no-progress']);
  say('Time, zone and chance are given …');
  node(['scripts/given.mjs']);
  say('Limits have names …');
  node(['scripts/limits.mjs']);
  say('Every message is there, and no text outside of messages/ …');
  node(['scripts/messages.mjs', '--check']);
  node(['scripts/texts.mjs']);
  say('Every command is documented …');
  node(['scripts/commands.mjs', '--check']);
  say('The table of keys …');
  node(['--import', 'tsx', 'scripts/keys.mjs', '--check']);
  say('Licences …');
  node(['scripts/licences.mjs']);
  build();
  node(['scripts/firstLoad.mjs']);
}

const commands = {
  demo: () => serve('demo'),
  start: () => serve('own'),
  build,
  dev: () => bin('vite', rest, { cwd: join(root, 'app'), mayFail: true }),
  check,
  test: () => {
    check();
    unitTests();
    browserTests();
    console.log(`${tally.passed} passed, ${tally.failed} failed`);
    process.exit(tally.failed === 0 ? 0 : 1);
  },
  bench: () => node(['--import', 'tsx', 'bench/src/main.ts', ...rest], { mayFail: true }),
  measure: () => {
    const done = node(['--import', 'tsx', 'tools/src/measure.ts', ...rest], { mayFail: true });
    process.exit(done.status ?? 1);
  },
  screenshots: () => {
    chromium();
    build();
    node(['--import', 'tsx', 'e2e/screenshots.ts']);
  },
  looks: () => {
    chromium();
    build();
    node(['--import', 'tsx', 'e2e/looks.ts', ...rest]);
  },
  drill: () => {
    chromium();
    build();
    node(['--import', 'tsx', 'e2e/drill.ts', ...rest]);
  },
  obedient: () => {
    chromium();
    build();
    const args = ['test', 'obedient', '--reporter', 'list', ...rest];
    const env = { ...process.env, ROSEFINCH_LONG: '1' };
    bin('playwright', args, { cwd: join(root, 'e2e'), env });
  },
  // The tests in a language whose every text is another one: none may depend on a wording.
  reworded: () => {
    chromium();
    build();
    const env = { ...process.env, ROSEFINCH_LANGUAGE: 'en-XA' };
    node(['scripts/unit.mjs'], { env });
    bin('playwright', ['test', ...rest], { cwd: join(root, 'e2e'), env });
  },
  reliability: () => {
    chromium();
    build();
    node(['--import', 'tsx', 'e2e/reliability/main.ts', ...rest]);
  },
  unit: () => node(['scripts/unit.mjs', ...rest]),
  approve: () => node(['--import', 'tsx', 'scripts/approve.mjs', ...rest]),
  keys: () => node(['--import', 'tsx', 'scripts/keys.mjs']),
  icons: () => node(['--import', 'tsx', 'e2e/icons.ts']),
  messages: () => {
    node(['scripts/messages.mjs']);
    node(['--import', 'tsx', 'tools/src/messagePages.ts']);
  },
  schema: () => node(['--import', 'tsx', 'scripts/schema.mjs']),
  commands: () => node(['scripts/commands.mjs', ...rest]),
  extending: () =>
    bin('mocha', [
      ...['--no-config', '--timeout', '0', '--node-option', 'import=tsx'],
      ...['--require', 'scripts/inNode.cjs', 'tools/src/extending.test.ts'],
    ]),
  mutate: () => node(['--import', 'tsx', 'scripts/mutate.mjs', ...rest]),
  house: () => node(['scripts/house.mjs', ...rest]),
  frames: () => {
    chromium();
    build();
    node(['--import', 'tsx', 'e2e/frameCost.ts']);
  },
};

const chosen = commands[command];
if (!chosen) fail(`There is no command “${command}”. Known: ${Object.keys(commands).join(', ')}.`);
// Both come from afar: they are fetched side by side.
if (command === 'test') fetchChromium();
install();
chosen();
