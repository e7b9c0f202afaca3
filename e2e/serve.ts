import { type ChildProcess, spawn } from 'node:child_process';
import { join } from 'node:path';

export const addressOf = (port: number) => `http://127.0.0.1:${port}`;

/** Serves the built demo for a script that runs outside of the tests; resolves once it answers. */
export async function serveDemo(port: number): Promise<ChildProcess> {
  const server = spawn(
    process.execPath,
    ['--import', 'tsx', join(import.meta.dirname, '../server/src/main.ts'), 'demo'],
    { env: { ...process.env, PORT: String(port) } },
  );
  for (let tries = 0; tries < 300; tries++) {
    if (await fetch(`${addressOf(port)}/shelf.json`).catch(() => null)) return server;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  throw new Error('the server did not start');
}
