import { defineElement, type DeviceFactory } from './define-element.js';
import { DelayedSwitch } from './delayed-switch.js';

/** A voltage that gives so much and no more. */
export interface LimitedSourceElement {
  type: 'limited-source';
  plus: string;
  minus: string;
  volts: number;
  /** Most it gives, A: from there on its voltage falls as far as the load asks. */
  limit: number;
}

/** Slope past the limit, Ω. */
const limitOhms = 1000;
const [free, limited] = [0, 1];

/** Two straight lines that meet at the limit; the unknown is the current it gives. */
const device: DeviceFactory<LimitedSourceElement> = (element, node, system) => {
  const [plus, minus] = [node(element.plus), node(element.minus)];
  const branch = system.addBranch();
  const kcl = [system.slot(plus, branch), system.slot(minus, branch)];
  const kvl = [system.slot(branch, plus), system.slot(branch, minus)];
  const self = system.slot(branch, branch);
  let present = element;
  const beyond = (mode: number, x: Float64Array): number =>
    mode === free ? x[branch] - present.limit : present.limit - x[branch];
  const switching = new DelayedSwitch(
    free,
    { event: beyond, next: (mode) => (mode === free ? limited : free) },
    () => system.x,
  );
  return {
    nodes: [plus, minus],
    linear: true,
    switching,
    set: (next) => (present = next),
    load: ({ values, rhs, sourceScale }) => {
      const { volts, limit } = present;
      const more = switching.mode === limited ? limitOhms : 0;
      values[kcl[0]] -= 1;
      values[kcl[1]] += 1;
      values[kvl[0]] += 1;
      values[kvl[1]] -= 1;
      values[self] += more;
      rhs[branch] += (volts + more * limit) * sourceScale;
    },
    currents: (x, out) => {
      out[0] = -x[branch];
      out[1] = x[branch];
    },
  };
};

export const limitedSource = defineElement<LimitedSourceElement>({
  type: 'limited-source',
  nodes: ['plus', 'minus'],
  conducts: (e) => [[e.plus, e.minus]],
  gives: true,
  forces: (e) => [[e.plus, e.minus]],
  positive: ['limit'],
  device,
});
