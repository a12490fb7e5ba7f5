import { defineElement, type DeviceFactory } from './define-element.js';
import { waveAt, waveCorner, type Waveform } from './waveform.js';

export interface VoltageSourceElement {
  type: 'voltage-source';
  plus: string;
  minus: string;
  volts: number;
  wave?: Waveform;
}

/** An ideal source; its current is an unknown of its own. */
const device: DeviceFactory<VoltageSourceElement> = (element, node, system) => {
  const plus = node(element.plus);
  const minus = node(element.minus);
  const branch = system.addBranch();
  const kcl = [system.slot(plus, branch), system.slot(minus, branch)];
  const kvl = [system.slot(branch, plus), system.slot(branch, minus)];
  let present = element;
  return {
    nodes: [plus, minus],
    linear: true,
    set: (next) => (present = next),
    load: ({ values, rhs, sourceScale, time }) => {
      values[kcl[0]] += 1;
      values[kcl[1]] -= 1;
      values[kvl[0]] += 1;
      values[kvl[1]] -= 1;
      const volts = present.wave ? waveAt(present.wave, time) : present.volts;
      rhs[branch] += volts * sourceScale;
    },
    currents: (x, out) => {
      out[0] = x[branch];
      out[1] = -x[branch];
    },
    nextCorner: (t) => (present.wave ? waveCorner(present.wave, t) : Infinity),
  };
};

export const voltageSource = defineElement<VoltageSourceElement>({
  type: 'voltage-source',
  nodes: ['plus', 'minus'],
  conducts: (e) => [[e.plus, e.minus]],
  forces: (e) => [[e.plus, e.minus]],
  device,
});
