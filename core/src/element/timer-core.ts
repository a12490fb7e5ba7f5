import { defineElement, type DeviceFactory } from './define-element.js';
import { DelayedSwitch } from './delayed-switch.js';
import { logistic, softplus } from './smooth.js';
import { across, conductanceSlots, stampConductance, stampCurrent } from './two-terminal.js';

/** Comparators, latch, output stage and discharge transistor of a 555-type timer; the divider is outside. */
export interface TimerCoreElement {
  type: 'timer-core';
  supply: string;
  ground: string;
  trigger: string;
  threshold: string;
  /** Upper and lower reference, from the divider. */
  upper: string;
  lower: string;
  reset: string;
  output: string;
  discharge: string;
  /** Drop of the output below the supply when high, V. */
  dropHigh: number;
  dropLow: number;
  outputOhms: number;
  dischargeOhms: number;
  delay: number;
}

const off = 0;
const on = 1;

/** Reset acts below this, V (published data sheet of the 555-type timer: 0.4 to 1 V). */
const resetVolts = 0.7;
/** Width of the knee of the output stage, V. */
const knee = 0.02;
const leak = 1e-10;
/** What the output stage itself takes to ground, S: without it an unloaded output would stand anywhere. */
const bleed = 1e-6;

/**
 * Two comparators, a latch, an output stage and a discharge transistor. The trigger below its
 * reference sets the latch and wins over the threshold, which above its reference resets it.
 */
const device: DeviceFactory<TimerCoreElement> = (element, node, system) => {
  const { supply, ground, trigger, threshold, upper, lower, reset, output, discharge } = element;
  const nodes = [supply, ground, trigger, threshold, upper, lower, reset, output, discharge];
  const [s, g, tr, th, up, lo, re, o, d] = nodes.map(node);
  const high = conductanceSlots(system, s, o);
  const low = conductanceSlots(system, o, g);
  const drain = conductanceSlots(system, d, g);
  let present = element;
  const switching = new DelayedSwitch(
    off,
    {
      event: (mode, x) => {
        const triggered = across(x, lo, tr);
        const enabled = across(x, re, g) - resetVolts;
        if (mode === off) return Math.min(triggered, enabled);
        return Math.max(Math.min(across(x, th, up), -triggered), -enabled);
      },
      next: (mode) => (mode === off ? on : off),
      delay: () => present.delay,
    },
    () => system.x,
  );
  // Kept, so that an iteration allocates nothing.
  const flow = { amps: 0, slope: 0 };
  /** A stage that conducts one way past its drop, and nothing at no voltage. */
  const stage = (volts: number, drop: number): typeof flow => {
    const over = (volts - drop) / knee;
    flow.amps = ((softplus(over) - softplus(-drop / knee)) * knee) / present.outputOhms;
    flow.slope = logistic(over) / present.outputOhms;
    return flow;
  };
  const load = (from: number, to: number, slots: typeof high, drop: number): void => {
    const volts = across(system.x, from, to);
    const { amps, slope } = stage(volts, drop);
    stampConductance(system, slots, slope);
    stampCurrent(system, from, to, amps - slope * volts);
  };
  const drains = (): number => (switching.mode === off ? 1 / present.dischargeOhms : leak);

  return {
    nodes: [s, g, tr, th, up, lo, re, o, d],
    linear: false,
    switching,
    set: (next) => (present = next),
    load: () => {
      if (switching.mode === on) load(s, o, high, present.dropHigh);
      else load(o, g, low, present.dropLow);
      stampConductance(system, low, bleed);
      stampConductance(system, drain, drains());
    },
    currents: (x, out) => {
      const isOn = switching.mode === on;
      const sourced = isOn ? stage(across(x, s, o), present.dropHigh).amps : 0;
      const sunk = isOn ? 0 : stage(across(x, o, g), present.dropLow).amps;
      const drained = drains() * across(x, d, g);
      const bled = bleed * across(x, o, g);
      out.fill(0, 0, nodes.length);
      out[0] = sourced;
      out[1] = -sunk - drained - bled;
      out[7] = sunk - sourced + bled;
      out[8] = drained;
    },
  };
};

export const timerCore = defineElement<TimerCoreElement>({
  type: 'timer-core',
  nodes: [
    'supply',
    'ground',
    'trigger',
    'threshold',
    'upper',
    'lower',
    'reset',
    'output',
    'discharge',
  ],
  conducts: (e) => [
    [e.output, e.ground],
    [e.discharge, e.ground],
  ],
  positive: ['outputOhms', 'dischargeOhms'],
  notNegative: ['delay'],
  device,
});
