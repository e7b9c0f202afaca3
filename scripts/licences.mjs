// Only permissive licences may ship. Reads every production dependency's own package.json.
import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const PERMISSIVE =
  /^\(?(MIT|MIT-0|ISC|BSD-2-Clause|BSD-3-Clause|Apache-2\.0|0BSD|OFL-1\.1|CC0-1\.0|Unlicense|BlueOak-1\.0\.0|Python-2\.0)(\s+(OR|AND)\s+[A-Za-z0-9.-]+)*\)?$/;
const shown = execFileSync('npm', ['ls', '--omit=dev', '--all', '--parseable', '--workspaces'], {
  encoding: 'utf8',
  stdio: ['ignore', 'pipe', 'ignore'],
});
const folders = [...new Set(shown.split('\n'))].filter(
  (line) => line.includes('node_modules/') && existsSync(join(line, 'package.json')),
);
const wrong = [];
for (const folder of folders) {
  const { name, version, license, licenses } = JSON.parse(
    readFileSync(join(folder, 'package.json'), 'utf8'),
  );
  const stated = license?.type ?? license ?? licenses?.map((l) => l.type ?? l).join(' OR ');
  if (name?.startsWith('@rosefinch/')) continue;
  if (!PERMISSIVE.test(String(stated)))
    wrong.push(`${name}@${version}: ${stated ?? 'no licence stated'}`);
}
if (folders.length < 20)
  wrong.push(`only ${folders.length} production packages were seen: the check itself is broken`);
if (wrong.length > 0) {
  console.error(`Licences that may not ship:\n${wrong.join('\n')}`);
  process.exit(1);
}
console.log(`  ${folders.length} production packages, all permissive`);
