import { thermalNoise } from './noise.js';
import { defineElement, type DeviceFactory } from './define-element.js';
import { DelayedSwitch } from './delayed-switch.js';
import { across, conductanceSlots, stampConductance } from './two-terminal.js';

export interface FuseElement {
  type: 'fuse';
  a: string;
  b: string;
  ohms: number;
  /** Largest current it carries for ever, A. */
  carries: number;
  /** Melting I²t, A²s. */
  melting: number;
}

const whole = 0;
const blown = 1;
const blownOhms = 1e9;

/**
 * A fuse that melts when its heat reaches 1: dθ/dt = i²/M − θ·Ic²/M. A large current melts it at
 * ∫i²dt = M; a steady one only above Ic. First-order thermal model (from memory).
 */
const device: DeviceFactory<FuseElement> = (element, node, system) => {
  const a = node(element.a);
  const b = node(element.b);
  const slots = conductanceSlots(system, a, b);
  const state = system.addState(1e-5);
  let present = element;
  const switching = new DelayedSwitch(
    whole,
    {
      event: (mode) => (mode === whole ? system.q[state] - 1 : -1),
      next: () => blown,
    },
    () => system.x,
  );
  const siemens = (): number => 1 / (switching.mode === whole ? present.ohms : blownOhms);
  return {
    nodes: [a, b],
    linear: true,
    switching,
    set: (next) => (present = next),
    load: () => stampConductance(system, slots, siemens()),
    currents: (x, out) => {
      out[0] = siemens() * across(x, a, b);
      out[1] = -out[0];
    },
    // The heat feeds nothing back before it melts: solved for after the circuit, just as implicitly.
    store: () => {
      const { carries, melting } = present;
      const amps = siemens() * across(system.x, a, b);
      const cooling = carries ** 2 / melting;
      system.q[state] = (amps ** 2 / melting - system.history[state]) / (system.alpha + cooling);
    },
    reset: () => (system.q[state] = 0),
    noise: () => [{ from: a, to: b, density: thermalNoise(siemens(), system.kelvin) }],
  };
};

export const fuse = defineElement<FuseElement>({
  type: 'fuse',
  nodes: ['a', 'b'],
  conducts: (e) => [[e.a, e.b]],
  positive: ['ohms', 'carries', 'melting'],
  device,
});
