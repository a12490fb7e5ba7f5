import { inject, Injectable } from '@angular/core';
import type { Design } from '@yurei/core/design';
import type { StoredDesign, StoredStudy, StudyState, StudySummary } from '@yurei/core/exchange';
import type { Study } from '@yurei/core/nights';
import { firstValueFrom } from 'rxjs';
import { Api } from './api';

/** A save of a design that can be gone back to. */
export type Save = Pick<StoredDesign, 'version' | 'savedAt'>;

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
   * Is told of nights as the server rehearses them, those done already first.
   *
   * @throws Error when the server is lost; what comes of the study is kept there
   */
  follow(study: string, onNights: (nights: StoredStudy['nights']) => void): Promise<StudyState> {
    return new Promise((resolve, reject) => {
      const source = new EventSource(`/api/studies/${study}/nights`);
      source.addEventListener('nights', (event) => onNights(JSON.parse(event.data as string)));
      source.addEventListener('end', (event) => {
        source.close();
        const { state, trouble } = JSON.parse(event.data as string) as {
          state: StudyState;
          trouble?: string;
        };
        if (state === 'failed') reject(new Error(trouble ?? 'The study failed.'));
        else resolve(state);
      });
      source.addEventListener('error', () => {
        source.close();
        reject(new Error('The server was lost. What comes of the study is kept there.'));
      });
    });
  }
}
