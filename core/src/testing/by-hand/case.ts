import type { Element } from '../../element/index.js';
import { thermalVoltage } from '../../circuit/index.js';

/** A circuit, and its equations written out by hand for an independent integrator. */
export interface Case {
  elements: Element[];
  watch: string;
  until: number;
  y0: number[];
  f: (t: number, y: number[]) => number[];
  /** The watched voltage from time and states. */
  out: (t: number, y: number[]) => number;
  from?: 'dead' | 'rest';
}

export const vt = thermalVoltage();
const [is, n] = [7e-9, 1.8];
/** Explicit steps reach far out on the way: no junction is asked for more than e^40. */
export const capped = (x: number): number => Math.expm1(Math.min(x, 40));
export const shockley = (v: number): number => is * capped(v / (n * vt));

/** ln(1 + e^z). */
export const ramp = (z: number): number => (z > 30 ? z : Math.log1p(Math.exp(z)));

export const diode = (anode: string, cathode: string, breakdown?: number): Element => ({
  type: 'diode',
  anode,
  cathode,
  saturation: is,
  emission: n,
  breakdown,
});
export const sine = (plus: string, mean: number, amplitude: number, hertz: number): Element => ({
  type: 'voltage-source',
  plus,
  minus: '0',
  volts: mean,
  wave: { shape: 'sine', mean, amplitude, hertz },
});
export const wave =
  (mean: number, amplitude: number, hertz: number) =>
  (t: number): number =>
    mean + amplitude * Math.sin(2 * Math.PI * hertz * t);
export const dc = (plus: string, volts: number): Element => ({
  type: 'voltage-source',
  plus,
  minus: '0',
  volts,
});
export const npn = (collector: string, base: string, emitter: string): Element => ({
  type: 'bipolar',
  polarity: 'npn',
  collector,
  base,
  emitter,
  saturation: 1e-14,
  forwardGain: 100,
  reverseGain: 1,
});
/** Collector and base current of that transistor. */
export const ebersMoll = (vbe: number, vbc: number): [number, number] => {
  const e = 1e-14 * capped(vbe / vt);
  const b = 1e-14 * capped(vbc / vt);
  return [e - 2 * b, e / 100 + b];
};
const [vth, beta] = [1.5, 0.02];
export const nmos = (drain: string, gate: string, source: string): Element => ({
  type: 'mosfet',
  polarity: 'n',
  drain,
  gate,
  source,
  threshold: vth,
  beta,
});
export const channel = (vgs: number, vgd: number): number => {
  const w = 1.5 * vt;
  const half = (v: number): number => Math.log1p(Math.exp((v - vth) / (2 * w))) ** 2;
  return 2 * beta * w * w * (half(vgs) - half(vgd));
};
/** Root of a falling function by bisection. */
export function root(f: (x: number) => number, low: number, high: number): number {
  let [a, b] = [low, high];
  for (let i = 0; i < 200 && b - a > 1e-15 * Math.max(1, Math.abs(a)); i++) {
    const m = (a + b) / 2;
    if (f(m) > 0) a = m;
    else b = m;
  }
  return (a + b) / 2;
}
export const charge = (
  volts: number,
  ohms: number,
  farads: number,
  takes: (v: number) => number,
) => ({
  y0: [0],
  f: (_: number, [v]: number[]): number[] => [((volts - v) / ohms - takes(v)) / farads],
  out: (_: number, [v]: number[]): number => v,
  from: 'dead' as const,
});
