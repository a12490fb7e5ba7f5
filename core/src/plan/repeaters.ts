import { kindOf } from '../catalog/index.js';
import type { Design, Part, Spot } from '../design/index.js';
import { dijkstra } from './dijkstra.js';
import { radioReach, wantedMargin } from './radio.js';

/** How messages of a radio come to a spot, from hand to hand. */
export interface RadioWay {
  /** Ids of the parts that pass a message on, the sender first. */
  through: string[];
  /** The least margin of all its legs, dB. */
  margin: number;
}

/**
 * The way on which messages of each radio on the plan come to a spot with the wanted margin on every leg, by as few legs as can be, and of
 * these by the strongest; the others repeat. Each passes on to one only, and nobody gets back what he passed on: a message goes round in
 * no loop.
 *
 * @returns by part id; none for a radio from which no way leads there
 */
export function radioWays(design: Design, spot: Spot): ReadonlyMap<string, RadioWay> {
  const radios = design.parts.filter((p) => p.place && kindOf(p).radio);
  const goal = radios.length;
  const legs = radios.map((from, i) => [
    ...radios.flatMap((to, j) => (i === j ? [] : legOf(design, from, asSpot(to), j))),
    ...legOf(design, from, spot, goal),
  ]);
  return new Map(
    radios.flatMap((radio, i): [string, RadioWay][] => {
      const way = dijkstra(
        goal + 1,
        [i],
        goal,
        (at) => legs[at] ?? [],
        ({ margin }) => aLeg - margin,
      );
      if (!way) return [];
      const margins = way.slice(1).map((to, n) => {
        const leg = legs[way[n] ?? 0]?.find((l) => l.to === to);
        return leg?.margin ?? -Infinity;
      });
      const through = way.slice(0, -1).flatMap((at) => radios[at]?.id ?? []);
      return [[radio.id, { through, margin: Math.min(...margins) }]];
    }),
  );
}

/** A leg costs so much more than any margin can save, dB: fewer legs come first. */
const aLeg = 1e4;

interface Leg {
  to: number;
  margin: number;
}

function legOf(design: Design, from: Part, there: Spot, to: number): Leg[] {
  const reach = radioReach(design, from, there);
  return reach && reach.margin >= wantedMargin ? [{ to, margin: reach.margin }] : [];
}

const asSpot = ({ name, place }: Part): Spot => ({
  ...{ name, background: 0 },
  at: { x: place?.x ?? 0, y: place?.y ?? 0, z: place?.z },
});
