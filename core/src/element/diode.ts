import type { System } from '../equations/index.js';
import { shotNoise } from './noise.js';
import { defineElement, type DeviceFactory } from './define-element.js';
import { Junction, saturationAt, thermalVoltage, type JunctionValues } from './junction.js';
import { across, conductanceSlots, stampConductance, stampCurrent } from './two-terminal.js';

export interface DiodeElement extends JunctionValues {
  type: 'diode';
  anode: string;
  cathode: string;
  /** Reverse voltage at which it conducts 1 mA backwards, V; never when left out. */
  breakdown?: number;
}

/** Saturation current of the junction that stands for the breakdown, A. */
const reverseSaturation = 1e-15;
/** Leaks beside the junction, so that a node between two blocking diodes has a voltage, S. */
const leak = 1e-15;
/** Current at which the breakdown voltage holds, A. */
const breakdownAmps = 1e-3;

/**
 * The diode equation of Shockley, I = Is·(exp(V/(n·Vt)) − 1); past its breakdown voltage it conducts
 * backwards as exp(−(V + Vz)/Vt), through 1 mA at −Vz.
 */
const device: DeviceFactory<DiodeElement> = (element, node, system) => {
  const anode = node(element.anode);
  const cathode = node(element.cathode);
  const slots = conductanceSlots(system, anode, cathode);
  let { forward, reverse, shift } = junctions(element, system);
  let present = element;
  let kelvin = system.kelvin;
  const backwards = (volts: number): number =>
    reverse ? reverse.currentAt(shift - volts) + reverse.saturation : 0;
  return {
    nodes: [anode, cathode],
    linear: false,
    set: (next) => {
      if (sameCurve(next, present) && kelvin === system.kelvin) return;
      kelvin = system.kelvin;
      present = next;
      ({ forward, reverse, shift } = junctions(next, system));
    },
    load: () => {
      const volts = across(system.x, anode, cathode);
      if (forward.follow(volts)) system.limited = true;
      stampConductance(system, slots, forward.conductance + leak);
      stampCurrent(system, anode, cathode, forward.current - forward.conductance * forward.at);
      if (!reverse) return;
      if (reverse.follow(shift - volts)) system.limited = true;
      stampConductance(system, slots, reverse.conductance);
      const back = reverse.current + reverse.saturation;
      stampCurrent(system, cathode, anode, back - reverse.conductance * (reverse.at - shift));
    },
    currents: (x, out) => {
      const volts = across(x, anode, cathode);
      out[0] = forward.currentAt(volts) - backwards(volts) + leak * volts;
      out[1] = -out[0];
    },
    noise: (x) => [
      {
        from: anode,
        to: cathode,
        density: shotNoise(
          forward.currentAt(across(x, anode, cathode)) - backwards(across(x, anode, cathode)),
        ),
      },
    ],
  };
};

interface Junctions {
  forward: Junction;
  reverse: Junction | undefined;
  /** Voltage of the reverse junction at no voltage across the diode. */
  shift: number;
}

function junctions(element: DiodeElement, { kelvin }: System): Junctions {
  const { saturation, emission, gap, breakdown } = element;
  const vt = thermalVoltage(kelvin);
  const forward = new Junction(saturationAt(kelvin, saturation, emission, gap), emission * vt);
  if (breakdown === undefined) return { forward, reverse: undefined, shift: 0 };
  const reverse = new Junction(reverseSaturation, vt);
  const shift = vt * Math.log(breakdownAmps / reverseSaturation) - breakdown;
  return { forward, reverse, shift };
}

const sameCurve = (a: DiodeElement, b: DiodeElement): boolean =>
  a.saturation === b.saturation &&
  a.emission === b.emission &&
  a.gap === b.gap &&
  a.breakdown === b.breakdown;

export const diode = defineElement<DiodeElement>({
  type: 'diode',
  nodes: ['anode', 'cathode'],
  blocks: true,
  conducts: (e) => [[e.anode, e.cathode]],
  positive: ['breakdown', 'saturation', 'emission'],
  device,
});
