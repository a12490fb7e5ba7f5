import type { Stretch } from './log-query.js';

/** From when to when a controller slept. */
export class Naps {
  private readonly spans: Stretch[] = [];

  look(t: number, asleep: boolean): void {
    const last = this.spans.at(-1);
    if (asleep && last?.to !== Infinity) this.spans.push({ from: t, to: Infinity });
    else if (!asleep && last?.to === Infinity) last.to = t;
  }

  /** What it slept since a moment it sleeps again in each of the cycles that follow. */
  repeat(from: number, period: number, times: number): void {
    const last = this.spans.filter((s) => s.from >= from);
    for (let k = 1; k <= times; k++)
      this.spans.push(...last.map((s) => ({ from: s.from + k * period, to: s.to + k * period })));
  }

  until(end: number): Stretch[] {
    return this.spans.map(({ from, to }) => ({ from, to: Math.min(to, end) }));
  }
}
