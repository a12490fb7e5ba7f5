import type { Circuit, PartValues, Solution } from '../circuit/index.js';
import type { Pulses } from './pulses.js';

/** What a circuit in time tells of itself. */
export class ToldSolution {
  /** What was told last: it stands until dimmed outputs have a mean. */
  private shown?: Solution;

  /**
   * @param named gives nets the names that they have in the design
   * @param averaged parts of which means are told while outputs are dimmed
   */
  constructor(
    private readonly circuit: Circuit,
    private readonly named: (nets: Solution['nets']) => Solution['nets'],
    readonly averaged: ReadonlyMap<string, PartValues>,
  ) {}

  /** How it stands; while pins are pulsed, the mean over a period. */
  of(pulses: Pulses | undefined): Solution {
    return (this.shown = this.told(pulses));
  }

  private told(pulses: Pulses | undefined): Solution {
    const { meanX } = pulses ?? {};
    if (!meanX) return (pulses && this.shown) ?? this.asItStands();
    const { x } = this.circuit.network.system;
    const now = x.slice();
    x.set(meanX);
    const solution = this.asItStands();
    x.set(now);
    const means = [...this.averaged.keys()].flatMap((id) => {
      const mean = pulses?.mean(id);
      return mean ? [[id, mean] as const] : [];
    });
    return { ...solution, parts: { ...solution.parts, ...Object.fromEntries(means) } };
  }

  private asItStands(): Solution {
    const solution = this.circuit.present();
    return { ...solution, nets: this.named(solution.nets) };
  }
}
