import type { DeviceFactory } from './device.js';
import { stampCurrent } from './two-terminal.js';

/** An ideal current from one node through itself into another. */
export const currentSource: DeviceFactory<'current-source'> = (element, node, system) => {
  const from = node(element.from);
  const to = node(element.to);
  let amps = element.amps;
  return {
    nodes: [from, to],
    set: (next) => (amps = next.amps),
    load: () => stampCurrent(system, from, to, amps * system.sourceScale),
    currents: (_x, out) => {
      out[0] = amps;
      out[1] = -amps;
    },
  };
};
