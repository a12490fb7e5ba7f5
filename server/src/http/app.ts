import { existsSync } from 'node:fs';
import { join } from 'node:path';
import compression from 'compression';
import express, { type Express } from 'express';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import type { Logger } from 'pino';
import type { DesignStore } from '../designs/design-store.js';
import type { StudyDesk } from '../studies/study-desk.js';
import { designRoutes } from './design-routes.js';
import { studyRoutes } from './study-routes.js';
import { ProblemError, problemHandler, unknownAddress } from './problem.js';

/** Component styles are inserted at run time, workers and fonts come from this server alone. */
const policy = {
  useDefaults: false,
  directives: {
    'default-src': ["'self'"],
    'style-src': ["'self'", "'unsafe-inline'"],
    'img-src': ["'self'", 'data:', 'blob:'],
    'font-src': ["'self'", 'data:'],
    'worker-src': ["'self'", 'blob:'],
    'object-src': ["'none'"],
    'base-uri': ["'self'"],
    'frame-ancestors': ["'none'"],
  },
};

/** The whole HTTP face: the API under /api, the built web app everywhere else. */
export function makeApp(store: DesignStore, desk: StudyDesk, web: string, log: Logger): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(helmet({ contentSecurityPolicy: policy, strictTransportSecurity: false }));
  app.use(compression());
  app.use('/api', rateLimit({ windowMs: 60_000, limit: 3000, handler: tooMany }));
  app.get('/api/health', (_req, res) => {
    res.json({ ok: true });
  });
  app.use('/api', designRoutes(store), studyRoutes(store, desk), unknownAddress);
  serveWeb(app, web);
  app.use(unknownAddress);
  app.use(problemHandler(log));
  return app;
}

/** Files with a hash in their name never change; any other address is a view of the app. */
function serveWeb(app: Express, web: string): void {
  const index = join(web, 'index.html');
  if (!existsSync(index)) return;
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
  throw new ProblemError(429, 'Too many requests', 'Wait a minute, then try again.');
}
