import fc from 'fast-check';
import { catalog, type Param } from '../catalog/index.js';
import {
  emptyDesign,
  type Design,
  type Happening,
  type Plan,
  type Point,
  sceneStarts,
} from '../design/index.js';
import { ambientParams, happeningKinds, type HappeningKind } from '../scene/index.js';

const plan: Plan = {
  width: 12,
  depth: 8,
  walls: [{ from: { x: 3, y: 0 }, to: { x: 3, y: 5 } }],
};

/** Any number of a range; minus zero does not survive a file. */
const within = (min: number, max: number): fc.Arbitrary<number> =>
  fc.double({ min, max, noNaN: true }).map((v) => (Object.is(v, -0) ? 0 : v));

const value = ({ min, max, whole }: Param): fc.Arbitrary<number> =>
  whole ? fc.integer({ min, max: Math.min(max, 2147483647) }) : within(min, max);

/** Some of the parameters, each anywhere it can be. */
export const arbitraryParams = (params: readonly Param[]): fc.Arbitrary<Record<string, number>> =>
  fc
    .record(Object.fromEntries(params.map((p) => [p.id, value(p)])), { requiredKeys: [] })
    .map((record) => record as Record<string, number>);

const point: fc.Arbitrary<Point> = fc.record({
  x: within(0, plan.width),
  y: within(0, plan.depth),
});

const happening = (kind: HappeningKind, id: string): fc.Arbitrary<Happening> =>
  fc
    .record({
      params: arbitraryParams(kind.params),
      start: within(0, 50),
      intent: fc.constantFrom<Happening['intent']>('wanted', 'nuisance'),
      // Ways keep apart, so that none is without length.
      path: fc.tuple(point, point, point),
    })
    .map(({ params, start, intent, path: [a, b, c] }) => {
      const far = { x: a.x < plan.width / 2 ? plan.width : 0, y: a.y };
      const path =
        kind.where === 'path' ? [a, far, b, c] : kind.where === 'point' ? [a] : undefined;
      return {
        id,
        kind: kind.kind,
        name: kind.label,
        intent,
        start,
        params,
        ...(path && { path }),
      };
    });

/** A design with every kind that feels, somewhere on a plan with a wall, and any scene. */
export const arbitraryYard: fc.Arbitrary<Design> = fc
  .record({
    happenings: fc
      .array(fc.constantFrom(...happeningKinds), { maxLength: 5 })
      .chain((kinds) => fc.tuple(...kinds.map((kind, i) => happening(kind, `h${i}`)))),
    ambient: arbitraryParams(ambientParams),
    starts: fc.constantFrom(...sceneStarts),
    places: fc.array(fc.tuple(point, within(-360, 360)), {
      minLength: 8,
      maxLength: 8,
    }),
  })
  .map(({ happenings, ambient, starts, places }) => ({
    ...emptyDesign('Yard'),
    plan,
    parts: catalog
      .filter((kind) => kind.senses ?? kind.emits)
      .map((kind, i) => {
        const [at, facing] = places[i % places.length];
        const place = { ...at, facing };
        return { id: `P${i}`, kind: kind.kind, name: kind.label, params: {}, place };
      }),
    scenes: [{ id: 's', name: 's', seed: 1, duration: 60, ambient, starts, happenings }],
  }));
