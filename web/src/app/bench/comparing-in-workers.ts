import { Injectable } from '@angular/core';
import type { Design, Edit } from '@yurei/core/design';
import type { Candidate, Compared, PowerCut } from '@yurei/core/plan';
import type { Observable } from 'rxjs';
import type { Comparing, Weighed } from './comparing';
import { eachInPool, inPool } from './pool';

@Injectable()
export class ComparingInWorkers implements Comparing {
  compare(design: Design, candidates: readonly Candidate[]): Observable<Compared> {
    return eachInPool(candidates, (bench, candidate) => bench.compare(design, candidate));
  }

  weigh(design: Design, edits: readonly (Edit | undefined)[]): Observable<Weighed> {
    return eachInPool(edits, async (bench, edit, which) => ({
      which,
      ...(await bench.weigh(design, edit)),
    }));
  }

  cut(design: Design, scene: string | undefined): Observable<PowerCut> {
    return inPool(1, (bench) => bench.powerCut(design, scene));
  }
}
