import { kindOf, type PartKind, type SolvedPart } from '../catalog/index.js';
import type { Design, Scene } from '../design/index.js';
import { findHappeningKind, happeningSpan } from '../scene/index.js';
import { levelAt, type LogicState } from '../logic/index.js';
import type { PlayMark } from './mark.js';
import { formatQuantity } from '../quantity/index.js';

/** A part of a solved circuit, by its id. */
export type SolvedOf = (part: string) => SolvedPart | undefined;

/** The controller whose supply is watched, if the design has one. */
export function supervised(design: Design): { id: string; kind: PartKind } | undefined {
  const controller = design.parts.find((part) => kindOf(part).brownOut);
  return controller && { id: controller.id, kind: kindOf(controller) };
}

/** Whether a controller's supply is below what its program runs on. */
export const isUnfed = ({ brownOut, inputs }: PartKind, solved: SolvedPart): boolean =>
  !!brownOut && !!inputs && inputs.supply(solved) < brownOut.below;

/** A stretch in which the controller did not run its program. */
export interface Outage {
  from: number;
  to: number;
  because: string;
  /** Whether its supply had gone. */
  unfed: boolean;
  /** Since when its pins are inputs; left out while a program only hangs. */
  loose?: number;
}

/** What the controller does at a moment: without supply or starting its pins are inputs, hung they stay as they are. */
export type Running = 'runs' | 'dark' | 'starting' | 'hung';

/** A supply that comes or goes does so within this time; just after it, it is looked at, s. */
const settles = 0.011;

/**
 * Tells when the controller runs: not while its supply is below its brown-out level or while it starts after that, and
 * not while its program hangs, until that has passed or the watchdog has reset it.
 */
export class Supervisor {
  readonly outages: Outage[] = [];
  /** Moments at which its running may change, in order. */
  private readonly moments: readonly number[];
  private readonly hangs: readonly { start: number; end: number }[];
  private readonly controller?: { id: string; kind: PartKind };
  private now: Running = 'runs';
  /** When it has started, or when it hung. */
  private since = 0;

  /** @param dead whether power only comes on as the scene begins */
  constructor(
    private readonly design: Design,
    scene: Scene,
    dead = false,
  ) {
    if (dead) this.now = 'dark';
    this.controller = supervised(design);
    this.hangs = scene.happenings
      .filter((h) => findHappeningKind(h.kind)?.hangs)
      .map(happeningSpan);
    const supplies = scene.happenings
      .filter((h) => findHappeningKind(h.kind)?.contributes?.supply)
      .map(happeningSpan);
    this.moments = [
      ...supplies.flatMap(({ start, end }) => [start + settles, end - settles, end]),
      ...this.hangs.flatMap(({ start, end }) => [start, start + this.watchdogTime, end]),
    ].sort((a, b) => a - b);
  }

  get running(): Running {
    return this.now;
  }

  /** How it stands, to go on from there. */
  get mark(): PlayMark['supervisor'] {
    return { now: this.now, since: this.since, outages: this.outages.map((o) => ({ ...o })) };
  }

  resume({ now, since, outages }: PlayMark['supervisor']): void {
    this.now = now;
    this.since = since;
    this.outages.push(...outages.map((o) => ({ ...o })));
  }

  /** When it must be looked at next after `t`. */
  next(t: number): number {
    const planned = this.moments.find((moment) => moment > t + 1e-9) ?? Infinity;
    const started = this.now === 'starting' ? this.since + this.startUp : Infinity;
    return Math.min(planned, started > t ? started : t + 1e-3);
  }

  /** What it does at a moment; `reset` when it has just begun to run its program anew. */
  look(t: number, solvedOf: SolvedOf): { running: Running; reset: boolean } {
    const before = this.now;
    const solved = this.controller && solvedOf(this.controller.id);
    this.now = this.after(before, t, solved);
    const reset = before === 'starting' && this.now === 'runs';
    if (before === 'runs' && this.now !== 'runs')
      this.outages.push({
        from: t,
        to: Infinity,
        because: this.because(solved),
        unfed: this.now === 'dark',
      });
    const [last] = this.outages.slice(-1);
    if (last && this.now !== 'runs' && this.now !== 'hung') last.loose ??= t;
    if (last && before !== 'runs' && this.now === 'runs') last.to = t;
    return { running: this.now, reset };
  }

  private after(now: Running, t: number, solved: SolvedPart | undefined): Running {
    if (this.unfed(solved)) return 'dark';
    if (now === 'dark') return this.begin('starting', t);
    if (now === 'starting') return t >= this.since + this.startUp - 1e-9 ? 'runs' : now;
    const hang = this.hangs.find(({ start, end }) => t >= start - 1e-9 && t < end - 1e-9);
    if (now === 'hung') {
      if (!hang) return 'runs';
      return t >= this.since + this.watchdogTime - 1e-9 ? this.begin('starting', t) : now;
    }
    // What the watchdog has ended does not come again.
    const ended = hang && t >= hang.start + this.watchdogTime - 1e-9;
    return hang && !ended ? this.begin('hung', t) : 'runs';
  }

  private begin(running: Running, t: number): Running {
    this.since = t;
    return running;
  }

  private unfed(solved: SolvedPart | undefined): boolean {
    return !!solved && !!this.controller && isUnfed(this.controller.kind, solved);
  }

  private because(solved: SolvedPart | undefined): string {
    const { brownOut, inputs } = this.controller?.kind ?? {};
    if (this.now !== 'dark' || !solved || !brownOut || !inputs) return 'its program hung';
    return `its supply fell to ${formatQuantity(inputs.supply(solved), 'V')}; it runs from ${formatQuantity(brownOut.below, 'V')}`;
  }

  /** How long the watchdog waits. */
  private get watchdogTime(): number {
    return this.design.controller.watchdog ?? Infinity;
  }

  private get startUp(): number {
    return this.controller?.kind.brownOut?.starts ?? 0;
  }
}

/** A program that hangs: what fades stays where it is. */
export const stoodStill = (design: Design, logic: LogicState, t: number): LogicState => ({
  ...logic,
  outputs: Object.fromEntries(
    design.outputs.flatMap((output) => {
      const { id } = output;
      const state = logic.outputs[id];
      if (!state) return [];
      const level = levelAt(output, state, t);
      return [[id, { ...state, level, target: level, at: t }]];
    }),
  ),
});
