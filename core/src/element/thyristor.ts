import { defineElement, type DeviceFactory } from './define-element.js';
import { DelayedSwitch } from './delayed-switch.js';
import { Junction, thermalVoltage } from './junction.js';
import { logistic, softplus } from './smooth.js';
import { across, conductanceSlots, stampConductance, stampCurrent } from './two-terminal.js';

export interface ThyristorElement {
  type: 'thyristor';
  anode: string;
  gate: string;
  cathode: string;
  /** Gate current that fires it, A. */
  trigger: number;
  /** Least anode current at which it stays on when the gate lets go, A. */
  latching: number;
  /** Anode current below which it lets go, A. */
  holding: number;
  /** On-state voltage at no current and slope, V and Ω. */
  dropVolts: number;
  dropOhms: number;
}

const blocking = 0;
const fired = 1;
const latched = 2;

/** Off-state conductance, S: a few microamps at mains voltage (from memory). */
const leak = 1e-9;
/** Width of the knee of the on-state curve, V. */
const knee = 0.02;
/** Gate voltage at the trigger current, V (from memory). */
const gateVolts = 0.65;

/**
 * A thyristor: blocks until the gate current reaches its trigger value with the anode positive; then
 * conducts as a drop and a slope. It stays on without gate current once the anode current has reached
 * the latching current, and lets go below the holding current.
 */
const device: DeviceFactory<ThyristorElement> = (element, node, system) => {
  const a = node(element.anode);
  const g = node(element.gate);
  const k = node(element.cathode);
  const main = conductanceSlots(system, a, k);
  const control = conductanceSlots(system, g, k);
  let present = element;
  const vt = thermalVoltage();
  const makeGate = (): Junction => new Junction(present.trigger * Math.exp(-gateVolts / vt), vt);
  let gate = makeGate();

  const mainAmps = (volts: number): number => {
    if (switching.mode === blocking) return leak * volts;
    const over = (volts - present.dropVolts) / knee;
    const none = softplus(-present.dropVolts / knee);
    return ((softplus(over) - none) * knee) / present.dropOhms + leak * volts;
  };
  const slack = (amps: number, limit: number): number => 1 - amps / limit;
  const switching = new DelayedSwitch(
    blocking,
    {
      event: (mode, x) => {
        const gateAmps = gate.currentAt(across(x, g, k));
        const volts = across(x, a, k);
        const ungated = slack(gateAmps, present.trigger);
        if (mode === blocking) return Math.min(-ungated, volts - present.dropVolts);
        const amps = mainAmps(volts);
        if (mode === latched) return Math.min(ungated, slack(amps, present.holding));
        const unlatched = slack(amps, present.latching);
        return Math.max(-unlatched, Math.min(ungated, unlatched));
      },
      next: (mode, x) => {
        if (mode === blocking) return fired;
        if (mode === latched) return blocking;
        return mainAmps(across(x, a, k)) >= present.latching ? latched : blocking;
      },
    },
    () => system.x,
  );

  return {
    nodes: [a, g, k],
    linear: false,
    switching,
    set: (next) => {
      const same = next.trigger === present.trigger;
      present = next;
      if (!same) gate = makeGate();
    },
    load: () => {
      if (gate.follow(across(system.x, g, k))) system.limited = true;
      stampConductance(system, control, gate.conductance);
      stampCurrent(system, g, k, gate.current - gate.conductance * gate.at);
      const volts = across(system.x, a, k);
      const conducts = switching.mode !== blocking;
      const slope = logistic((volts - present.dropVolts) / knee) / present.dropOhms;
      const siemens = leak + (conducts ? slope : 0);
      stampConductance(system, main, siemens);
      stampCurrent(system, a, k, mainAmps(volts) - siemens * volts);
    },
    currents: (x, out) => {
      out[0] = mainAmps(across(x, a, k));
      out[1] = gate.currentAt(across(x, g, k));
      out[2] = -out[0] - out[1];
    },
  };
};

export const thyristor = defineElement<ThyristorElement>({
  type: 'thyristor',
  nodes: ['anode', 'gate', 'cathode'],
  conducts: (e) => [
    [e.anode, e.cathode],
    [e.gate, e.cathode],
  ],
  positive: ['trigger', 'latching', 'holding', 'dropOhms'],
  device,
});
