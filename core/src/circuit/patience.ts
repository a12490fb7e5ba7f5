/** A pace that is let pass: so many steps take at least so long, s. */
export interface Pace {
  steps: number;
  within: number;
}

/** Watches how far steps lead: at a pace that leads nowhere there is no sense in going on. */
export class Patience {
  private since = { t: 0, steps: 0 };

  constructor(private readonly pace: Pace) {}

  /** Counts anew from here: what made it slow is over. */
  renew(t: number, steps: number): void {
    this.since = { t, steps };
  }

  /** Whether the last steps led nowhere; `t` after so many `steps` in all. */
  isOver(t: number, steps: number): boolean {
    if (steps < this.since.steps + this.pace.steps) return false;
    const isOver = t < this.since.t + this.pace.within;
    this.renew(t, steps);
    return isOver;
  }
}
