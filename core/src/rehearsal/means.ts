import type { SolvedPart } from '../catalog/index.js';
import type { Network, PartValues } from '../circuit/index.js';

/** Means over a period, by trapezia between steps. */
export class Means {
  /** Of the last whole period. */
  x?: Float64Array;
  private readonly parts = new Map<string, SolvedPart>();
  private last = new Float64Array(0);
  private sum = new Float64Array(0);
  private readonly running: { id: string; values: PartValues; last: number[]; sum: number[] }[];

  constructor(
    private readonly network: Network,
    values: ReadonlyMap<string, PartValues>,
  ) {
    this.running = [...values].map(([id, of]) => ({ id, values: of, last: [], sum: [] }));
  }

  begin(): void {
    this.sum = new Float64Array(this.network.system.x.length);
    for (const part of this.running) part.sum = flat(part.values).map(() => 0);
    this.jump();
  }

  jump(): void {
    this.last = this.network.system.x.slice();
    for (const part of this.running) part.last = flat(part.values.update());
  }

  add(h: number): void {
    const { sum, last } = this;
    const { x } = this.network.system;
    for (let i = 0; i < x.length; i++) sum[i] += ((last[i] + x[i]) / 2) * h;
    last.set(x);
    for (const part of this.running) {
      const now = flat(part.values.update());
      now.forEach((value, i) => (part.sum[i] += ((part.last[i] + value) / 2) * h));
      part.last = now;
    }
  }

  close(period: number): void {
    this.x = this.sum.map((value) => value / period);
    for (const { id, values, sum } of this.running) {
      const names = Object.keys(values.volts);
      const named = (from: number): Record<string, number> =>
        Object.fromEntries(names.map((name, i) => [name, sum[from + i] / period]));
      const watts = sum[2 * names.length] / period;
      this.parts.set(id, { volts: named(0), amps: named(names.length), watts });
    }
  }

  of(part: string): SolvedPart | undefined {
    return this.parts.get(part);
  }
}

/** Volts, then amps, then watts of a part. */
const flat = ({ volts, amps, watts }: PartValues): number[] => [
  ...Object.values(volts),
  ...Object.values(amps),
  watts,
];
