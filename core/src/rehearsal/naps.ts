import type { Stretch } from './log-query.js';

/** From when to when a controller slept. */
export class Naps {
  private readonly spans: Stretch[] = [];

  look(t: number, asleep: boolean): void {
    const last = this.spans.at(-1);
    if (asleep && last?.to !== Infinity) this.spans.push({ from: t, to: Infinity });
    else if (!asleep && last?.to === Infinity) last.to = t;
  }

  /** When it fell asleep last, s. */
  get last(): number {
    return this.spans.at(-1)?.from ?? NaN;
  }

  /** It sleeps in each of so many cycles from a moment on, so long after the beginning of each until its end. */
  repeat(from: number, asleep: number, period: number, times: number): void {
    for (let k = 0; k < times; k++) {
      const begins = from + k * period;
      this.spans.push({ from: begins + asleep, to: begins + period });
    }
  }

  until(end: number): Stretch[] {
    return this.spans.map(({ from, to }) => ({ from, to: Math.min(to, end) }));
  }
}
