import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import type { Answer, Finding } from '@yurei/core/check';
import { type Design, type Scene, withoutReadings } from '@yurei/core/design';
import {
  asRecorded,
  indicates,
  oscillates,
  type Rehearsal,
  type Oscillation,
  type Snapshot,
} from '@yurei/core/rehearsal';
import { isOnlyInTime } from '@yurei/core/scene';
import { BenchService } from '../bench/bench';
import type { Moment } from '../bench/bench-core';
import { DesignSession } from './design-session';
import { Newest } from './newest';

/** How long after the last edit a rehearsal is played anew, ms. */
const rehearseAfter = 150;
/** The same when a design is opened: the picture comes first. */
const rehearseFirst = 400;
/** How long an edited design waits for its solved circuit before it is drawn without, ms. */
const drawAfter = 100;

interface Look {
  design: Design;
  scene: string | undefined;
  moment: Moment | undefined;
}

/** A night as it was drawn: the design with its scene, and the design it stands in for. */
export interface OneNight {
  label: string;
  design: Design;
  of: Design;
}

interface Judgement {
  design: Design;
  scene: string | undefined;
  rehearsal: Rehearsal | undefined;
}

/**
 * What the core says of the present design: the solved circuit at the time cursor, findings, answers
 * and the rehearsal of the chosen scene. All of it follows every edit by itself.
 */
@Injectable()
export class BenchView {
  private readonly session = inject(DesignSession);
  private readonly bench = inject(BenchService);
  private readonly looks = new Newest<Look>((job) => this.look(job));
  /** Moments of a rehearsal in time, whole: they come later than what was taken down of them. */
  private readonly moments = new Newest<Look>((job) => this.lookInTime(job));
  private readonly judgements = new Newest<Judgement>((job) => this.judge(job));
  private listenTurn = 0;
  private rehearseTurn = 0;
  private timer?: ReturnType<typeof setTimeout>;

  private readonly chosenScene = signal<string | undefined>(undefined);
  /** The scene that is rehearsed: the chosen one, else the first. */
  readonly scene = computed((): Scene | undefined => {
    const scenes = this.session.design()?.scenes ?? [];
    return scenes.find((s) => s.id === this.chosenScene()) ?? scenes[0];
  });
  /** Seconds into the scene; undefined looks at the bench at rest. */
  readonly time = signal<number | undefined>(undefined);
  /** One night of many that is looked at in place of the scene as it is; the next edit ends it. */
  readonly night = signal<OneNight | undefined>(undefined);
  /** The design that is looked at and rehearsed: as it is, or as it was drawn for a night. */
  readonly shown = computed(() => {
    const [night, design] = [this.night(), this.session.design()];
    return night && night.of === design ? night.design : design;
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
  readonly rehearsal = signal<Rehearsal | undefined>(undefined);
  /** A rehearsal of the design as it is now is still being played. */
  readonly rehearsing = signal(false);
  /** It is shown as settled; the circuit is being followed in time. */
  readonly following = signal(false);
  /** Where and why the circuit could not be followed any further: then it is shown as settled. */
  readonly halted = signal<Rehearsal['halted']>(undefined);
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

  constructor() {
    effect(() => {
      const design = this.shown();
      const scene = this.scene()?.id;
      const moment = this.moment();
      if (design) void this.looks.take({ design, scene, moment });
    });
    effect(() => {
      const design = this.shown();
      const scene = this.scene()?.id;
      if (design) untracked(() => this.scheduleRehearsal(design, scene));
    });
    effect(() => {
      const design = this.session.design();
      const rehearsal = this.rehearsing() ? undefined : this.rehearsal();
      if (design) void this.judgements.take({ design, scene: this.scene()?.id, rehearsal });
    });
  }

  /** Looks at one night of many; nothing looks at the scene as it is again. */
  lookAt(night: OneNight | undefined): void {
    this.time.set(undefined);
    this.night.set(night);
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

  private readonly moment = computed((): Moment | undefined => {
    const t = this.time();
    const rehearsal = this.rehearsal();
    return t === undefined || !rehearsal
      ? undefined
      : { t, logic: rehearsal.logic, outages: rehearsal.outages, asleep: rehearsal.asleep };
  });

  private async look({ design, scene, moment }: Look): Promise<void> {
    const { id } = this.session;
    const late = setTimeout(() => this.looked.set({ id, design }), drawAfter);
    try {
      const snapshot = await this.bench.quick.look(withoutReadings(design), scene, moment);
      if (id !== this.session.id) return;
      const rehearsal = moment && untracked(this.rehearsal);
      this.snapshot.set(rehearsal ? asRecorded(snapshot, rehearsal) : snapshot);
      if (rehearsal?.circuit === 'in time') void this.moments.take({ design, scene, moment });
      this.trouble.set('');
      void this.listen(moment ? undefined : { design, snapshot });
    } catch (error) {
      this.trouble.set(reasonOf(error));
    } finally {
      clearTimeout(late);
      this.looked.set({ id, design });
    }
  }

  /** The same moment with all its currents, unless something else is looked at by then. */
  private async lookInTime({ design, scene, moment }: Look): Promise<void> {
    const isShown = (): boolean => moment !== undefined && untracked(this.moment)?.t === moment.t;
    if (!isShown() || !moment || scene === undefined) return;
    try {
      const found = await this.bench.moments.moment(withoutReadings(design), scene, moment);
      const rehearsal = untracked(this.rehearsal);
      if (found && rehearsal && isShown() && untracked(this.shown) === design)
        this.snapshot.set(asRecorded(found, rehearsal));
    } catch (error) {
      this.trouble.set(reasonOf(error));
    }
  }

  /** What swings at rest; nothing while a moment of a scene is shown. */
  private async listen(rest?: { design: Design; snapshot: Snapshot }): Promise<void> {
    const turn = ++this.listenTurn;
    const oscillating = rest && oscillates(rest.design, rest.snapshot);
    const { patient } = this.bench;
    const found = oscillating
      ? await patient.oscillations(withoutReadings(rest.design), rest.snapshot.stimulus)
      : {};
    if (turn === this.listenTurn) this.oscillations.set(found);
  }

  private scheduleRehearsal(design: Design, scene: string | undefined): void {
    this.rehearsing.set(true);
    this.following.set(false);
    this.halted.set(undefined);
    this.bench.timed.cancel();
    clearTimeout(this.timer);
    const turn = ++this.rehearseTurn;
    const delay = this.rehearsal() ? rehearseAfter : rehearseFirst;
    this.timer = setTimeout(() => void this.play(turn, design, scene), delay);
  }

  private async play(turn: number, design: Design, scene: string | undefined): Promise<void> {
    try {
      const chosen = design.scenes.find((s) => s.id === scene);
      if (chosen && isOnlyInTime(chosen) && (await this.follow(turn, design, scene))) return;
      if (turn !== this.rehearseTurn) return;
      const rehearsal = await this.bench.patient.rehearse(withoutReadings(design), scene);
      if (turn !== this.rehearseTurn) return;
      this.rehearsal.set(rehearsal);
      if (rehearsal && !this.halted()) void this.follow(turn, design, scene);
    } catch (error) {
      if (turn === this.rehearseTurn) {
        this.rehearsal.set(undefined);
        this.trouble.set(reasonOf(error));
      }
    } finally {
      if (turn === this.rehearseTurn) this.rehearsing.set(false);
    }
  }

  /** The same in time, which takes longer: shown when it is there; whether it is. */
  private async follow(turn: number, design: Design, scene: string | undefined): Promise<boolean> {
    this.following.set(true);
    try {
      const followed = await this.bench.timed.follow(withoutReadings(design), scene);
      if (turn !== this.rehearseTurn) return false;
      this.halted.set(followed?.halted);
      if (!followed || followed.halted) return false;
      this.rehearsal.set(followed);
      return true;
    } catch (error) {
      if (turn === this.rehearseTurn) this.trouble.set(reasonOf(error));
      return false;
    } finally {
      if (turn === this.rehearseTurn) this.following.set(false);
    }
  }

  private async judge({ design, scene, rehearsal }: Judgement): Promise<void> {
    const { findings, answers } = await this.bench.quick.judge(
      withoutReadings(design),
      scene,
      rehearsal,
    );
    if (this.session.design() !== design) return;
    this.findings.set(findings);
    performance.mark('yurei-findings');
    const old = untracked(this.answers);
    // Until the new rehearsal is in, what the last one answered stays.
    this.answers.set(answers.map((a, i) => (this.rehearsing() && i < 2 ? (old[i] ?? a) : a)));
  }
}

const reasonOf = (error: unknown): string =>
  error instanceof Error ? error.message : String(error);
