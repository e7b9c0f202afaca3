import { join } from 'node:path';
import compression from 'compression';
import express, { type Express, type Response } from 'express';
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
    response.setHeader('Permissions-Policy', 'microphone=(self), camera=(), geolocation=()');
    next();
  });
  app.use(compression());
  app.get('/shelf.json', (_request, response) => {
    response.setHeader('Cache-Control', 'no-store');
    response.json({ shelf });
  });
  app.use(express.static(built, { redirect: false, setHeaders: setCaching }));
  app.get('/{*splat}', (request, response) => {
    // A missing file is missing; only addresses of views get the page.
    if (/\.[a-z0-9]+$/i.test(request.path)) return void response.status(404).end();
    setCaching(response, 'index.html');
    response.sendFile(join(built, 'index.html'));
  });
  return app;
}

/** Files with a hash in their name never change; everything else is asked for anew. */
function setCaching(response: Response, path: string): void {
  const hashed = /[\\/]assets[\\/]/.test(path);
  response.setHeader('Cache-Control', hashed ? `public, max-age=${A_YEAR}, immutable` : 'no-cache');
}
