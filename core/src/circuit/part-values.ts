import { elementNodes, type SolvedPart } from '../catalog/index.js';
import type { Network } from './network.js';

/** No element has more nodes than this. */
const mostNodes = 9;

interface Placed {
  /** Terminal or inner name of each of its nodes. */
  locals: string[];
  place: number;
}

/** Volts, amps and watts of one part, brought up to date in place whenever asked. */
export class PartValues implements SolvedPart {
  readonly volts: Record<string, number> = {};
  readonly amps: Record<string, number> = {};
  watts = 0;
  private readonly elements: readonly Placed[];
  private readonly outer: readonly string[];
  private readonly out = new Float64Array(mostNodes);

  /** @param places of the part's elements in the network */
  constructor(
    private readonly network: Network,
    places: readonly number[],
  ) {
    this.elements = places
      .filter((place) => network.devices[place])
      .map((place) => ({ place, locals: elementNodes(network.placed[place].element) }));
    for (const { locals } of this.elements)
      for (const l of locals) this.amps[l] = this.volts[l] = 0;
    this.outer = Object.keys(this.volts).filter((local) => !local.startsWith('#'));
  }

  /** Takes the values of the present solution. */
  update(): this {
    const { volts, amps, out, network } = this;
    const { x } = network.system;
    for (const local in amps) amps[local] = 0;
    for (const { place, locals } of this.elements) {
      const device = network.devices[place];
      if (!device) continue;
      device.currents(x, out);
      for (let n = 0; n < locals.length; n++) {
        const node = device.nodes[n];
        volts[locals[n]] = node < 0 ? 0 : x[node];
        amps[locals[n]] += out[n];
      }
    }
    this.watts = 0;
    for (const local of this.outer) this.watts += volts[local] * amps[local];
    return this;
  }

  /** A copy that stands for itself: plain data that can be sent anywhere. */
  plain(): SolvedPart {
    return { volts: { ...this.volts }, amps: { ...this.amps }, watts: this.watts };
  }
}
