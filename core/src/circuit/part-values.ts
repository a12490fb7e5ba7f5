import { type SolvedPart } from '../catalog/index.js';
import { elementNodes } from '../element/index.js';
import type { Network } from './network.js';

/** No element has more nodes than this. */
const mostNodes = 9;

/** Values have not moved while they are the same but for this share of themselves and this many V or A. */
const stillShare = 1e-9;
const still = 1e-12;

interface Placed {
  place: number;
  /** Where each of its nodes stands among the part's terminals and inner nodes. */
  at: number[];
}

/** Volts, amps and watts of one part, brought up to date in place whenever asked. */
export class PartValues implements SolvedPart {
  readonly volts: Record<string, number> = {};
  readonly amps: Record<string, number> = {};
  watts = 0;
  private readonly elements: readonly Placed[];
  /** Terminals and inner nodes, by name. */
  private readonly locals: readonly string[];
  /** Volts at each of the locals, then amps into each. */
  private readonly now: Float64Array;
  private readonly noted: Float64Array;
  private readonly out = new Float64Array(mostNodes);

  /** @param places of the part's elements in the network */
  constructor(
    private readonly network: Network,
    places: readonly number[],
  ) {
    const made = places
      .filter((place) => network.devices[place])
      .map((place) => ({ place, names: elementNodes(network.placed[place].element) }));
    this.locals = [...new Set(made.flatMap(({ names }) => names))];
    this.elements = made.map(({ place, names }) => ({
      place,
      at: names.map((name) => this.locals.indexOf(name)),
    }));
    for (const local of this.locals) this.amps[local] = this.volts[local] = 0;
    this.now = new Float64Array(2 * this.locals.length);
    this.noted = this.now.slice();
  }

  /** Takes the values of the present solution. */
  update(): this {
    this.sample();
    return this.write();
  }

  /** Takes the values of the present solution, if they are others than those noted, and notes them. */
  follow(): boolean {
    if (!this.moved()) return false;
    this.write().note();
    return true;
  }

  /** Tells the values that were looked at last. */
  private write(): this {
    const { locals, now, volts, amps } = this;
    this.watts = 0;
    for (let i = 0; i < locals.length; i++) {
      const [local, v, a] = [locals[i], now[i], now[locals.length + i]];
      volts[local] = v;
      amps[local] = a;
      if (!local.startsWith('#')) this.watts += v * a;
    }
    return this;
  }

  /** Remembers the values as they were last taken. */
  note(): this {
    this.noted.set(this.now);
    return this;
  }

  /** Whether the present solution gives other values than those noted. */
  moved(): boolean {
    this.sample();
    const { now, noted } = this;
    for (let i = 0; i < now.length; i++) {
      if (Math.abs(now[i] - noted[i]) > stillShare * Math.abs(noted[i]) + still) return true;
    }
    return false;
  }

  /** A copy that stands for itself: plain data that can be sent anywhere. */
  plain(): SolvedPart {
    return { volts: { ...this.volts }, amps: { ...this.amps }, watts: this.watts };
  }

  private sample(): void {
    const { now, out, network, locals } = this;
    const { x } = network.system;
    now.fill(0, locals.length);
    for (const { place, at } of this.elements) {
      const device = network.devices[place];
      if (!device) continue;
      device.currents(x, out);
      for (let n = 0; n < at.length; n++) {
        const node = device.nodes[n];
        now[at[n]] = node < 0 ? 0 : x[node];
        now[locals.length + at[n]] += out[n];
      }
    }
  }
}
