// Six complete runs of `npm test`, each on a machine that is otherwise in two ways: another
// hour, zone or language, a night in which clocks change, two busy loops beside. The hour is
// that of the whole machine where Debian's faketime is there, and that of the pages anyway.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const FAKETIME = '/usr/lib/x86_64-linux-gnu/faketime/libfaketime.so.1';

/** Begun at, by the clock on the wall of the zone. */
const ROWS = [
  { begun: '2026-11-26 00:30', utc: '2026-11-25T10:30Z', zone: 'Pacific/Kiritimati' },
  { begun: '2026-11-26 06:59', utc: '2026-11-26T10:29Z', zone: 'America/St_Johns' },
  { begun: '2026-11-26 23:59', utc: '2026-11-26T18:14Z', zone: 'Asia/Kathmandu' },
  { begun: '2026-10-25 01:58', utc: '2026-10-24T23:58Z', zone: 'Europe/Berlin', locale: 'de-DE' },
  { begun: '2026-10-04 01:58', utc: '2026-10-03T16:28Z', zone: 'Australia/Adelaide', busy: true },
  {
    begun: '2026-11-26 23:59',
    utc: '2026-11-26T22:59Z',
    zone: 'Europe/Berlin',
    locale: 'de-DE',
  },
];

const wanted = process.argv.slice(2).map(Number);
const rows = ROWS.filter((_, i) => wanted.length === 0 || wanted.includes(i + 1));
const faked = existsSync(FAKETIME);

const withSign = (seconds) => (seconds < 0 ? String(seconds) : `+${seconds}`);

function runRow({ utc, zone, locale = 'en-GB', busy }) {
  const loops = busy ? [1, 2].map(() => spawn(process.execPath, ['-e', 'for (;;);'])) : [];
  const began = process.hrtime.bigint();
  const done = spawnSync(process.execPath, [join(root, 'scripts/run.mjs'), 'test'], {
    cwd: root,
    encoding: 'utf8',
    maxBuffer: 2 ** 28,
    env: {
      ...process.env,
      CI: 'true',
      TZ: zone,
      LANG: `${locale.replace('-', '_')}.UTF-8`,
      ROSEFINCH_START: utc,
      ROSEFINCH_ZONE: zone,
      ROSEFINCH_LOCALE: locale,
      ...(faked && {
        LD_PRELOAD: FAKETIME,
        // The same distance for every process, however late it starts.
        FAKETIME: withSign(Math.round((Date.parse(utc) - Date.now()) / 1000)),
        FAKETIME_DONT_FAKE_MONOTONIC: '1',
      }),
    },
  });
  for (const loop of loops) loop.kill('SIGKILL');
  const minutes = Number(process.hrtime.bigint() - began) / 6e10;
  const [, passed = '0', failed = '?'] =
    /(\d+) passed, (\d+) failed/.exec(done.stdout.split('\n').slice(-5).join('\n')) ?? [];
  if (done.status !== 0) console.log(done.stdout.slice(-6000), done.stderr.slice(-2000));
  return { passed, failed, minutes: minutes.toFixed(1) };
}

const { version } = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8'));
console.log(
  `Rosefinch ${version}; the machine’s hour is ${faked ? 'faked' : 'its own (no faketime here)'}`,
);
console.log(
  '| begun | zone | locale | beside | passed | failed | minutes |\n|---|---|---|---|---|---|---|',
);
for (const row of rows) {
  const { passed, failed, minutes } = runRow(row);
  console.log(
    `| ${row.begun} | ${row.zone} | ${row.locale ?? 'en-GB'} | ${row.busy ? 'two busy loops' : ''} | ${passed} | ${failed} | ${minutes} |`,
  );
}
