import { Injectable } from '@angular/core';
import type { Design } from '@yurei/core/design';
import { casesOf, type CaseTrial, type Study } from '@yurei/core/trials';
import type { Observable } from 'rxjs';
import { inPool } from './pool';
import type { TrialsRunner } from './trials-runner';

/** Most nights that a worker takes together. */
const atOnce = 32;

@Injectable()
export class TrialsInWorkers implements TrialsRunner {
  run(design: Design, study: Study): Observable<CaseTrial[]> {
    const all = casesOf(design, study).length * study.count;
    return inPool(all, (bench, numbers) => bench.nights(design, study, numbers), { atOnce });
  }
}
