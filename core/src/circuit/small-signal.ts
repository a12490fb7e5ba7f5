import type { Network } from './network.js';
import { SingularMatrixError, SparseLU } from '../equations/index.js';

/** Noise at a node, from each part. */
export interface Noise {
  /** Root mean square over the band, V. */
  volts: number;
  /** Largest first; V². */
  shares: { part: string; square: number }[];
}

/**
 * The equations linearised around the present solution: conductances G and capacitances C, read off the
 * stamps at two rates.
 */
class Linearised {
  private readonly rows: number[];
  private readonly columns: number[];
  private readonly g: Float64Array;
  private readonly c: Float64Array;
  private readonly size: number;
  private readonly values: Float64Array;
  private readonly lu: SparseLU;

  constructor(network: Network) {
    const { system, sorted } = network;
    const stamp = (alpha: number): Float64Array => {
      system.alpha = alpha;
      system.clear();
      for (const device of [...sorted.linear, ...sorted.nonlinear]) device.load(system);
      return system.pattern().values.slice();
    };
    // Fast enough for picofarads to stand out against conductances.
    const unit = 1e9;
    this.g = stamp(Number.MIN_VALUE);
    this.c = stamp(unit).map((v, i) => (v - this.g[i]) / unit);
    system.alpha = 0;
    const { rows, columns } = system.pattern();
    this.size = system.size;
    // Transposed, and real beside imaginary part: [G −ωC; ωC G].
    const n = this.size;
    const shift = (list: readonly number[], by: number): number[] => list.map((v) => v + by);
    this.rows = [...columns, ...shift(columns, n), ...shift(columns, n), ...columns];
    this.columns = [...rows, ...shift(rows, n), ...rows, ...shift(rows, n)];
    this.values = new Float64Array(4 * rows.length);
    this.lu = new SparseLU(2 * n, this.rows, this.columns);
  }

  /** Volts at a node per amp into each row, at a frequency: real parts, then imaginary parts. */
  transfers(node: number, hertz: number): Float64Array {
    const { g, c, values, size } = this;
    const m = g.length;
    const omega = 2 * Math.PI * hertz;
    for (let e = 0; e < m; e++) {
      values[e] = values[m + e] = g[e];
      values[2 * m + e] = -omega * c[e];
      values[3 * m + e] = omega * c[e];
    }
    this.lu.factor(values);
    const out = new Float64Array(2 * size);
    out[node] = 1;
    this.lu.solve(out, out);
    return out;
  }
}

/**
 * Thermal and shot noise at a node over a band, around the steady state solved last. Noise of op-amps
 * and comparators of their own is not in it.
 *
 * @param band lowest and highest frequency, Hz
 */
export function noiseAt(network: Network, node: string, band: readonly [number, number]): Noise {
  const at = network.index.get(node);
  if (at === undefined || at < 0) return { volts: 0, shares: [] };
  const { x } = network.system;
  const linear = new Linearised(network);
  const sources = network.devices.flatMap((device, place) =>
    (device?.noise?.(x) ?? []).map((source) => ({ ...source, part: network.placed[place].part })),
  );
  const n = network.system.size;
  /** V² per e-fold of frequency, by source. */
  const density = (logHertz: number): Float64Array => {
    const hertz = Math.exp(logHertz);
    const y = linear.transfers(at, hertz);
    const value = (row: number): number => (row < 0 ? 0 : y[row]);
    const imaginary = (row: number): number => (row < 0 ? 0 : y[n + row]);
    return Float64Array.from(sources, ({ from, to, density: d }) => {
      const re = value(to) - value(from);
      const im = imaginary(to) - imaginary(from);
      return (re * re + im * im) * d * hertz;
    });
  };
  const squares = integrate(density, Math.log(band[0]), Math.log(band[1]), sources.length);
  const byPart = new Map<string, number>();
  sources.forEach(({ part }, i) => byPart.set(part, (byPart.get(part) ?? 0) + squares[i]));
  return {
    volts: Math.sqrt(squares.reduce((a, b) => a + b, 0)),
    shares: [...byPart]
      .map(([part, square]) => ({ part, square }))
      .sort((a, b) => b.square - a.square),
  };
}

/** Simpson's rule, thirty points to each decade: the densities are smooth against the logarithm. */
function integrate(
  f: (x: number) => Float64Array,
  from: number,
  to: number,
  count: number,
): Float64Array {
  const pieces = 2 * Math.max(1, Math.ceil(((to - from) / Math.LN10) * 15));
  const h = (to - from) / pieces;
  const sum = new Float64Array(count);
  for (let i = 0; i <= pieces; i++) {
    const weight = i === 0 || i === pieces ? 1 : i % 2 === 1 ? 4 : 2;
    const values = f(from + i * h);
    for (let s = 0; s < count; s++) sum[s] += (weight * h * values[s]) / 3;
  }
  return sum;
}

/**
 * Resistance seen into each of some nodes around the steady state solved last, Ω; undefined where it is not solved, where
 * nothing holds the node, and for a node that is none of the circuit's.
 *
 * @param seconds how long is looked: within it capacitors hold; for ever when left out
 */
export function sourceOhms(
  network: Network,
  nodes: readonly string[],
  seconds = Infinity,
): (number | undefined)[] {
  const { system, sorted } = network;
  const places = nodes.map((node) => network.index.get(node));
  const ohms = (seen: (at: number) => number | undefined): (number | undefined)[] =>
    places.map((at) => (at === undefined ? undefined : at < 0 ? 0 : seen(at)));
  system.alpha = 1 / seconds;
  system.clear();
  for (const device of sorted.linear) device.load(system);
  for (const device of sorted.nonlinear) device.load(system);
  system.alpha = 0;
  try {
    system.factor();
  } catch (error) {
    if (error instanceof SingularMatrixError) return ohms(() => undefined);
    throw error;
  }
  const out = new Float64Array(system.size + 1);
  return ohms((at) => {
    system.rhs.fill(0);
    system.rhs[at] = 1;
    system.resolve(out);
    return out[at];
  });
}

/**
 * Noise of a reading with everything that is independent: noise of the circuit, of the converter, and
 * of rounding to whole counts, one count/√12.
 *
 * @param volts noise at the pin, V
 * @param perCount V
 * @param converter counts
 * @returns counts
 * @example readingNoise(0, 1, 0) // 0.288675
 */
export function readingNoise(volts: number, perCount: number, converter: number): number {
  return Math.hypot(volts / perCount, converter, 1 / Math.sqrt(12));
}
