import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { Logger } from 'pino';
import { StoreTrouble, type TroubleKind } from '../keeping/trouble.js';

/** An error as problem details (RFC 9457): what went wrong, in words a maker can act on. */
export class ProblemError extends Error {
  override readonly name = 'ProblemError';
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    /** More members; `retryAfter` (s) becomes a header as well. */
    readonly extra: Record<string, unknown> = {},
  ) {
    super(detail);
  }
}

/** Answers for addresses that lead nowhere. */
export const unknownAddress: RequestHandler = (req) => {
  const at = req.path.length > 200 ? `${req.path.slice(0, 200)}…` : req.path;
  throw new ProblemError(404, 'Not found', `There is nothing at ${req.method} ${at}.`);
};

/** Turns every error into problem details; what nobody foresaw is logged and kept vague. */
export function problemHandler(log: Logger): ErrorRequestHandler {
  return (error: unknown, req, res, next) => {
    if (res.headersSent) return next(error);
    const problem = asProblem(error);
    if (problem.status >= 500) log.error({ err: error, path: req.path }, 'request failed');
    // A body that was refused unread is let run out, so that the answer reaches the sender.
    req.resume();
    const { retryAfter } = problem.extra;
    if (typeof retryAfter === 'number') res.setHeader('Retry-After', String(retryAfter));
    res
      .status(problem.status)
      .type('application/problem+json')
      .send(
        JSON.stringify({
          type: 'about:blank',
          title: problem.title,
          status: problem.status,
          detail: problem.detail,
          ...problem.extra,
        }),
      );
  };
}

/** What cannot be kept now, as an answer: what to do, and when to try again. */
const storeProblems: Readonly<Record<TroubleKind, ProblemError>> = {
  full: new ProblemError(
    507,
    'The disk is full',
    'Make room on the disk of the server. Nothing was changed.',
    { retryAfter: 3 },
  ),
  busy: new ProblemError(
    503,
    'The database is in use',
    'Another program is writing to it. Stop that if it should not be there. Nothing was changed.',
    { retryAfter: 1 },
  ),
  failing: new ProblemError(
    503,
    'The disk fails',
    'The database could not be read or written. Look whether the disk of the server is full or fails. Nothing that was acknowledged is lost.',
    { retryAfter: 3 },
  ),
};

/** What goes wrong while a body is read, by the type that body-parser gives it. */
const bodyProblems: Readonly<Record<string, ProblemError>> = {
  'entity.too.large': new ProblemError(
    413,
    'The file is too large',
    'The file is larger than 2 MB; no design is. Choose a file that was exported here. Nothing was changed.',
  ),
  'encoding.unsupported': new ProblemError(
    415,
    'Unknown encoding',
    'Send the body as it is, or packed with gzip, deflate or br. Nothing was changed.',
  ),
  'request.aborted': new ProblemError(
    400,
    'Cut off',
    'The body ended too early. Nothing was changed.',
  ),
  'request.size.invalid': new ProblemError(
    400,
    'Cut off',
    'The body is not as long as was said. Nothing was changed.',
  ),
};

function asProblem(error: unknown): ProblemError {
  if (error instanceof ProblemError) return error;
  if (error instanceof StoreTrouble) return storeProblems[error.kind];
  const { type, status } = (error ?? {}) as { type?: string; status?: number };
  const known = bodyProblems[type ?? ''];
  if (known) return known;
  // Addresses and bodies that cannot be decoded.
  if (typeof status === 'number' && status >= 400 && status < 500)
    return new ProblemError(
      status,
      'It makes no sense',
      'The request cannot be understood. Nothing was changed.',
    );
  return new ProblemError(
    500,
    'Something failed',
    'The server could not do this. Nothing was changed; see its log.',
  );
}
