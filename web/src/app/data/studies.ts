import { inject, Injectable } from '@angular/core';
import type { Design } from '@yurei/core/design';
import type { StoredDesign, StoredStudy, StudyState, StudySummary } from '@yurei/core/exchange';
import type { Study } from '@yurei/core/trials';
import { firstValueFrom, Observable } from 'rxjs';
import { Api } from './api';

/** A save of a design that can be gone back to. */
export type Save = Pick<StoredDesign, 'version' | 'savedAt'>;

/** What is told of a study under way. */
export type StudyTold = { nights: StoredStudy['nights'] } | { ended: StudyState };

/** Many nights rehearsed by the server, and kept there. */
@Injectable({ providedIn: 'root' })
export class Studies {
  private readonly api = inject(Api);

  start(id: string, design: Design, study: Study): Promise<StudySummary> {
    return firstValueFrom(this.api.startStudy(id, design, study));
  }

  list(id: string): Promise<StudySummary[]> {
    return firstValueFrom(this.api.studies(id));
  }

  get(study: string): Promise<StoredStudy> {
    return firstValueFrom(this.api.study(study));
  }

  cancel(study: string): Promise<unknown> {
    return firstValueFrom(this.api.cancelStudy(study));
  }

  remove(study: string): Promise<unknown> {
    return firstValueFrom(this.api.removeStudy(study));
  }

  saves(id: string): Promise<Save[]> {
    return firstValueFrom(this.api.revisions(id));
  }

  async save(id: string, version: number): Promise<Design> {
    return (await firstValueFrom(this.api.revision(id, version))).design;
  }

  /**
   * Nights as the server rehearses them, those done already first, then how it ended. It fails with the reason
   * when the study failed or the server is lost; what comes of the study is kept there.
   */
  follow(study: string): Observable<StudyTold> {
    return new Observable((observer) => {
      const source = new EventSource(`/api/studies/${study}/nights`);
      const told = (event: MessageEvent<string>): unknown => JSON.parse(event.data);
      source.addEventListener('nights', (event) =>
        observer.next({ nights: told(event) as StoredStudy['nights'] }),
      );
      source.addEventListener('end', (event) => {
        const { state, trouble } = told(event) as { state: StudyState; trouble?: string };
        if (state === 'failed') return observer.error(new Error(trouble ?? 'The study failed.'));
        observer.next({ ended: state });
        observer.complete();
      });
      source.addEventListener('error', () =>
        observer.error(new Error('The server was lost. What comes of the study is kept there.')),
      );
      return () => source.close();
    });
  }
}
