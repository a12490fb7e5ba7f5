import { thermalNoise } from './noise.js';
import { defineElement, type DeviceFactory } from './define-element.js';
import { DelayedSwitch } from './delayed-switch.js';
import { across, conductanceSlots, stampConductance } from './two-terminal.js';

/** A logic output that follows its input with hysteresis, thresholds as shares of the supply. */
export interface SchmittElement {
  type: 'schmitt';
  input: string;
  output: string;
  supply: string;
  ground: string;
  inverts: boolean;
  rising: number;
  falling: number;
  ohms: number;
  delay: number;
}

const low = 0;
const high = 1;

/** A logic gate with hysteresis: its output is a resistance to either rail, after a delay. */
const device: DeviceFactory<SchmittElement> = (element, node, system) => {
  const { input, output, supply, ground } = element;
  const [i, o, s, g] = [input, output, supply, ground].map(node);
  const up = conductanceSlots(system, o, s);
  const down = conductanceSlots(system, o, g);
  let present = element;
  const leaves = (mode: number, x: Float64Array): number => {
    const volts = across(x, i, g);
    const full = across(x, s, g);
    const rises = (mode === low) !== present.inverts;
    return rises ? volts - present.rising * full : present.falling * full - volts;
  };
  const switching = new DelayedSwitch(
    element.inverts ? high : low,
    {
      event: (mode, x) => Math.min(leaves(mode, x), across(x, s, g) - 0.5),
      next: (mode) => (mode === low ? high : low),
      delay: () => present.delay,
    },
    () => system.x,
  );
  const rail = (): number => (switching.mode === high ? s : g);
  return {
    nodes: [i, o, s, g],
    linear: true,
    switching,
    set: (next) => (present = next),
    load: () => stampConductance(system, switching.mode === high ? up : down, 1 / present.ohms),
    currents: (x, out) => {
      const amps = across(x, o, rail()) / present.ohms;
      out[0] = 0;
      out[1] = amps;
      out[2] = switching.mode === high ? -amps : 0;
      out[3] = switching.mode === high ? 0 : -amps;
    },
    noise: () => [{ from: o, to: rail(), density: thermalNoise(1 / present.ohms, system.kelvin) }],
  };
};

export const schmitt = defineElement<SchmittElement>({
  type: 'schmitt',
  nodes: ['input', 'output', 'supply', 'ground'],
  conducts: (e) => [[e.output, e.ground]],
  positive: ['ohms'],
  notNegative: ['delay'],
  device,
});
