import { existsSync } from 'node:fs';
import { join } from 'node:path';
import compression from 'compression';
import express, { type Express, type RequestHandler, type Router } from 'express';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import type { Logger } from 'pino';
import type { Access } from '../access/access.js';
import type { Upkeep } from '../upkeep/upkeep.js';
import { designRoutes, type DesignParts } from './design-routes.js';
import { studyRoutes } from './study-routes.js';
import { upkeepRoutes } from './upkeep-routes.js';
import { ProblemError, problemHandler, unknownAddress } from './problem.js';

/** Component styles are inserted at run time, workers and fonts come from this server alone. */
const policy = {
  useDefaults: false,
  directives: {
    'default-src': ["'self'"],
    // Programs are proven by MicroPython, which is machine code of the browser's.
    'script-src': ["'self'", "'wasm-unsafe-eval'"],
    'style-src': ["'self'", "'unsafe-inline'"],
    'img-src': ["'self'", 'data:', 'blob:'],
    'font-src': ["'self'", 'data:'],
    'worker-src': ["'self'", 'blob:'],
    'connect-src': ["'self'"],
    'object-src': ["'none'"],
    'base-uri': ["'self'"],
    'form-action': ["'none'"],
    'frame-ancestors': ["'none'"],
  },
};

/** What an answer with data needs (OWASP, REST Security Cheat Sheet: security headers): all the same for each. */
const dataHeaders = Object.entries({
  'Cache-Control': 'no-store',
  'Content-Security-Policy': "default-src 'none'; frame-ancestors 'none'",
  'Cross-Origin-Resource-Policy': 'same-origin',
  'X-Content-Type-Options': 'nosniff',
  'X-Frame-Options': 'DENY',
});

/** Requests of the API in ten seconds, from one address: several times what a busy page asks. */
const limits = {
  windowMs: 10_000,
  limit: 10_000,
  standardHeaders: 'draft-6',
  legacyHeaders: false,
  // It looks at each request whether it has been set up well.
  validate: false,
} as const;

/** What the HTTP face is made of. */
export interface AppParts extends DesignParts {
  access: Access;
  upkeep: Upkeep;
  /** Folder of the built web app. */
  web: string;
  log: Logger;
}

/** The whole HTTP face: the API under /api, the built web app everywhere else. */
export function makeApp(parts: AppParts): Express {
  const { access, web, log } = parts;
  const app = express();
  app.disable('x-powered-by');
  app.disable('etag');
  app.use(access.byName);
  app.use('/api', api(parts));
  app.use(helmet({ contentSecurityPolicy: policy, strictTransportSecurity: false }));
  serveWeb(app, web);
  app.use(unknownAddress);
  app.use(problemHandler(log));
  return app;
}

/** Data, asked by the maker's own page. */
function api({ access, upkeep, ...parts }: AppParts): Router {
  const routes = express.Router();
  routes.use(access.fromHere, asData);
  // Who may not talk does not use up what the maker's own page may ask.
  routes.use(rateLimit({ ...limits, handler: tooMany }));
  routes.get('/health', (_req, res) => {
    res.json({ ok: true });
  });
  routes.use(access.routes(), access.signedIn);
  routes.use(designRoutes(parts), studyRoutes(parts.gate, parts.store, parts.desk));
  routes.use(upkeepRoutes(upkeep), unknownAddress);
  return routes;
}

/** An answer that is data is never a page, and is kept nowhere. */
const asData: RequestHandler = (_req, res, next) => {
  for (const [name, value] of dataHeaders) res.setHeader(name, value);
  next();
};

/** Files with a hash in their name never change; any other address is a view of the app. */
function serveWeb(app: Express, web: string): void {
  const index = join(web, 'index.html');
  if (!existsSync(index)) return;
  // What the API answers, but for the shelf, goes a short way: packing it would cost more than it saves.
  app.use(compression());
  app.use(
    express.static(web, {
      index: false,
      setHeaders: (res, file) => {
        const hashed = /-[A-Z0-9]{8}\.\w+$/.test(file);
        res.setHeader('Cache-Control', hashed ? 'public, max-age=31536000, immutable' : 'no-cache');
      },
    }),
  );
  app.get(/^\/(?!api\/)[^.]*$/, (_req, res) => {
    res.setHeader('Cache-Control', 'no-cache');
    res.sendFile(index);
  });
}

function tooMany(): never {
  throw new ProblemError(429, 'Too many requests', 'Wait a few seconds, then try again.', {
    retryAfter: limits.windowMs / 1000,
  });
}
