import { HttpClient, type HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import type { Design } from '@yurei/core/design';
import type {
  DesignSummary,
  RemovedDesign,
  ShelfAnswer,
  StoredDesign,
  StoredStudy,
  StudySummary,
} from '@yurei/core/exchange';
import type { Study } from '@yurei/core/trials';
import { catchError, throwError, type Observable } from 'rxjs';
import { ApiError, apiErrorOf } from './api-error';

export { ApiError };

/** What came of taking in an archive: designs that are new, and those that were there already. */
export interface TakenIn {
  designs: number;
  there: number;
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

  /** Puts a design in the bin. */
  remove(id: string): Observable<unknown> {
    return this.http.delete(`/api/designs/${id}`).pipe(catchError(explain));
  }

  /** Notes that a design was opened. */
  opened(id: string): Observable<unknown> {
    return this.http.post(`/api/designs/${id}/opened`, {}).pipe(catchError(explain));
  }

  /** What was removed and can be had back. */
  bin(): Observable<RemovedDesign[]> {
    return this.http.get<RemovedDesign[]>('/api/bin').pipe(catchError(explain));
  }

  putBackDesign(id: string): Observable<unknown> {
    return this.http.post(`/api/bin/${id}/put-back`, {}).pipe(catchError(explain));
  }

  /** Removes what lies in the bin for good. */
  discard(id: string): Observable<unknown> {
    return this.http.delete(`/api/bin/${id}`).pipe(catchError(explain));
  }

  /** Keeps what was answered of a save, for the shelf. */
  answer(id: string, version: number, answers: ShelfAnswer[]): Observable<unknown> {
    return this.http
      .put(`/api/designs/${id}/answers`, { version, answers })
      .pipe(catchError(explain));
  }

  /**
   * Sends a file as it is: whether it is text is for the server to tell.
   *
   * @param acceptDoubts import even though some values are doubtful
   */
  import(file: Blob, acceptDoubts: boolean): Observable<StoredDesign> {
    const query = acceptDoubts ? '?accept=doubts' : '';
    return this.http
      .post<StoredDesign>(`/api/import${query}`, file, typed('application/json'))
      .pipe(catchError(explain));
  }

  /** Puts all designs of an archive on the shelf beside those that are there. */
  takeIn(archive: Blob): Observable<TakenIn> {
    return this.http
      .post<TakenIn>('/api/archive', archive, typed('application/zip'))
      .pipe(catchError(explain));
  }

  /** Puts a backup in the place of the whole shelf. */
  putBack(backup: Blob): Observable<unknown> {
    return this.http
      .post('/api/backup', backup, typed('application/vnd.sqlite3'))
      .pipe(catchError(explain));
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

const explain = (error: HttpErrorResponse): Observable<never> =>
  throwError(() => apiErrorOf(error));

const typed = (type: string): { headers: Record<string, string> } => ({
  headers: { 'Content-Type': type },
});
