import { defineElement, type DeviceFactory } from './define-element.js';
import { DelayedSwitch } from './delayed-switch.js';

/** A coil that moves an armature; `armature` stands at 0 V at rest and 1 V when pulled in. */
export interface RelayCoilElement {
  type: 'relay-coil';
  plus: string;
  minus: string;
  armature: string;
  ohms: number;
  henries: number;
  /** Coil currents, A. */
  pullIn: number;
  dropOut: number;
  /** Times of travel, s. */
  operate: number;
  release: number;
  /** Stays where it is without current; only reversed current releases it. */
  latching: boolean;
  /** Needs current from plus to minus; otherwise either way will do. */
  polarised: boolean;
}

const rest = 0;
const pulled = 1;
const fineAmps = 2e-6;

/**
 * A coil and its armature: v = R·i + L·di/dt; the armature moves some time after the current has
 * passed its pull-in or fallen under its drop-out value, and contacts follow it.
 */
const device: DeviceFactory<RelayCoilElement> = (element, node, system) => {
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
      event: (mode, x) => {
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

export const relayCoil = defineElement<RelayCoilElement>({
  type: 'relay-coil',
  nodes: ['plus', 'minus', 'armature'],
  signal: 'armature',
  conducts: (e) => [[e.plus, e.minus]],
  positive: ['ohms', 'henries', 'pullIn'],
  notNegative: ['dropOut', 'operate', 'release'],
  device,
});
