import { thermalNoise } from './noise.js';
import { defineElement, type DeviceFactory } from './define-element.js';

export interface InductorElement {
  type: 'inductor';
  a: string;
  b: string;
  henries: number;
  /** Of the winding. */ ohms: number;
}

/** An error of this much in amps does not matter. */
const fineAmps = 2e-6;

/** v = R·i + dφ/dt with φ = L·i; its current is an unknown. */
const device: DeviceFactory<InductorElement> = (element, node, system) => {
  const a = node(element.a);
  const b = node(element.b);
  const branch = system.addBranch();
  const kcl = [system.slot(a, branch), system.slot(b, branch)];
  const kvl = [system.slot(branch, a), system.slot(branch, b)];
  const self = system.slot(branch, branch);
  const state = system.addState(element.henries * fineAmps);
  let present = element;
  return {
    nodes: [a, b],
    linear: true,
    set: (next) => {
      present = next;
      system.tolerance[state] = next.henries * fineAmps;
    },
    load: ({ values, rhs, alpha, history }) => {
      values[kcl[0]] += 1;
      values[kcl[1]] -= 1;
      values[kvl[0]] += 1;
      values[kvl[1]] -= 1;
      values[self] -= present.ohms + alpha * present.henries;
      rhs[branch] += history[state];
    },
    currents: (x, out) => {
      out[0] = x[branch];
      out[1] = -x[branch];
    },
    store: () => (system.q[state] = present.henries * system.x[branch]),
    reset: () => (system.q[state] = 0),
    stored: () => system.q[state] ** 2 / (2 * present.henries),
    spent: (x) => present.ohms * x[branch] ** 2,
    // A voltage in its own row.
    noise: () => [{ from: -1, to: branch, density: thermalNoise(present.ohms, system.kelvin) }],
  };
};

export const inductor = defineElement<InductorElement>({
  type: 'inductor',
  nodes: ['a', 'b'],
  conducts: (e) => [[e.a, e.b]],
  forces: (e) => (e.ohms === 0 ? [[e.a, e.b]] : []),
  positive: ['henries'],
  device,
});
