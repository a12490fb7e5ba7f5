import { biasCurrent } from './bias-current.js';
import { defineElement, type DeviceFactory } from './define-element.js';
import { DelayedSwitch } from './delayed-switch.js';
import { turning } from './turning.js';
import { across, conductanceSlots, stampConductance, stampCurrent } from './two-terminal.js';

export interface ComparatorElement {
  type: 'comparator';
  plus: string;
  minus: string;
  output: string;
  supply: string;
  ground: string;
  stage: 'open-collector' | 'push-pull';
  /** V(plus) − V(minus) at which it switches, V. */
  offset: number;
  /** Half-width of built-in hysteresis, V. */
  hysteresis: number;
  /** Out of each input, A. */
  bias: number;
  /** Inputs within this of the supply are not told apart, V. */
  headroom: number;
  /** Output low: most it sinks, A, and resistance, Ω. */
  sinkAmps: number;
  sinkOhms: number;
  /** From crossing to switching, s. */
  delay: number;
}

const low = 0;
const high = 1;

/** Below this supply it does not work and its output lets go, V (from memory). */
const leastSupply = 1.8;
/** What leaks into an output that has let go, S. */
const leak = 1e-9;

/**
 * A comparator by its outside behaviour: the output is high when V(plus) − V(minus) passes its offset,
 * after a delay. An input within the headroom of the supply counts as standing at that limit.
 * A low output sinks current up to a limit, i = I·tanh(v/(R·I)).
 */
const device: DeviceFactory<ComparatorElement> = (element, node, system) => {
  const { plus, minus, output, supply, ground } = element;
  const [p, m, o, s, g] = [plus, minus, output, supply, ground].map(node);
  const sink = conductanceSlots(system, o, g);
  const source = conductanceSlots(system, o, s);
  const biases = [p, m].map((input) => biasCurrent(system, s, input));
  const follow = turning(system);
  let present = element;
  const difference = (x: Float64Array): number => {
    const top = across(x, s, g) - present.headroom;
    return Math.min(across(x, p, g), top) - Math.min(across(x, m, g), top) - present.offset;
  };
  const switching = new DelayedSwitch(
    high,
    {
      event: (mode, x) => {
        const spare = across(x, s, g) - leastSupply;
        const overdrive = difference(x);
        return mode === high
          ? Math.min(-overdrive - present.hysteresis, spare)
          : Math.max(overdrive - present.hysteresis, -spare);
      },
      next: (mode) => (mode === high ? low : high),
      delay: () => present.delay,
    },
    () => system.x,
  );
  // Kept, so that an iteration allocates nothing.
  const sunk = { amps: 0, slope: 0 };
  const sinks = (volts: number): typeof sunk => {
    const full = present.sinkAmps;
    const t = Math.tanh(volts / (present.sinkOhms * full));
    sunk.amps = full * t;
    sunk.slope = (1 - t * t) / present.sinkOhms;
    return sunk;
  };
  const pushes = (): number =>
    switching.mode === high && present.stage === 'push-pull' ? 1 / present.sinkOhms : 0;

  return {
    nodes: [p, m, o, s, g],
    linear: false,
    switching,
    set: (next) => (present = next),
    load: () => {
      for (let i = 0; i < 2; i++) biases[i].load(present.bias);
      stampConductance(system, sink, leak);
      stampConductance(system, source, pushes());
      if (switching.mode === high) return;
      const volts = follow(across(system.x, o, g), present.sinkOhms * present.sinkAmps);
      const { amps, slope } = sinks(volts);
      stampConductance(system, sink, slope);
      stampCurrent(system, o, g, amps - slope * volts);
    },
    currents: (x, out) => {
      const volts = across(x, o, g);
      const down = leak * volts + (switching.mode === low ? sinks(volts).amps : 0);
      const up = pushes() * across(x, s, o);
      out[0] = -biases[0].at(x, present.bias);
      out[1] = -biases[1].at(x, present.bias);
      out[2] = down - up;
      out[3] = up - out[0] - out[1];
      out[4] = -down;
    },
  };
};

export const comparator = defineElement<ComparatorElement>({
  type: 'comparator',
  nodes: ['plus', 'minus', 'output', 'supply', 'ground'],
  conducts: (e) => [[e.output, e.ground]],
  positive: ['sinkAmps', 'sinkOhms'],
  notNegative: ['bias', 'delay'],
  device,
});
