import type { DeviceFactory } from './device.js';
import { Junction, thermalVoltage } from './junction.js';
import { across, conductanceSlots, stampConductance, stampCurrent } from './two-terminal.js';

/** The diode equation of Shockley, I = Is·(exp(V/(n·Vt)) − 1). */
export const diode: DeviceFactory<'diode'> = (element, node, system) => {
  const anode = node(element.anode);
  const cathode = node(element.cathode);
  const slots = conductanceSlots(system, anode, cathode);
  const make = (e: typeof element): Junction =>
    new Junction(e.saturation, e.emission * thermalVoltage());
  let junction = make(element);
  let present = element;
  return {
    nodes: [anode, cathode],
    set: (next) => {
      const same = next.saturation === present.saturation && next.emission === present.emission;
      if (!same) junction = make(next);
      present = next;
    },
    load: () => {
      if (junction.follow(across(system.x, anode, cathode))) system.limited = true;
      stampConductance(system, slots, junction.conductance);
      const source = junction.current - junction.conductance * junction.at;
      stampCurrent(system, anode, cathode, source);
    },
    currents: (x, out) => {
      out[0] = junction.currentAt(across(x, anode, cathode));
      out[1] = -out[0];
    },
  };
};
