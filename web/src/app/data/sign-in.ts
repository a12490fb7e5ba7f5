import { HttpClient, HttpErrorResponse, type HttpInterceptorFn } from '@angular/common/http';
import { inject, Injectable, signal } from '@angular/core';
import {
  catchError,
  firstValueFrom,
  retry,
  Subject,
  switchMap,
  take,
  throwError,
  timer,
  type Observable,
} from 'rxjs';
import { ApiError, apiErrorOf } from './api-error';
import { waitAfter } from './back-off';

const sessionAddress = '/api/session';

/** Whether the server wants a passcode, and giving it. */
@Injectable({ providedIn: 'root' })
export class SignIn {
  private readonly http = inject(HttpClient);
  private readonly done = new Subject<void>();
  readonly needed = signal(false);

  /** Asks the maker; what waited for it goes on once the passcode was right. */
  wait(): Observable<void> {
    this.needed.set(true);
    return this.done.pipe(take(1));
  }

  /** @returns why it was refused; undefined when it was right */
  async give(passcode: string): Promise<ApiError | undefined> {
    try {
      await firstValueFrom(this.http.post(sessionAddress, { passcode }));
    } catch (error) {
      return apiErrorOf(error as HttpErrorResponse);
    }
    this.needed.set(false);
    this.done.next();
    return undefined;
  }
}

/** What a server that opens to a network refuses waits until the passcode was given, and is asked again. */
export const signingIn: HttpInterceptorFn = (request, next) => {
  const signIn = inject(SignIn);
  return next(request).pipe(
    catchError((error: HttpErrorResponse) =>
      error.status === 401 && request.url !== sessionAddress
        ? signIn.wait().pipe(switchMap(() => next(request)))
        : throwError(() => error),
    ),
  );
};

const mostTries = 4;

/** What only looks is asked again where the server has too much to do, or cannot read at this moment. */
export const askingAgain: HttpInterceptorFn = (request, next) =>
  request.method !== 'GET'
    ? next(request)
    : next(request).pipe(
        retry({
          count: mostTries,
          delay: (error: HttpErrorResponse, failures) =>
            error.status === 429 || error.status === 503
              ? timer(waitAfter(failures, Number(error.headers?.get('Retry-After') ?? 0)))
              : throwError(() => error),
        }),
      );
