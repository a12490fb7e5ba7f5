import { Injectable } from '@angular/core';
import type { Design, Edit } from '@yurei/core/design';
import type { Candidate, Compared, PowerCut } from '@yurei/core/plan';
import type { Observable } from 'rxjs';
import type { Comparing, Weighed } from './comparing';
import { inPool } from './pool';

@Injectable()
export class ComparingInWorkers implements Comparing {
  compare(design: Design, candidates: readonly Candidate[]): Observable<Compared> {
    return inPool(candidates.length, (bench, [i]) => bench.compare(design, candidates[i]));
  }

  weigh(design: Design, edits: readonly (Edit | undefined)[]): Observable<Weighed> {
    return inPool(edits.length, async (bench, [which]) => ({
      which,
      ...(await bench.weigh(design, edits[which])),
    }));
  }

  cut(design: Design, scene: string | undefined): Observable<PowerCut> {
    return inPool(1, (bench) => bench.powerCut(design, scene));
  }
}
