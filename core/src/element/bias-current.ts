import type { System } from '../equations/index.js';
import { across, conductanceSlots, stampConductance, stampCurrent } from './two-terminal.js';

/** An input this far below the supply gives its full bias current, V. */
const knee = 0.5;

/**
 * The bias current out of an input stage, from the supply: i = I·tanh((Vs − V)/0.5 V), so that an input
 * that nothing else holds comes to rest at the supply.
 */
export function biasCurrent(system: System, supply: number, input: number) {
  const slots = conductanceSlots(system, supply, input);
  const at = (x: Float64Array, full: number): number =>
    full * Math.tanh(across(x, supply, input) / knee);
  return {
    at,
    load: (full: number): void => {
      const volts = across(system.x, supply, input);
      const t = Math.tanh(volts / knee);
      const slope = (full * (1 - t * t)) / knee;
      stampConductance(system, slots, slope);
      stampCurrent(system, supply, input, full * t - slope * volts);
    },
  };
}
