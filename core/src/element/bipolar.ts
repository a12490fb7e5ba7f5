import { roomKelvin } from '../equations/index.js';
import { shotNoise } from './noise.js';
import { defineElement, type DeviceFactory } from './define-element.js';
import { Junction, saturationAt, thermalVoltage } from './junction.js';
import { across, stampCurrent } from './two-terminal.js';

export interface BipolarElement {
  type: 'bipolar';
  polarity: 'npn' | 'pnp';
  collector: string;
  base: string;
  emitter: string;
  /** Transport saturation current, A. */
  saturation: number;
  forwardGain: number;
  reverseGain: number;
}

/**
 * The transport form of the Ebers–Moll model (Ebers and Moll, Proc. IRE 42, 1954):
 * Ic = It − Ibc, Ib = Ibe + Ibc with It = Is·(e^(vbe/Vt) − e^(vbc/Vt)),
 * Ibe = Is/βF·(e^(vbe/Vt) − 1), Ibc = Is/βR·(e^(vbc/Vt) − 1). A pnp is its mirror image.
 * The gains grow with temperature as T^1.5 (from memory).
 */
const device: DeviceFactory<BipolarElement> = (element, node, system) => {
  const c = node(element.collector);
  const b = node(element.base);
  const e = node(element.emitter);
  const nodes = [c, b, e];
  const sign = element.polarity === 'npn' ? 1 : -1;
  const slot = nodes.map((row) => nodes.map((column) => system.slot(row, column)));
  let present = element;
  let kelvin = system.kelvin;
  const make = (): Junction =>
    new Junction(saturationAt(kelvin, present.saturation), thermalVoltage(kelvin));
  let forward = make();
  let reverse = make();
  const gains = (): [number, number] => {
    const warmth = (kelvin / roomKelvin) ** 1.5;
    return [present.forwardGain * warmth, present.reverseGain * warmth];
  };
  let [forwardGain, reverseGain] = gains();

  /** Adds the current that leaves `row` and depends on a junction voltage vb − v[other]. */
  const stamp = (row: number, other: number, g: number, offset: number): void => {
    system.values[slot[row][1]] += g;
    system.values[slot[row][other]] -= g;
    stampCurrent(system, nodes[row], -1, sign * offset);
  };
  const stampJunction = (junction: Junction, own: number, opposite: number, gain: number): void => {
    const g = junction.conductance;
    const offset = junction.current - g * junction.at;
    // Transport: enters at the far electrode, leaves at the own one. Base: 1/gain of it, base to own.
    stamp(opposite, own, g, offset);
    stamp(own, own, -g * (1 + 1 / gain), -offset * (1 + 1 / gain));
    stamp(1, own, g / gain, offset / gain);
  };

  return {
    nodes,
    linear: false,
    set: (next) => {
      const same = next.saturation === present.saturation && kelvin === system.kelvin;
      present = next;
      kelvin = system.kelvin;
      [forwardGain, reverseGain] = gains();
      if (same) return;
      forward = make();
      reverse = make();
    },
    load: () => {
      if (forward.follow(sign * across(system.x, b, e))) system.limited = true;
      if (reverse.follow(sign * across(system.x, b, c))) system.limited = true;
      stampJunction(forward, 2, 0, forwardGain);
      stampJunction(reverse, 0, 2, reverseGain);
    },
    currents: (x, out) => {
      const be = forward.currentAt(sign * across(x, b, e));
      const bc = reverse.currentAt(sign * across(x, b, c));
      out[0] = sign * (be - bc * (1 + 1 / reverseGain));
      out[1] = sign * (be / forwardGain + bc / reverseGain);
      out[2] = -out[0] - out[1];
    },
    noise: (x) => {
      const be = forward.currentAt(sign * across(x, b, e));
      const bc = reverse.currentAt(sign * across(x, b, c));
      return [
        { from: c, to: e, density: shotNoise(be - bc) },
        { from: b, to: e, density: shotNoise(be / forwardGain) },
      ];
    },
  };
};

export const bipolar = defineElement<BipolarElement>({
  type: 'bipolar',
  nodes: ['collector', 'base', 'emitter'],
  blocks: true,
  conducts: (e) => [
    [e.base, e.emitter],
    [e.base, e.collector],
  ],
  positive: ['saturation', 'forwardGain', 'reverseGain'],
  device,
});
