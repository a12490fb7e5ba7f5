import type { SolvedPart, Stimulus } from '../catalog/index.js';
import type { Solution } from '../circuit/index.js';
import type { Scene } from '../design/index.js';
import type { LogicState } from '../logic/index.js';
import type { Course } from './course.js';
import type { Rig } from './rig.js';

/** The circuit at its operating point at each moment: nothing in it takes time. */
export class SettledCourse implements Course {
  readonly halt = undefined;
  readonly settled = true;
  readonly settledUntil = Infinity;
  private solution?: Solution;

  constructor(
    private readonly rig: Rig,
    private readonly scene: Scene,
  ) {}

  get modes(): number[] {
    return this.rig.modes;
  }

  /** Nothing turns by itself between two moments. */
  go(t: number): number {
    return t;
  }

  /** Phases are none of its business: what sleeping saves is taken off its power. */
  ends(): number {
    return Infinity;
  }

  at(t: number, logic: LogicState, driven: boolean): void {
    this.solution = this.rig.settle(this.scene, t, logic, driven);
  }

  present(): Solution {
    if (!this.solution) throw new RangeError('A circuit was asked for before any moment.');
    return this.solution;
  }

  solvedNow(part: string): SolvedPart | undefined {
    return this.present().parts[part];
  }

  stimulusOf(part: string): Stimulus {
    return this.rig.stimulusOf(part);
  }

  exact(): ReadonlyMap<string, number> {
    return this.rig.readings.exact(this.present());
  }

  perceivedBy(part: string): Partial<Stimulus> | undefined {
    return this.rig.perceivedBy(part);
  }

  hasSameStimuliAt(times: readonly number[]): boolean {
    return this.rig.hasSameStimuliAt(this.scene, times);
  }
}
