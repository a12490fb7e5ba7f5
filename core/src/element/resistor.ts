import { thermalNoise } from './noise.js';
import { defineElement, type DeviceFactory } from './define-element.js';
import { across, conductanceSlots, stampConductance } from './two-terminal.js';

export interface ResistorElement {
  type: 'resistor';
  a: string;
  b: string;
  ohms: number;
}

/** Ohm's law. */
const device: DeviceFactory<ResistorElement> = (element, node, system) => {
  const a = node(element.a);
  const b = node(element.b);
  const slots = conductanceSlots(system, a, b);
  let siemens = 1 / element.ohms;
  return {
    nodes: [a, b],
    linear: true,
    set: ({ ohms }) => (siemens = 1 / ohms),
    load: () => stampConductance(system, slots, siemens),
    currents: (x, out) => {
      out[0] = siemens * across(x, a, b);
      out[1] = -out[0];
    },
    noise: () => [{ from: a, to: b, density: thermalNoise(siemens, system.kelvin) }],
  };
};

export const resistor = defineElement<ResistorElement>({
  type: 'resistor',
  nodes: ['a', 'b'],
  conducts: (e) => [[e.a, e.b]],
  positive: ['ohms'],
  device,
});
