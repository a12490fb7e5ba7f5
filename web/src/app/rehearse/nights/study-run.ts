import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { type Design, type Scene, withoutAttachments } from '@yurei/core/design';
import type { StudySummary } from '@yurei/core/exchange';
import {
  casesOf,
  sampleTrial,
  withSampled,
  type Case,
  type KeptTrial,
  type Trial,
  type Study,
} from '@yurei/core/trials';
import { formatQuantity } from '@yurei/core/quantity';
import {
  bufferTime,
  catchError,
  defer,
  EMPTY,
  finalize,
  map,
  Observable,
  Subject,
  switchMap,
  takeUntil,
  tap,
} from 'rxjs';
import { TrialsRunner } from '../../bench/trials-runner';
import { reasonOf } from '../../data/answer';
import { BenchView } from '../../data/bench-view';
import { DesignSession } from '../../data/design-session';
import { Studies } from '../../data/studies';

/** What a study is of, and what it asks. */
export interface Asked {
  design: Design;
  scene: Scene;
  study: Study;
  cases: readonly Case[];
}

/** Who rehearses: the server, which keeps what comes of it, or this browser. */
export type Place = 'server' | 'browser';

type Fresh = { case: number; night: Trial | KeptTrial };

/** How often what was rehearsed is shown, ms: each time brings everything up to date. */
const showEvery = 250;

/** The study under way or looked at, with its nights as they come. */
@Injectable()
export class StudyRun {
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  private readonly runner = inject(TrialsRunner);
  private readonly studies = inject(Studies);

  readonly asked = signal<Asked | undefined>(undefined);
  /** By case, in the order of their seeds. */
  readonly nights = signal<readonly (readonly Trial[])[]>([]);
  readonly running = signal(false);
  readonly refused = signal('');
  readonly kept = signal<readonly StudySummary[]>([]);
  readonly done = computed(() => this.nights().reduce((sum, some) => sum + some.length, 0));
  readonly wanted = computed(() => {
    const asked = this.asked();
    return asked ? asked.cases.length * asked.study.count : 0;
  });
  readonly share = computed(() => (this.wanted() > 0 ? this.done() / this.wanted() : 0));
  readonly left = computed(() => {
    const share = this.share();
    if (share === 0) return '';
    const seconds = ((performance.now() - this.began) / 1000 / share) * (1 - share);
    return `about ${formatQuantity(Math.max(1, Math.round(seconds)), 's')} left`;
  });
  /** Whether the design has been changed since. */
  readonly stale = computed(() => {
    const [asked, now] = [this.asked(), this.session.design()];
    return asked !== undefined && now !== undefined && changed(asked.design, now);
  });

  /** Whether any of the nights is of the time when circuits were not yet followed in time. */
  readonly settled = computed(() =>
    this.nights().some((some) => some.some((n) => !n.circuit && n.trouble === undefined)),
  );

  private began = 0;
  /** The study that the server has under way. */
  private remote?: string;
  private readonly works = new Subject<Observable<readonly Fresh[]>>();
  private readonly cancelled = new Subject<void>();

  constructor() {
    this.works
      .pipe(
        switchMap((work) => this.follow(work)),
        takeUntilDestroyed(),
      )
      .subscribe();
  }

  /** Rehearses a study of the design as it is. */
  run(study: Study, place: Place): void {
    const design = this.session.design();
    // Reading sets do not matter here.
    const lean = design && withoutAttachments(design);
    if (!lean || !this.take(lean, study)) return;
    this.works.next(
      place === 'browser' ? this.runner.run(lean, study) : this.atServer(lean, study),
    );
  }

  /** Shows a study that the server has kept, or has under way. */
  open(id: string): void {
    this.cancel();
    const kept = defer(() => this.studies.get(id)).pipe(
      switchMap(({ document, study, state }) => {
        if (!this.take(document, study)) return EMPTY;
        if (state === 'running') this.remote = id;
        return this.studies.follow(id);
      }),
    );
    this.works.next(kept.pipe(map((told) => ('nights' in told ? told.nights : []))));
  }

  /** Ends what is under way; what was rehearsed until then is shown. */
  cancel(): void {
    const { remote } = this;
    this.remote = undefined;
    if (remote) void this.studies.cancel(remote).catch(() => undefined);
    this.cancelled.next();
  }

  async remove(id: string): Promise<void> {
    await this.studies.remove(id).catch((error: unknown) => this.refused.set(reasonOf(error)));
    await this.refresh();
  }

  /** What the server has kept; nothing while it cannot be reached. */
  async refresh(): Promise<void> {
    this.kept.set(await this.studies.list(this.session.id).catch(() => []));
  }

  /** Looks at one night in the Rehearse step. */
  lookAt(index: number, seed: number): void {
    const [asked, of] = [this.asked(), this.session.design()];
    const one = asked?.cases[index];
    if (!one || !of) return;
    const { design, corner, label } = one;
    const sampled = sampleTrial(design, asked.scene, asked.study.vary, seed, corner);
    const scenes = sampled.design.scenes.map((s) => (s.id === asked.scene.id ? sampled.scene : s));
    const known = scenes.some((s) => s.id === asked.scene.id);
    this.view.chooseScene(asked.scene.id);
    this.view.lookAt({
      label: `Night ${seed} of “${asked.scene.name}”${asked.cases.length > 1 ? `, ${label}` : ''}`,
      design: { ...sampled.design, scenes: known ? scenes : [...scenes, sampled.scene] },
      of,
    });
  }

  private take(design: Design, study: Study): boolean {
    const scene = design.scenes.find((s) => s.id === study.scene);
    if (!scene) return false;
    const cases = casesOf(design, study);
    this.asked.set({ design, scene, study, cases });
    this.nights.set(cases.map(() => []));
    return true;
  }

  private atServer(design: Design, study: Study): Observable<readonly Fresh[]> {
    return this.start(design, study).pipe(
      tap(({ id }) => (this.remote = id)),
      switchMap(({ id }) => this.studies.follow(id)),
      map((told) => {
        if ('nights' in told) return told.nights;
        if (told.ended === 'done') return [];
        throw new Error(told.ended === 'cancelled' ? 'Cancelled.' : 'Stopped.');
      }),
    );
  }

  /** Whoever no longer waits for the start leaves no study behind. */
  private start(design: Design, study: Study): Observable<StudySummary> {
    return new Observable((observer) => {
      this.studies.start(this.session.id, design, study).then(
        (started) => {
          if (observer.closed) void this.studies.cancel(started.id).catch(() => undefined);
          observer.next(started);
          observer.complete();
        },
        (error: unknown) => observer.error(error),
      );
    });
  }

  /** Shows nights as they come, and why no more of them do. */
  private follow(work: Observable<readonly Fresh[]>): Observable<unknown> {
    this.refused.set('');
    this.began = performance.now();
    this.running.set(true);
    const stop = this.cancelled.pipe(
      map((): never => {
        throw new Error('Cancelled.');
      }),
    );
    return work.pipe(
      takeUntil(stop),
      catchError((error: unknown) => {
        this.refused.set(`${reasonOf(error)} What was rehearsed until then is shown.`);
        return EMPTY;
      }),
      bufferTime(showEvery),
      tap((batches) => this.show(batches.flat())),
      finalize(() => {
        this.running.set(false);
        this.remote = undefined;
        void this.refresh();
      }),
    );
  }

  private show(fresh: readonly Fresh[]): void {
    const asked = this.asked();
    if (fresh.length === 0 || !asked) return;
    const complete = ({ case: index, night: trial }: Fresh): Trial => {
      if ('sampled' in trial) return trial;
      const one = asked.study.ask.for === 'nights' ? asked.cases[index] : undefined;
      return one ? withSampled(one, asked.scene, asked.study, trial) : { ...trial, sampled: {} };
    };
    this.nights.update((all) =>
      all.map((some, i) => {
        const own = fresh.filter((f) => f.case === i);
        return own.length === 0
          ? some
          : [...some, ...own.map(complete)].sort((a, b) => a.seed - b.seed);
      }),
    );
  }
}

/** Reading sets do not matter here. */
const changed = (one: Design, other: Design): boolean =>
  JSON.stringify(withoutAttachments(one)) !== JSON.stringify(withoutAttachments(other));
