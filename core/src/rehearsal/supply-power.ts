import { kindOf, paramsOf } from '../catalog/index.js';
import type { Circuit, PartPeaks, Solution } from '../circuit/index.js';
import type { Design, Part } from '../design/index.js';
import { outputDuty, type LogicState } from '../logic/index.js';
import { isSource } from '../wiring/index.js';
import { turnPins } from './pin-states.js';

/** What sources give in a solution, what a sleeping controller saves of it, and what each output draws, W. */
interface Power {
  all: number;
  sleep: number;
  by: number[];
}

/** Power that the sources of a design give, W, worked out once for each solution. */
export class SupplyPower {
  private readonly known = new WeakMap<Solution, Power>();

  constructor(
    private readonly design: Design,
    private readonly circuit: Circuit,
  ) {}

  /**
   * Power that all sources give, W. An output that is dimmed is on and off in turn: it counts by its share of the time,
   * each as if it were the only one. The circuit must stand as it was solved.
   *
   * @param on which outputs are on in the solution, in the design's order
   */
  watts(solution: Solution, logic: LogicState, t: number, on: readonly boolean[]): number {
    const power = this.powerIn(solution);
    const dimmed = this.design.outputs.reduce((sum, output, i) => {
      const duty = outputDuty(logic, output, t);
      if (!(duty > 0 && duty < 1)) return sum;
      power.by[i] ??= power.all - this.without(i, on);
      return sum + (1 - duty) * power.by[i];
    }, 0);
    return Math.max(0, power.all - dimmed - (logic.awake.asleep ? power.sleep : 0));
  }

  private powerIn(solution: Solution): Power {
    let power = this.known.get(solution);
    if (!power) {
      power = {
        all: givenWatts(this.design, solution),
        sleep: sleepSaves(this.design, solution),
        by: [],
      };
      this.known.set(solution, power);
    }
    return power;
  }

  /** Power with one output off and all else as it stands; everything is put back afterwards. */
  private without(output: number, on: readonly boolean[]): number {
    const { network } = this.circuit;
    const memory = network.remember();
    const off = on.map((is, i) => is && i !== output);
    turnPins(this.design, this.circuit, off);
    const watts = givenWatts(this.design, this.circuit.solve());
    turnPins(this.design, this.circuit, on);
    network.recall(memory);
    return watts;
  }
}

/** Power that all sources of a solved circuit together give, W; what one takes from another is not given. */
export const givenWatts = ({ parts }: Design, solution: Solution): number =>
  parts.filter(isSource).reduce((sum, { id }) => sum - (solution.parts[id]?.watts ?? 0), 0);

/** The same of the energy that parts have taken, J. */
export const givenEnergy = ({ parts }: Design, taken: readonly PartPeaks[]): number =>
  parts
    .filter(isSource)
    .reduce((sum, { id }) => sum - (taken.find((p) => p.part === id)?.energy ?? 0), 0);

/**
 * What a sleeping controller draws less than an awake one, W at its own supply: what a regulator before it takes of
 * that is not counted.
 */
function sleepSaves(design: Design, solution: Solution): number {
  return design.parts.reduce((sum, part) => sum + savedBy(part, solution), 0);
}

function savedBy(part: Part, solution: Solution): number {
  const { stage, phases = [], terminals, now } = kindOf(part);
  const solved = solution.parts[part.id];
  const asleep = phases.find((p) => p.asleep);
  const params = paramsOf(part);
  const awake = phases.find((p) => p.label === now?.(params)) ?? phases[0];
  if (stage !== 'decides' || !asleep || !awake || !solved) return 0;
  const supply = Math.max(
    0,
    ...terminals.filter((t) => t.role === 'supply-in').map((t) => solved.volts[t.id] ?? 0),
  );
  return Math.max(0, awake.amps(params) - asleep.amps(params)) * supply;
}
