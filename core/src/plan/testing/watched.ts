import { emptyDesign, type Design, type Need, type Part, type Point } from '../../design/index.js';
import { firstDesign } from '../index.js';

export const person = { kind: 'person-walks', params: {} };

/** A first design with a sensor that was set for someone in front of it, in a place and on a plan of its own. */
export function watched(
  sensor: string,
  place: Partial<Part['place']>,
  more: Partial<Need> = {},
): Design {
  const need: Need = { id: 'n1', intent: 'wanted', name: 'It', ...person, ...more };
  const empty = emptyDesign('Watched');
  const { design, sensor: id } = firstDesign(
    { ...empty, brief: { ...empty.brief, needs: [need] } },
    { sensor, named: 'Sensor', needs: [need], scene: 'x' },
  );
  const put = (part: Part): Part =>
    part.id === id ? { ...part, place: { x: 0, y: 0, facing: 0, ...place } } : part;
  return { ...design, parts: design.parts.map(put) };
}
/** A mat of 1 m², as wide as a square of it: r = 0.5 m. It trips 5 per cent over what it learnt. */
export function mat(x: number, y: number): Design {
  const design = watched('mat-capacitor', { x, y });
  const learnt = { kind: 'learnt', learn: 10, follow: 0, freeze: true, unit: 'per cent' } as const;
  return {
    ...design,
    parts: design.parts.map((p) =>
      p.kind === 'mat-capacitor' ? { ...p, params: { area: 1 } } : p,
    ),
    channels: design.channels.map((c) => ({ ...c, baseline: learnt, threshold: 5, hysteresis: 1 })),
  };
}
/** A design on a plan of its own. */
export const onPlan = (
  design: Design,
  width: number,
  depth: number,
  walls: [Point, Point][] = [],
): Design => ({
  ...design,
  plan: { width, depth, walls: walls.map(([from, to]) => ({ from, to })) },
});
