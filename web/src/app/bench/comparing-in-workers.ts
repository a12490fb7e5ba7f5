import { Injectable } from '@angular/core';
import type { Design } from '@yurei/core/design';
import type { Candidate, Compared } from '@yurei/core/plan';
import type { Observable } from 'rxjs';
import type { Comparing } from './comparing';
import { inPool } from './pool';

@Injectable()
export class ComparingInWorkers implements Comparing {
  compare(design: Design, candidates: readonly Candidate[]): Observable<Compared> {
    return inPool(candidates.length, (bench, i) => bench.compare(design, candidates[i]));
  }
}
