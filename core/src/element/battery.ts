import { defineElement, type DeviceFactory } from './define-element.js';

export interface BatteryElement {
  type: 'battery';
  plus: string;
  minus: string;
  /** Signal node: the share of the charge that is left, as volts. */
  level: string;
  /** Full charge, A·s. */
  capacity: number;
  /** Share of it left at the start. */
  charge: number;
  /** Open-circuit volts at evenly spaced charges from empty to full. */
  curve: readonly number[];
  /** Internal resistance when full; it triples towards empty, Ω. */
  ohms: number;
  /** Lost by itself, A. */
  selfDischarge: number;
}

/** Below empty the open-circuit voltage falls to nothing within this share of the charge. */
const cliff = 0.02;

interface OpenCircuit {
  volts: number;
  slope: number;
}

/** Straight lines through evenly spaced points, steep below 0 and level above 1; value and slope. */
function openCircuit(curve: readonly number[], charge: number, into: OpenCircuit): OpenCircuit {
  const pieces = curve.length - 1;
  if (charge < 0) {
    into.slope = charge < -cliff ? 0 : curve[0] / cliff;
    into.volts = charge < -cliff ? 0 : curve[0] + into.slope * charge;
  } else if (charge >= 1) {
    into.slope = 0;
    into.volts = curve[pieces];
  } else {
    const i = Math.min(pieces - 1, Math.floor(charge * pieces));
    into.slope = (curve[i + 1] - curve[i]) * pieces;
    into.volts = curve[i] + into.slope * (charge - i / pieces);
  }
  return into;
}

/**
 * A battery: open-circuit volts over charge, an internal resistance that triples towards empty (from
 * memory), and self-discharge. Its unknowns are the current into plus and the charge left.
 */
const device: DeviceFactory<BatteryElement> = (element, node, system) => {
  const plus = node(element.plus);
  const minus = node(element.minus);
  const branch = system.addBranch();
  const charge = node(element.level);
  const kcl = [system.slot(plus, branch), system.slot(minus, branch)];
  const kvl = [plus, minus, branch, charge].map((column) => system.slot(branch, column));
  const loss = [branch, charge].map((column) => system.slot(charge, column));
  const state = system.addState(1e-6 * element.capacity);
  let present = element;
  /** Share of the charge in a steady state, and how it was changed from outside. */
  let held = element.charge;
  let factor = 1;
  /** Share of the charge of the one that has taken its place. */
  let fresh: number | undefined;
  // Kept, so that an iteration allocates nothing.
  const open = { volts: 0, slope: 0 };
  const ohms = (left: number): number =>
    present.ohms * (1 + 2 * (1 - Math.min(1, Math.max(0, left))) ** 2);
  return {
    nodes: [plus, minus, charge],
    linear: false,
    set: (next) => {
      if (next.charge !== present.charge && present.charge > 0) {
        factor *= next.charge / present.charge;
        held *= next.charge / present.charge;
      } else if (present.charge === 0) held = next.charge;
      present = next;
      system.tolerance[state] = 1e-6 * next.capacity;
    },
    load: ({ values, rhs, x, alpha, history, sourceScale }) => {
      const { volts, slope } = openCircuit(present.curve, x[charge], open);
      values[kcl[0]] += 1;
      values[kcl[1]] -= 1;
      values[kvl[0]] += 1;
      values[kvl[1]] -= 1;
      values[kvl[2]] -= ohms(x[charge]);
      values[kvl[3]] -= slope * sourceScale;
      rhs[branch] += (volts - slope * x[charge]) * sourceScale;
      if (alpha === 0) {
        values[loss[1]] += 1;
        rhs[charge] += held;
        return;
      }
      // Divided by the capacity: rate of the share left = (j − self)/capacity.
      values[loss[0]] -= 1 / present.capacity;
      values[loss[1]] += alpha;
      rhs[charge] -= (history[state] + present.selfDischarge) / present.capacity;
    },
    currents: (x, out) => {
      out[0] = x[branch];
      out[1] = -x[branch];
      out[2] = 0;
    },
    store: () => (system.q[state] = present.capacity * system.x[charge]),
    reset: () => {
      held = present.charge;
      system.q[state] = present.capacity * held;
    },
    slow: {
      state,
      get full() {
        return present.capacity;
      },
      rate: (x) => x[branch] - present.selfDischarge,
      keep: () => (held = system.q[state] / present.capacity),
      changed: (now) => {
        const after = fresh === undefined ? now * factor : fresh * present.capacity;
        factor = 1;
        fresh = undefined;
        return after;
      },
      renew: (share) => (held = fresh = share),
    },
  };
};

export const battery = defineElement<BatteryElement>({
  type: 'battery',
  nodes: ['plus', 'minus', 'level'],
  signal: 'level',
  conducts: (e) => [[e.plus, e.minus]],
  gives: true,
  positive: ['capacity', 'ohms'],
  device,
});
