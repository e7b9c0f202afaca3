import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { problemOf } from '@rosefinch/core/errors';
import { inEnglish } from '@rosefinch/words/english';
import { type MeasuredLine, measureWav, printLine } from './lines.ts';

const USAGE = 'npm run -s measure -- [--tuning ID|chromatic] [--a4 440] [--json] FILE...';

/** Measures recordings; answers the exit code. */
function main(args: readonly string[]): number {
  const { values, positionals } = parseArgs({
    args: [...args],
    allowPositionals: true,
    options: {
      tuning: { type: 'string', default: 'chromatic' },
      a4: { type: 'string', default: '440' },
      json: { type: 'boolean', default: false },
    },
  });
  if (positionals.length === 0) {
    console.error(`No file was named. Usage: ${USAGE}`);
    return 2;
  }
  const from = process.env.INIT_CWD ?? process.cwd();
  let code = 0;
  for (const file of positionals) {
    try {
      const bytes = readFileSync(resolve(from, file));
      const lines = measureWav(file, bytes, values.tuning, Number(values.a4));
      for (const line of lines) print(line, values.json);
    } catch (error) {
      console.error(`${file}: ${inEnglish.value(problemOf(error))}`);
      code = 2;
    }
  }
  return code;
}

function print(line: MeasuredLine, json: boolean): void {
  console.log(json ? JSON.stringify(line) : printLine(line));
}

try {
  process.exitCode = main(process.argv.slice(2));
} catch (error) {
  console.error(`${inEnglish.value(problemOf(error))}\nUsage: ${USAGE}`);
  process.exitCode = 2;
}
