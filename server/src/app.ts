import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { constants } from 'node:zlib';
import compression from 'compression';
import express, {
  type ErrorRequestHandler,
  type Express,
  type RequestHandler,
  type Response,
} from 'express';
import helmet from 'helmet';

/** Which browser database the pages use: the teacher's own, or the demo's. */
export type Shelf = 'own' | 'demo';

const A_YEAR = 365 * 24 * 3600;

/** Nothing may come from, or go to, anywhere but this server. */
const CONTENT_POLICY = {
  useDefaults: false,
  directives: {
    defaultSrc: ["'none'"],
    scriptSrc: ["'self'"],
    workerSrc: ["'self'"],
    // Mantine writes style attributes.
    styleSrc: ["'self'", "'unsafe-inline'"],
    fontSrc: ["'self'"],
    imgSrc: ["'self'", 'data:', 'blob:'],
    mediaSrc: ["'self'", 'blob:'],
    connectSrc: ["'self'"],
    manifestSrc: ["'self'"],
    baseUri: ["'none'"],
    formAction: ["'none'"],
    frameAncestors: ["'none'"],
  },
};

/** The application's server: static files with safe headers, and which shelf it serves. */
export function createApp(built: string, shelf: Shelf): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(helmet({ contentSecurityPolicy: CONTENT_POLICY, strictTransportSecurity: false }));
  app.use((_request, response, next) => {
    response.setHeader('Permissions-Policy', 'microphone=(self), camera=(self), geolocation=()');
    next();
  });
  app.use(onlyFromHere);
  // On one machine packing well takes longer than sending.
  app.use(compression({ level: 1, brotli: { params: { [constants.BROTLI_PARAM_QUALITY]: 1 } } }));
  app.get('/shelf.json', (_request, response) => {
    response.setHeader('Cache-Control', 'no-store');
    response.json({ shelf, routes: 'path' });
  });
  const page = (response: Response) => {
    setCaching(response, 'index.html');
    response.type('html').send(pageOf(built));
  };
  app.get(['/', '/index.html'], (_request, response) => page(response));
  app.use(express.static(built, { redirect: false, setHeaders: setCaching }));
  app.get('/{*splat}', (request, response) => {
    // A missing file is missing; only addresses of views get the page.
    if (/\.[a-z0-9]+$/i.test(request.path)) return void response.status(404).end();
    page(response);
  });
  app.use(withoutPaths);
  return app;
}

/**
 * The page names its files from where it lies, for a folder has no server that answers for addresses
 * below it; here every view has its own address, so they are named from the root.
 */
function pageOf(built: string): string {
  const html = readFileSync(join(built, 'index.html'), 'utf8');
  return html.replaceAll('="./', '="/');
}

const HERE = new Set(['127.0.0.1', 'localhost', '[::1]']);

/** A name that somebody else has pointed at this machine is not answered: the shelf is nobody else's. */
const onlyFromHere: RequestHandler = (request, response, next) => {
  const name = (request.headers.host ?? '').replace(/:\d+$/, '').toLowerCase();
  if (HERE.has(name)) return next();
  response.status(421).type('text').send('This shelf answers at 127.0.0.1 and localhost alone.');
};

/** What goes wrong is told without a path of this machine. */
const withoutPaths: ErrorRequestHandler = (error, _request, response, next) => {
  if (response.headersSent) return next(error);
  const status = (error as { status?: number }).status ?? 500;
  const says = status < 500 ? 'This address cannot be read.' : 'The server could not answer.';
  response.status(status).type('text').send(says);
};

/** Files with a hash in their name never change; everything else is asked for anew. */
function setCaching(response: Response, path: string): void {
  const hashed = /[\\/]assets[\\/]/.test(path);
  response.setHeader('Cache-Control', hashed ? `public, max-age=${A_YEAR}, immutable` : 'no-cache');
}
