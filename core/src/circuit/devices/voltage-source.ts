import type { DeviceFactory } from './device.js';

/** An ideal source; its current is an unknown of its own. */
export const voltageSource: DeviceFactory<'voltage-source'> = (element, node, system) => {
  const plus = node(element.plus);
  const minus = node(element.minus);
  const branch = system.addBranch();
  const kcl = [system.slot(plus, branch), system.slot(minus, branch)];
  const kvl = [system.slot(branch, plus), system.slot(branch, minus)];
  let volts = element.volts;
  return {
    nodes: [plus, minus],
    set: (next) => (volts = next.volts),
    load: ({ values, rhs, sourceScale }) => {
      values[kcl[0]] += 1;
      values[kcl[1]] -= 1;
      values[kvl[0]] += 1;
      values[kvl[1]] -= 1;
      rhs[branch] += volts * sourceScale;
    },
    currents: (x, out) => {
      out[0] = x[branch];
      out[1] = -x[branch];
    },
  };
};
