import { computed, inject, Injectable, signal, untracked } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import type { Answer, Finding } from '@yurei/core/check';
import { type Design, type Scene, withoutAttachments } from '@yurei/core/design';
import type { RunDown } from '@yurei/core/lifetime';
import {
  asRecorded,
  indicates,
  oscillates,
  type Rehearsal,
  type Oscillation,
  type Snapshot,
} from '@yurei/core/rehearsal';
import {
  catchError,
  EMPTY,
  endWith,
  filter,
  from,
  map,
  merge,
  of,
  share,
  switchMap,
  takeUntil,
  tap,
  timer,
  type Observable,
} from 'rxjs';
import { BenchService } from '../bench/bench';
import type { Moment } from '../bench/bench-core';
import { inTurn, reasonOf } from './answer';
import { DesignSession } from './design-session';
import { rehearsals, type Planned, type Playing } from './rehearsals';

/** How long an edited design waits for its solved circuit before it is drawn without, ms. */
const drawAfter = 100;

interface Look extends Planned {
  moment: Moment | undefined;
}

/** A look that was solved. */
interface Solved extends Look {
  snapshot: Snapshot;
}

/** A night as it was drawn: the design with its scene, and the design it stands in for. */
export interface OneTrial {
  label: string;
  design: Design;
  of: Design;
}

interface Judgement extends Planned {
  rehearsal: Rehearsal | undefined;
  runDown: RunDown | undefined;
}

/** What was rehearsed, of what. */
export interface Rehearsed extends Planned {
  scene: string;
  rehearsal: Rehearsal;
}

/**
 * What the core says of the present design: the solved circuit at the time cursor, findings, answers
 * and the rehearsal of the chosen scene. All of it follows every edit by itself.
 */
@Injectable()
export class BenchView {
  private readonly session = inject(DesignSession);
  private readonly bench = inject(BenchService);

  private readonly chosenScene = signal<string | undefined>(undefined);
  /** The scene that is rehearsed: the chosen one, else the first. */
  readonly scene = computed((): Scene | undefined => {
    const scenes = this.session.design()?.scenes ?? [];
    return scenes.find((s) => s.id === this.chosenScene()) ?? scenes[0];
  });
  /** Seconds into the scene; undefined looks at the bench at rest. */
  readonly time = signal<number | undefined>(undefined);
  /** One night of many that is looked at in place of the scene as it is; the next edit ends it. */
  readonly night = signal<OneTrial | undefined>(undefined);
  /** The design that is looked at and rehearsed: as it is, or as it was drawn for a night. */
  readonly shown = computed(() => {
    const [trial, design] = [this.night(), this.session.design()];
    return trial && trial.of === design ? trial.design : design;
  });
  /** The scene as it is played. */
  readonly played = computed(() => this.shown()?.scenes.find((s) => s.id === this.scene()?.id));
  readonly snapshot = signal<Snapshot | undefined>(undefined);
  private readonly looked = signal<{ id: string; design: Design } | undefined>(undefined);
  /** The design as it is drawn: an edit and what it does to the circuit appear together. */
  readonly drawn = computed(() => {
    const [design, looked] = [this.session.design(), this.looked()];
    return looked?.id === this.session.id ? looked.design : design;
  });
  /** Frequency and duty by net name, where something swings at rest. */
  readonly oscillations = signal<Readonly<Record<string, Oscillation>>>({});
  private readonly playing = signal<Playing>({ rehearsing: false, following: false });
  readonly rehearsal = computed(() => this.playing().rehearsal);
  /** A rehearsal of the design as it is now is still being played. */
  readonly rehearsing = computed(() => this.playing().rehearsing);
  /** It is shown as settled; the circuit is being followed in time. */
  readonly following = computed(() => this.playing().following);
  /** Where and why the circuit could not be followed any further: then it is shown as settled. */
  readonly halted = computed(() => this.playing().halted);
  /** How batteries run down, and that this is still being followed. */
  readonly runDown = computed(() => this.playing().runDown);
  readonly runningDown = computed(() => this.playing().runningDown ?? false);
  /** The rehearsal of what is shown now; undefined until it has been played. */
  readonly rehearsed = computed((): Rehearsed | undefined => {
    const { of: plan, rehearsal, rehearsing } = this.playing();
    const { design, scene } = plan ?? {};
    return !rehearsing && rehearsal && design && scene && design === this.shown()
      ? { design, scene, rehearsal }
      : undefined;
  });
  readonly findings = signal<Finding[]>([]);
  readonly answers = signal<Answer[]>([]);
  /** What kept the core from computing. */
  readonly trouble = signal('');
  /** Whether something fires: a part acts that does not only indicate. */
  readonly anythingActs = computed(() => {
    const shows = new Set((this.session.design()?.parts ?? []).filter(indicates).map((p) => p.id));
    return Object.entries(this.snapshot()?.acting ?? {}).some(
      ([part, { active }]) => active && !shows.has(part),
    );
  });

  private readonly plan = computed((): Planned | undefined => {
    const design = this.shown();
    return design && { design, scene: this.scene()?.id };
  });
  private readonly moment = computed((): Moment | undefined => {
    const [t, rehearsal] = [this.time(), this.rehearsal()];
    return t === undefined || !rehearsal
      ? undefined
      : { t, logic: rehearsal.logic, outages: rehearsal.outages, asleep: rehearsal.asleep };
  });

  constructor() {
    this.solve();
    rehearsals(
      this.bench,
      this.changesOf(() => this.plan()),
    )
      .pipe(takeUntilDestroyed())
      .subscribe((playing) => {
        this.playing.set(playing);
        if (playing.trouble !== undefined) this.trouble.set(playing.trouble);
      });
    this.changesOf((): Judgement | undefined => {
      const design = this.session.design();
      const rehearsal = this.rehearsing() ? undefined : this.rehearsal();
      return design && { design, scene: this.scene()?.id, rehearsal, runDown: this.runDown() };
    })
      .pipe(
        inTurn((job) => this.judge(job)),
        takeUntilDestroyed(),
      )
      .subscribe();
  }

  /** Looks at one night of many; nothing looks at the scene as it is again. */
  lookAt(trial: OneTrial | undefined): void {
    this.time.set(undefined);
    this.night.set(trial);
  }

  chooseScene(id: string): void {
    this.night.set(undefined);
    this.chosenScene.set(id);
    this.time.set(undefined);
  }

  /** Moves the time cursor, kept within the scene. */
  moveTo(t: number | undefined): void {
    const duration = this.scene()?.duration ?? 0;
    this.time.set(t === undefined ? undefined : Math.min(duration, Math.max(0, t)));
  }

  /** What something is, each time it has changed and is there. */
  private changesOf<T>(what: () => T | undefined): Observable<T> {
    return toObservable(computed(what)).pipe(filter((it) => it !== undefined));
  }

  /** Solves the circuit at the time cursor, then looks closer at what was solved. */
  private solve(): void {
    const solved = this.changesOf((): Look | undefined => {
      const [plan, moment] = [this.plan(), this.moment()];
      return plan && { ...plan, moment };
    }).pipe(
      inTurn((job) => this.look(job)),
      share(),
    );
    solved.pipe(takeUntilDestroyed()).subscribe(({ snapshot, moment }) => {
      const rehearsal = moment && untracked(this.rehearsal);
      this.snapshot.set(rehearsal ? asRecorded(snapshot, rehearsal) : snapshot);
      this.trouble.set('');
    });
    // Moments of a rehearsal in time, whole: they come later than what was taken down of them.
    solved
      .pipe(
        filter(({ moment }) => moment !== undefined && this.rehearsal()?.circuit === 'in time'),
        inTurn((job) => this.lookInTime(job)),
        takeUntilDestroyed(),
      )
      .subscribe((snapshot) => this.snapshot.set(snapshot));
    solved
      .pipe(
        switchMap((job) => this.listen(job)),
        takeUntilDestroyed(),
      )
      .subscribe((found) => this.oscillations.set(found));
  }

  private look(job: Look): Observable<Solved> {
    const { design, scene, moment } = job;
    const { id } = this.session;
    const draw = (): void => this.looked.set({ id, design });
    const solved = from(this.bench.quick.look(withoutAttachments(design), scene, moment)).pipe(
      map((snapshot) => ({ ...job, snapshot })),
      catchError((error: unknown) => {
        this.trouble.set(reasonOf(error));
        return EMPTY;
      }),
      filter(() => id === this.session.id),
      tap({ finalize: draw }),
      share(),
    );
    const late = timer(drawAfter).pipe(
      tap(draw),
      switchMap(() => EMPTY),
      takeUntil(solved.pipe(endWith(undefined))),
    );
    return merge(solved, late);
  }

  /** The same moment with all its currents, unless something else is looked at by then. */
  private lookInTime({ design, scene, moment }: Look): Observable<Snapshot> {
    const isShown = (): boolean =>
      moment !== undefined && this.moment()?.t === moment.t && this.shown() === design;
    if (!isShown() || !moment || scene === undefined) return EMPTY;
    return from(this.bench.moments.moment(withoutAttachments(design), scene, moment)).pipe(
      switchMap((found) => {
        const rehearsal = this.rehearsal();
        return found && rehearsal && isShown() ? of(asRecorded(found, rehearsal)) : EMPTY;
      }),
      catchError((error: unknown) => {
        this.trouble.set(reasonOf(error));
        return EMPTY;
      }),
    );
  }

  /** What swings at rest; nothing while a moment of a scene is shown. */
  private listen({
    design,
    snapshot,
    moment,
  }: Solved): Observable<Readonly<Record<string, Oscillation>>> {
    if (moment || !oscillates(design, snapshot)) return of({});
    const asked = this.bench.patient.oscillations(withoutAttachments(design), snapshot.stimulus);
    return from(asked).pipe(catchError(() => of({})));
  }

  /** Whether an answer is still being computed. */
  private isStill({ id }: Answer): boolean {
    const rehearsing = this.rehearsing() && ['notices', 'quiet', 'lasts'].includes(id);
    return rehearsing || (id === 'lasts' && this.runningDown());
  }

  private judge({ design, scene, rehearsal, runDown }: Judgement): Observable<unknown> {
    const asked = this.bench.quick.judge(withoutAttachments(design), scene, rehearsal, runDown);
    return from(asked).pipe(
      tap(({ findings, answers }) => {
        if (this.session.design() !== design) return;
        this.findings.set(findings);
        performance.mark('yurei-findings');
        const old = this.answers();
        // Until the new rehearsal is in, what the last one answered stays.
        this.answers.set(answers.map((a, i) => (this.isStill(a) ? (old[i] ?? a) : a)));
      }),
      catchError((error: unknown) => {
        this.trouble.set(reasonOf(error));
        return EMPTY;
      }),
    );
  }
}
