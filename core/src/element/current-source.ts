import { defineElement, type DeviceFactory } from './define-element.js';
import { stampCurrent } from './two-terminal.js';
import { waveAt, waveCorner, type Waveform } from './waveform.js';

/** Drives `amps` out of `from`, through itself, into `to`. */
export interface CurrentSourceElement {
  type: 'current-source';
  from: string;
  to: string;
  amps: number;
  wave?: Waveform;
}

/** An ideal current from one node through itself into another. */
const device: DeviceFactory<CurrentSourceElement> = (element, node, system) => {
  const from = node(element.from);
  const to = node(element.to);
  let present = element;
  const amps = (): number =>
    (present.wave ? waveAt(present.wave, system.time) : present.amps) * system.sourceScale;
  return {
    nodes: [from, to],
    linear: true,
    set: (next) => (present = next),
    load: () => stampCurrent(system, from, to, amps()),
    currents: (_x, out) => {
      out[0] = amps();
      out[1] = -out[0];
    },
    nextCorner: (t) => (present.wave ? waveCorner(present.wave, t) : Infinity),
  };
};

export const currentSource = defineElement<CurrentSourceElement>({
  type: 'current-source',
  nodes: ['from', 'to'],
  conducts: () => [],
  device,
});
