import type { HttpErrorResponse } from '@angular/common/http';
import type { Problem } from '@yurei/core/catalog';

/** What the server said no with, in words a maker can act on. */
export class ApiError extends Error {
  override readonly name = 'ApiError';
  constructor(
    /** HTTP status; 0 when the server was not reached. */
    readonly status: number,
    readonly title: string,
    message: string,
    readonly problems: Problem[],
    readonly doubts: Problem[],
    /** When it may be tried again, s. */
    readonly retryAfter = 0,
  ) {
    super(message);
  }
}

interface ProblemDetails {
  title?: string;
  detail?: string;
  problems?: Problem[];
  doubts?: Problem[];
  retryAfter?: number;
}

/** An answer that is none, as problem details (RFC 9457) tell it. */
export function apiErrorOf({ status, error }: HttpErrorResponse): ApiError {
  const body: ProblemDetails = typeof error === 'object' && error ? error : {};
  const unreachable = status === 0;
  const title = unreachable ? 'The server cannot be reached' : (body.title ?? 'The server said no');
  const detail = unreachable
    ? 'Start it again with "npm run demo"; this page will find it by itself.'
    : (body.detail ?? `It answered with ${status}.`);
  return new ApiError(
    status,
    title,
    detail,
    body.problems ?? [],
    body.doubts ?? [],
    body.retryAfter,
  );
}
