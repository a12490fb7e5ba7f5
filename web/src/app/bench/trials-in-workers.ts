import { Injectable } from '@angular/core';
import type { Design } from '@yurei/core/design';
import { casesOf, type CaseTrial, type Study } from '@yurei/core/trials';
import type { Observable } from 'rxjs';
import { inPool } from './pool';
import type { TrialsRunner } from './trials-runner';

/** Nights that a worker takes at once. */
const atOnce = 2;

@Injectable()
export class TrialsInWorkers implements TrialsRunner {
  run(design: Design, study: Study): Observable<CaseTrial[]> {
    const cases = casesOf(design, study).length;
    const portions = Math.ceil(study.count / atOnce) * cases;
    return inPool(portions, (bench, portion) => {
      const from = Math.floor(portion / cases) * atOnce;
      const length = Math.min(atOnce, study.count - from);
      const seeds = Array.from({ length }, (_, i) => study.first + from + i);
      return bench.nights(design, study, portion % cases, seeds);
    });
  }
}
