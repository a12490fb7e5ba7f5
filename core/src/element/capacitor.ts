import { defineElement, type DeviceFactory } from './define-element.js';
import { across, conductanceSlots, stampConductance, stampCurrent } from './two-terminal.js';

export interface CapacitorElement {
  type: 'capacitor';
  a: string;
  b: string;
  farads: number;
  /** At power-on, V. */ initial?: number;
}

/** An error of this much in volts does not matter. */
const fineVolts = 20e-6;
/** Keeps a node that only capacitors hold at a defined voltage, S. */
const leak = 1e-13;

/** i = dq/dt with q = C·v. */
const device: DeviceFactory<CapacitorElement> = (element, node, system) => {
  const a = node(element.a);
  const b = node(element.b);
  const slots = conductanceSlots(system, a, b);
  const state = system.addState(element.farads * fineVolts);
  let present = element;
  return {
    nodes: [a, b],
    linear: true,
    set: (next) => {
      present = next;
      system.tolerance[state] = next.farads * fineVolts;
    },
    load: () => {
      stampConductance(system, slots, system.alpha * present.farads + leak);
      stampCurrent(system, a, b, system.history[state]);
    },
    currents: (x, out) => {
      const volts = across(x, a, b);
      out[0] = system.rate(state, present.farads * volts) + leak * volts;
      out[1] = -out[0];
    },
    store: () => (system.q[state] = present.farads * across(system.x, a, b)),
    reset: () => (system.q[state] = present.farads * (present.initial ?? 0)),
    stored: () => system.q[state] ** 2 / (2 * present.farads),
    spent: (x) => leak * across(x, a, b) ** 2,
  };
};

export const capacitor = defineElement<CapacitorElement>({
  type: 'capacitor',
  nodes: ['a', 'b'],
  conducts: () => [],
  holds: (e) => [[e.a, e.b]],
  positive: ['farads'],
  device,
});
