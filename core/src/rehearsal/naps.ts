import type { Stretch } from './log-query.js';

/** From when to when a controller slept. */
export class Naps {
  private readonly spans: Stretch[] = [];

  look(t: number, asleep: boolean): void {
    const last = this.spans.at(-1);
    if (asleep && last?.to !== Infinity) this.spans.push({ from: t, to: Infinity });
    else if (!asleep && last?.to === Infinity) last.to = t;
  }

  until(end: number): Stretch[] {
    return this.spans.map(({ from, to }) => ({ from, to: Math.min(to, end) }));
  }
}
