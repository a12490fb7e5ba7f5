import type { Problem } from '@yurei/core/catalog';
import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { Logger } from 'pino';

/** An error as problem details (RFC 9457): what went wrong, in words a maker can act on. */
export class ProblemError extends Error {
  override readonly name = 'ProblemError';
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly extra: Record<string, unknown> = {},
  ) {
    super(detail);
  }
}

/** A document that was refused, with every place named. */
export const refusedDesign = (problems: Problem[]): ProblemError =>
  new ProblemError(422, 'The design cannot be used', 'Nothing was changed.', { problems });

/** Answers for addresses that lead nowhere. */
export const unknownAddress: RequestHandler = (req) => {
  throw new ProblemError(404, 'Not found', `There is nothing at ${req.method} ${req.path}.`);
};

/** Turns every error into problem details; what nobody foresaw is logged and kept vague. */
export function problemHandler(log: Logger): ErrorRequestHandler {
  return (error: unknown, req, res, next) => {
    if (res.headersSent) return next(error);
    const problem = asProblem(error);
    if (problem.status >= 500) log.error({ err: error, path: req.path }, 'request failed');
    // A body that was refused unread is let run out, so that the answer reaches the sender.
    req.resume();
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

function asProblem(error: unknown): ProblemError {
  if (error instanceof ProblemError) return error;
  const { type } = error as { type?: string };
  if (type === 'entity.too.large') {
    const reason =
      'The file is larger than 2 MB; no design is. Choose a file that was exported here. Nothing was changed.';
    return new ProblemError(413, 'The file is too large', reason);
  }
  if (type === 'entity.parse.failed') {
    return new ProblemError(
      400,
      'Not JSON',
      'What was sent is not complete JSON. Nothing was changed.',
    );
  }
  return new ProblemError(
    500,
    'Something failed',
    'The server could not do this. Nothing was changed; see its log.',
  );
}
