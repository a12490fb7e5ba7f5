import type { Switching } from './define-element.js';

/** What decides a device's mode; `x` is the solved guess. */
export interface ModeRules {
  /** Above 0 when the mode no longer fits. */
  event: (mode: number, x: Float64Array) => number;
  /** The mode to go to from one that does not fit. */
  next: (mode: number, x: Float64Array) => number;
  /** Time from the first event to the change, s; the change is given up when the event ceases before. */
  delay?: (mode: number) => number;
}

/** A mode that changes some time after it stopped fitting. */
export class DelayedSwitch implements Switching {
  mode: number;
  due = Infinity;
  private target: number;

  constructor(
    mode: number,
    private readonly rules: ModeRules,
    private readonly x: () => Float64Array,
  ) {
    this.mode = mode;
    this.target = mode;
  }

  event(x: Float64Array): number {
    const event = this.rules.event(this.mode, x);
    return this.target === this.mode ? event : -event;
  }

  transition(t: number): void {
    if (this.target !== this.mode) {
      if (t >= this.due) this.settle();
      else this.giveUp();
      return;
    }
    this.target = this.rules.next(this.mode, this.x());
    this.due = t + (this.rules.delay?.(this.mode) ?? 0);
    if (this.due <= t) this.settle();
  }

  settle(): void {
    this.mode = this.target;
    this.due = Infinity;
  }

  restore(mode: number): void {
    this.mode = mode;
    this.giveUp();
  }

  private giveUp(): void {
    this.target = this.mode;
    this.due = Infinity;
  }
}
