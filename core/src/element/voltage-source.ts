import { defineElement, type DeviceFactory } from './define-element.js';
import { RunningWave } from './running-wave.js';
import type { Waveform } from './waveform.js';

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
  const wave = new RunningWave(element.wave);
  return {
    nodes: [plus, minus],
    linear: true,
    set: (next) => {
      wave.set(next.wave, system.time);
      present = next;
    },
    load: ({ values, rhs, sourceScale, time }) => {
      values[kcl[0]] += 1;
      values[kcl[1]] -= 1;
      values[kvl[0]] += 1;
      values[kvl[1]] -= 1;
      rhs[branch] += (wave.at(time) ?? present.volts) * sourceScale;
    },
    currents: (x, out) => {
      out[0] = x[branch];
      out[1] = -x[branch];
    },
    nextCorner: (t) => wave.cornerAfter(t),
    wave,
  };
};

export const voltageSource = defineElement<VoltageSourceElement>({
  type: 'voltage-source',
  nodes: ['plus', 'minus'],
  conducts: (e) => [[e.plus, e.minus]],
  gives: true,
  forces: (e) => [[e.plus, e.minus]],
  device,
});
