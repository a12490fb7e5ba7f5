import { kindOf } from '@yurei/core/catalog';
import { withoutAttachments, type Design } from '@yurei/core/design';
import type { RunDown } from '@yurei/core/lifetime';
import type { Rehearsal } from '@yurei/core/rehearsal';
import { isOnlyInTime } from '@yurei/core/scene';
import {
  catchError,
  concat,
  concatMap,
  defer,
  finalize,
  map,
  of,
  scan,
  startWith,
  switchMap,
  timer,
  type Observable,
} from 'rxjs';
import type { BenchService } from '../bench/bench';
import { reasonOf } from './answer';

/** How long after the last edit a rehearsal is played anew, ms. */
const rehearseAfter = 150;
/** The same when a design is opened: the picture comes first. */
const rehearseFirst = 400;

/** What is to be rehearsed. */
export interface Planned {
  design: Design;
  scene: string | undefined;
}

/** How far the rehearsal of a design has come. */
export interface Playing {
  /** What is rehearsed; what was found before may be of something else. */
  of?: Planned;
  rehearsal?: Rehearsal;
  /** It is still being played. */
  rehearsing: boolean;
  /** It is shown as settled; the circuit is being followed in time. */
  following: boolean;
  /** Where and why the circuit could not be followed any further: then it is shown as settled. */
  halted?: Rehearsal['halted'];
  /** How its batteries run down, where it has any; that they are being followed down. */
  runDown?: RunDown;
  runningDown?: boolean;
  /** What kept the core from computing. */
  trouble?: string;
}

type Step = Partial<Playing>;

/** Where every plan begins. */
const begun = {
  rehearsing: true,
  following: false,
  halted: undefined,
  runDown: undefined,
  runningDown: false,
};

/** Rehearses the newest plan: settled first, as that is quick, then in time. What was found before stays meanwhile. */
export const rehearsals = (
  bench: Pick<BenchService, 'patient' | 'timed'>,
  plans: Observable<Planned>,
): Observable<Playing> =>
  plans.pipe(
    switchMap((plan, i) =>
      timer(i === 0 ? rehearseFirst : rehearseAfter).pipe(
        switchMap(() => play(bench, plan)),
        startWith<Step>({ of: plan, ...begun }),
        finalize(() => bench.timed.cancel()),
      ),
    ),
    scan<Step, Playing>((before, step) => ({ ...before, trouble: undefined, ...step }), {
      rehearsing: false,
      following: false,
    }),
  );

function play(
  bench: Pick<BenchService, 'patient' | 'timed'>,
  { design, scene }: Planned,
): Observable<Step> {
  const lean = withoutAttachments(design);
  const settled = defer(() => bench.patient.rehearse(lean, scene)).pipe(
    map((rehearsal): Step => ({ rehearsal, rehearsing: false })),
    catchError((error: unknown) =>
      of<Step>({ rehearsal: undefined, rehearsing: false, trouble: reasonOf(error) }),
    ),
  );
  const inTime = defer(() => bench.timed.follow(lean, scene)).pipe(
    map((found): Step =>
      found && !found.halted
        ? { rehearsal: found, rehearsing: false, following: false }
        : { halted: found?.halted, following: false, runningDown: false },
    ),
    catchError((error: unknown) =>
      of<Step>({ following: false, runningDown: false, trouble: reasonOf(error) }),
    ),
  );
  const runDown = defer(() => bench.timed.runDown(lean, scene)).pipe(
    map((found): Step => ({ runDown: found, runningDown: false })),
    catchError((error: unknown) => of<Step>({ runningDown: false, trouble: reasonOf(error) })),
  );
  const stores = design.parts.some((part) => kindOf(part).store);
  // Where it could be followed, its batteries are followed down.
  const livedOn = concatMap((step: Step) =>
    step.rehearsal?.circuit === 'in time' && stores ? concat(of(step), runDown) : of(step),
  );
  const following = of<Step>({ following: true, runningDown: stores });
  const chosen = design.scenes.find((s) => s.id === scene);
  return chosen && isOnlyInTime(chosen)
    ? concat(following, inTime.pipe(orElse(settled), livedOn))
    : settled.pipe(
        switchMap((step) =>
          step.rehearsal ? concat(of(step), following, inTime.pipe(livedOn)) : of(step),
        ),
      );
}

/** Where no rehearsal came of it, the other way. */
const orElse =
  (other: Observable<Step>) =>
  (steps: Observable<Step>): Observable<Step> =>
    steps.pipe(switchMap((step) => (step.rehearsal ? of(step) : concat(of(step), other))));
