import type { DeviceFactory } from './device.js';
import { DelayedSwitch } from './delayed-switch.js';

const rest = 0;
const pulled = 1;
const fineAmps = 2e-6;

/**
 * A coil and its armature: v = R·i + L·di/dt; the armature moves some time after the current has
 * passed its pull-in or fallen under its drop-out value, and contacts follow it.
 */
export const relayCoil: DeviceFactory<'relay-coil'> = (element, node, system) => {
  const plus = node(element.plus);
  const minus = node(element.minus);
  const armature = node(element.armature);
  const branch = system.addBranch();
  const mover = system.addBranch();
  const kcl = [system.slot(plus, branch), system.slot(minus, branch)];
  const kvl = [plus, minus, branch].map((column) => system.slot(branch, column));
  const moves = [system.slot(armature, mover), system.slot(mover, armature)];
  const state = system.addState(element.henries * fineAmps);
  let present = element;
  const switching = new DelayedSwitch(
    rest,
    {
      urge: (mode, x) => {
        const amps = present.polarised ? x[branch] : Math.abs(x[branch]);
        if (mode === rest) return amps / present.pullIn - 1;
        return present.latching ? -x[branch] / present.pullIn - 1 : 1 - amps / present.dropOut;
      },
      next: (mode) => (mode === rest ? pulled : rest),
      delay: (mode) => (mode === rest ? present.operate : present.release),
    },
    () => system.x,
  );
  return {
    nodes: [plus, minus, armature],
    linear: true,
    switching,
    set: (next) => (present = next),
    load: ({ values, rhs, alpha, history }) => {
      values[kcl[0]] += 1;
      values[kcl[1]] -= 1;
      values[kvl[0]] += 1;
      values[kvl[1]] -= 1;
      values[kvl[2]] -= present.ohms + alpha * present.henries;
      rhs[branch] += history[state];
      values[moves[0]] += 1;
      values[moves[1]] += 1;
      rhs[mover] += switching.mode;
    },
    currents: (x, out) => {
      out[0] = x[branch];
      out[1] = -x[branch];
      out[2] = 0;
    },
    store: () => (system.q[state] = present.henries * system.x[branch]),
    reset: () => (system.q[state] = 0),
    stored: () => system.q[state] ** 2 / (2 * present.henries),
    spent: (x) => present.ohms * x[branch] ** 2,
  };
};
