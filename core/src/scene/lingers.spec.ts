import { surroundings, type Quantity } from '../catalog/index.js';
import type { Happening } from '../design/index.js';
import { happeningKinds, momentOf } from './happenings.js';

const path = [
  { x: 1, y: 0 },
  { x: 1, y: 2 },
];
const quantities = Object.keys(surroundings) as Quantity[];

/** What of a kind is left after its end, by what would be felt, warmed, filled or altered. */
function leftOf(kind: (typeof happeningKinds)[number]): string[] {
  const happening: Happening = {
    ...{ id: 'h', kind: kind.kind, name: 'H', intent: 'wanted', start: 0, params: {}, path },
  };
  const lasts = kind.lasts(momentOf(happening, 0));
  const moments = [1 + 1e-7, 1.01, 1.5, 3].map((share) =>
    momentOf(happening, share * lasts + 1e-9),
  );
  const felt = quantities.filter((quantity) =>
    moments.some((now) =>
      [0, 1, 2].some((y) => {
        const place = { x: 1, y, facing: 0 };
        return !!kind.contributes?.[quantity]?.(now, { quantity, place, radius: 1 });
      }),
    ),
  );
  const warm = moments.some((now) => !!kind.warms?.(now));
  return [
    ...felt,
    ...(warm ? ['warmth'] : []),
    ...(kind.filled ? ['water'] : []),
    ...(kind.alters ? ['what it does to the design'] : []),
  ];
}

it.each(happeningKinds.map((kind) => [kind.kind, kind] as const))(
  '%s: what is left of it after its end is told by `lingers`',
  (_, kind) => {
    if (leftOf(kind).length > 0) expect(kind.lingers).toBe(true);
    else expect(kind.lingers ?? false).toBe(false);
  },
);
