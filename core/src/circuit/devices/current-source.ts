import type { DeviceFactory } from './device.js';
import { stampCurrent } from './two-terminal.js';
import { waveAt, waveCorner } from './waveform.js';

/** An ideal current from one node through itself into another. */
export const currentSource: DeviceFactory<'current-source'> = (element, node, system) => {
  const from = node(element.from);
  const to = node(element.to);
  let present = element;
  const amps = (): number =>
    (present.wave ? waveAt(present.wave, system.time) : present.amps) * system.sourceScale;
  return {
    nodes: [from, to],
    linear: true,
    set: (next) => (present = next),
    load: () => stampCurrent(system, from, to, amps()),
    currents: (_x, out) => {
      out[0] = amps();
      out[1] = -out[0];
    },
    nextCorner: (t) => (present.wave ? waveCorner(present.wave, t) : Infinity),
  };
};
