import type { IncomingMessage } from 'node:http';
import type { RequestHandler, Router } from 'express';
import express from 'express';
import { rateLimit } from 'express-rate-limit';
import { demand, jsonBytes, shapes } from '../http/edge.js';
import { ProblemError } from '../http/problem.js';
import { isForeign, refusal } from './hosts.js';
import { Sessions } from './sessions.js';

/** Tries at a passcode in a minute, from one address and from all. */
const triesEach = 10;
const triesInAll = 60;

/** Who may talk to the server. */
export class Access {
  private readonly sessions = new Sessions();

  /**
   * @param hosts names under which it may be asked
   * @param passes tells whether a passcode is right; without it nobody is asked for one
   */
  constructor(
    private readonly hosts: ReadonlySet<string>,
    private readonly passes?: (passcode: string) => Promise<boolean>,
  ) {}

  /** For an upgrade, which no handler sees: the status it is refused with. */
  refuses(request: IncomingMessage): 401 | 403 | 421 | undefined {
    if (refusal(request.headers, this.hosts)) return 421;
    if (isForeign(request.headers)) return 403;
    return this.passes && !this.sessions.has(request) ? 401 : undefined;
  }

  /** Every request: the name it asks for. */
  readonly byName: RequestHandler = (req, _res, next) => {
    const reason = refusal(req.headers, this.hosts);
    if (reason) throw new ProblemError(421, 'Not known by that name', reason);
    next();
  };

  /** Every request of the API: no page of another site. */
  readonly fromHere: RequestHandler = (req, _res, next) => {
    if (isForeign(req.headers))
      throw new ProblemError(403, 'Another site', 'Only pages of this server may ask it.');
    next();
  };

  /** Every request of the API but signing in: who asks has given the passcode. */
  readonly signedIn: RequestHandler = (req, _res, next) => {
    if (this.passes && !this.sessions.has(req))
      throw new ProblemError(
        401,
        'The passcode is needed',
        'Give the passcode of this server, then go on.',
      );
    next();
  };

  /** Signing in and out. */
  routes(): Router {
    const routes = express.Router();
    const limit = (each: number, keyed: object): RequestHandler =>
      rateLimit({ windowMs: 60_000, limit: each, handler: tooManyTries, ...keyed });
    const slow = [limit(triesEach, {}), limit(triesInAll, { keyGenerator: () => 'all' })];
    routes.post(
      '/session',
      slow,
      jsonBytes(1000),
      async (req: express.Request, res: express.Response) => {
        const { passcode } = demand(shapes.passcode, parsed(req.body as Buffer), 'The passcode');
        if (this.passes && !(await this.passes(passcode)))
          throw new ProblemError(401, 'The passcode is wrong', 'Look at it again: capitals count.');
        res.setHeader('Set-Cookie', this.sessions.open());
        res.status(204).end();
      },
    );
    routes.delete('/session', (req, res) => {
      res.setHeader('Set-Cookie', this.sessions.close(req));
      res.status(204).end();
    });
    return routes;
  }
}

function parsed(body: Buffer): unknown {
  try {
    return JSON.parse(body.toString());
  } catch {
    throw new ProblemError(400, 'Not JSON', 'What was sent is not complete JSON.');
  }
}

function tooManyTries(): never {
  throw new ProblemError(429, 'Too many tries', 'Wait a minute, then give the passcode again.', {
    retryAfter: 60,
  });
}
