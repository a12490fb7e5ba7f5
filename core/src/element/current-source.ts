import { defineElement, type DeviceFactory } from './define-element.js';
import { stampCurrent } from './two-terminal.js';
import { RunningWave } from './running-wave.js';
import type { Waveform } from './waveform.js';

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
  const wave = new RunningWave(element.wave);
  const amps = (): number => (wave.at(system.time) ?? present.amps) * system.sourceScale;
  return {
    nodes: [from, to],
    linear: true,
    set: (next) => {
      wave.set(next.wave, system.time);
      present = next;
    },
    load: () => stampCurrent(system, from, to, amps()),
    currents: (_x, out) => {
      out[0] = amps();
      out[1] = -out[0];
    },
    nextCorner: (t) => wave.cornerAfter(t),
    wave,
  };
};

export const currentSource = defineElement<CurrentSourceElement>({
  type: 'current-source',
  nodes: ['from', 'to'],
  conducts: () => [],
  device,
});
