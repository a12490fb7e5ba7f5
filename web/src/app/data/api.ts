import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import type { Problem } from '@yurei/core/catalog';
import type { Design } from '@yurei/core/design';
import type { DesignSummary, StoredDesign, StoredStudy, StudySummary } from '@yurei/core/exchange';
import type { Study } from '@yurei/core/nights';
import { catchError, throwError, type Observable } from 'rxjs';

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
  ) {
    super(message);
  }
}

/** The server's endpoints, typed. */
@Injectable({ providedIn: 'root' })
export class Api {
  private readonly http = inject(HttpClient);

  list(): Observable<DesignSummary[]> {
    return this.http.get<DesignSummary[]>('/api/designs').pipe(catchError(explain));
  }

  get(id: string): Observable<StoredDesign> {
    return this.http.get<StoredDesign>(`/api/designs/${id}`).pipe(catchError(explain));
  }

  create(design: Design): Observable<StoredDesign> {
    return this.http.post<StoredDesign>('/api/designs', { design }).pipe(catchError(explain));
  }

  save(id: string, version: number, design: Design): Observable<Omit<StoredDesign, 'design'>> {
    return this.http
      .put<Omit<StoredDesign, 'design'>>(`/api/designs/${id}`, { version, design })
      .pipe(catchError(explain));
  }

  remove(id: string): Observable<unknown> {
    return this.http.delete(`/api/designs/${id}`).pipe(catchError(explain));
  }

  /** @param acceptDoubts import even though some values are doubtful */
  import(text: string, acceptDoubts: boolean): Observable<StoredDesign> {
    const query = acceptDoubts ? '?accept=doubts' : '';
    return this.http.post<StoredDesign>(`/api/import${query}`, text).pipe(catchError(explain));
  }

  revisions(id: string): Observable<Pick<StoredDesign, 'version' | 'savedAt'>[]> {
    return this.http
      .get<Pick<StoredDesign, 'version' | 'savedAt'>[]>(`/api/designs/${id}/revisions`)
      .pipe(catchError(explain));
  }

  revision(id: string, version: number): Observable<StoredDesign> {
    return this.http
      .get<StoredDesign>(`/api/designs/${id}/revisions/${version}`)
      .pipe(catchError(explain));
  }

  startStudy(id: string, design: Design, study: Study): Observable<StudySummary> {
    return this.http
      .post<StudySummary>(`/api/designs/${id}/studies`, { design, study })
      .pipe(catchError(explain));
  }

  studies(id: string): Observable<StudySummary[]> {
    return this.http.get<StudySummary[]>(`/api/designs/${id}/studies`).pipe(catchError(explain));
  }

  study(study: string): Observable<StoredStudy> {
    return this.http.get<StoredStudy>(`/api/studies/${study}`).pipe(catchError(explain));
  }

  cancelStudy(study: string): Observable<unknown> {
    return this.http.post(`/api/studies/${study}/cancel`, {}).pipe(catchError(explain));
  }

  removeStudy(study: string): Observable<unknown> {
    return this.http.delete(`/api/studies/${study}`).pipe(catchError(explain));
  }
}

interface ProblemDetails {
  title?: string;
  detail?: string;
  problems?: Problem[];
  doubts?: Problem[];
}

function explain(error: HttpErrorResponse): Observable<never> {
  const body: ProblemDetails = typeof error.error === 'object' && error.error ? error.error : {};
  const unreachable = error.status === 0;
  const title = unreachable ? 'The server cannot be reached' : (body.title ?? 'The server said no');
  const detail = unreachable
    ? 'Start it again with "npm run demo"; this page will find it by itself.'
    : (body.detail ?? `It answered with ${error.status}.`);
  return throwError(
    () => new ApiError(error.status, title, detail, body.problems ?? [], body.doubts ?? []),
  );
}
