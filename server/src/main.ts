import { createServer } from 'node:http';
import { resolve } from 'node:path';
import { createApp, type Shelf } from './app.ts';
import { portFrom } from './port.ts';

/** Serves the built application on this machine only. Usage: main.ts [demo] */
const HOST = '127.0.0.1';
const port = portFrom(process.env.PORT);
if (typeof port === 'string') {
  console.error(port);
  process.exit(1);
}
const shelf: Shelf = process.argv[2] === 'demo' ? 'demo' : 'own';
const built = resolve(import.meta.dirname, '../../app/dist');

const server = createServer(createApp(built, shelf));

server.on('error', (error: NodeJS.ErrnoException) => {
  const busy = error.code === 'EADDRINUSE';
  console.error(
    busy
      ? `Port ${port} is taken by another program. Close it, or choose one: PORT=5190 npm start`
      : `The server could not start: ${error.message}`,
  );
  process.exit(1);
});

server.listen(port, HOST, () => {
  console.log(`Rosefinch is ready: http://${HOST}:${port}/`);
  console.log('Stop it with Ctrl+C.');
});

for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => {
    server.close(() => process.exit(0));
    server.closeAllConnections();
  });
