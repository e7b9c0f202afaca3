// Starts every command that README.md and docs/scripts.md name, each in its shortest form, and says
// which of them fails: `npm run commands`, or some of them by name. What no form of it is short stands
// in LONG with the reason.
import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

const root = join(import.meta.dirname, '..');
const SERVES = Symbol('it serves until it is ended');
/** Whatever a command does, it has done it by then, in ms. */
const LONGEST_MS = 600_000;
const PORT = '5391';

/** Its arguments in the shortest form; some have none and are short by themselves. */
const SHORTEST = {
  demo: SERVES,
  start: SERVES,
  dev: SERVES,
  build: [],
  check: [],
  unit: ['core/src/maths'],
  house: [],
  messages: [],
  keys: [],
  icons: [],
  schema: [],
  approve: ['music'],
  bench: ['bound'],
  measure: ['tools/notes/banjo_B3.wav'],
  mutate: ['core/src/music', '1'],
  frames: ['3'],
  looks: ['tunings'],
  reliability: ['backups', 'shelf', 'tabs', '0.01'],
  drill: ['2', '2', 'bench'],
  obedient: ['--grep', 'banjo'],
  reworded: ['help'],
};

/** Commands without a short form. */
const LONG = {
  test: 'it is what runs this',
  matrix: 'it is npm test six times',
  commands: 'it is what runs the others',
  extending: 'it compiles the house once for each addition',
  screenshots: 'its pictures are one walk through the year of the demo, three minutes long',
};

/** The commands that the documents name. */
function named() {
  const text = ['README.md', 'docs/scripts.md'].map((file) =>
    readFileSync(join(root, file), 'utf8'),
  );
  return [
    ...new Set(
      [...text.join('\n').matchAll(/npm (?:run )?(?:-s )?([a-z]+)/g)].map(([, name]) => name),
    ),
  ].filter((name) => name !== 'run');
}

/** The commands that package.json has. */
const had = () => Object.keys(JSON.parse(readFileSync(join(root, 'package.json'), 'utf8')).scripts);

/** What npm does by itself. */
const OF_NPM = ['ci', 'install'];

/** Commands that one of the three lists lacks: package.json, the documents, the table above. */
function faults() {
  const documented = named().filter((name) => !OF_NPM.includes(name));
  return [
    ...had()
      .filter((name) => !documented.includes(name))
      .map((name) => `no document names npm run ${name}`),
    ...documented
      .filter((name) => !had().includes(name))
      .map((name) => `there is no npm run ${name}`),
    ...had()
      .filter((name) => !(name in SHORTEST || name in LONG))
      .map((name) => `npm run ${name} has no shortest form in scripts/commands.mjs`),
  ];
}

/** Runs one command; answers what is wrong with it, or null. */
async function tried(name) {
  const args = SHORTEST[name];
  const serves = args === SERVES;
  const child = spawn(
    process.execPath,
    [join(root, 'scripts/run.mjs'), name, ...(serves ? [] : args)],
    {
      cwd: root,
      env: { ...process.env, PORT, ROSEFINCH_PORT: PORT },
      detached: true,
    },
  );
  let said = '';
  const ended = new Promise((resolve) => child.on('exit', resolve));
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (text) => {
      said += text;
    });
  const late = AbortSignal.timeout(LONGEST_MS);
  const done = serves ? served(ended, late) : ended;
  const code = await Promise.race([
    done,
    new Promise((_, no) =>
      late.addEventListener('abort', () => no(new Error('it did not end')), { once: true }),
    ),
  ])
    .catch((error) => error.message)
    .finally(() => {
      try {
        process.kill(-child.pid, 'SIGKILL');
      } catch {
        // It has ended by itself.
      }
    });
  return code === 0 ? null : `${code}\n${said.slice(-1500)}`;
}

/** Waits until the page is served. @returns 0 once it is, the exit code if the command ends before */
async function served(ended, late) {
  let code = null;
  ended.then((one) => {
    code = one ?? 1;
  });
  while (code === null && !late.aborted) {
    const answer = await fetch(`http://127.0.0.1:${PORT}/`).catch(() => null);
    if (answer?.ok) return 0;
    await new Promise((next) => setTimeout(next, 200));
  }
  return code ?? 'it does not serve';
}

const wanted = process.argv.slice(2);
if (wanted[0] === '--check') {
  const found = faults();
  for (const fault of found) console.error(`  ${fault}`);
  console.log(
    `  ${had().length} commands, each documented, ${Object.keys(LONG).length} without a short form`,
  );
  process.exitCode = found.length > 0 ? 1 : 0;
} else {
  let failed = 0;
  for (const name of Object.keys(SHORTEST)) {
    if (wanted.length > 0 && !wanted.includes(name)) continue;
    const began = performance.now();
    const wrong = await tried(name);
    if (wrong !== null) failed++;
    const seconds = ((performance.now() - began) / 1000).toFixed(0).padStart(4);
    console.log(
      `  ${name.padEnd(12)} ${seconds} s  ${wrong === null ? 'runs' : `FAILED: ${wrong}`}`,
    );
  }
  for (const [name, why] of Object.entries(LONG))
    console.log(`  ${name.padEnd(12)}         left out: ${why}`);
  process.exitCode = failed > 0 ? 1 : 0;
}
