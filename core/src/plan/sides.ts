import { findKind, type PartKind } from '../catalog/index.js';
import type { Ranked } from './rank.js';

/** Something that makers settle by which sensor they take: the best of each side here. */
export interface Sides {
  id: string;
  title: string;
  sides: { label: string; best: Ranked }[];
}

interface Settled {
  id: string;
  title: string;
  sides: readonly (readonly [string, Is])[];
  /** Only of sensors that feel the same. */
  alike?: true;
}
type Is = (kind: PartKind, ranked: Ranked) => boolean;

const feelsField: Is = ({ senses }) => senses?.quantities.includes('field') ?? false;
const isReady: Is = ({ inside, ready }) => inside !== undefined || ready === true;

const settled: readonly Settled[] = [
  {
    id: 'module',
    title: 'Ready module or bare part',
    alike: true,
    sides: [
      ['a ready module', isReady],
      ['a bare part', (kind, ranked) => !isReady(kind, ranked) && !ranked.beam],
    ],
  },
  {
    id: 'beam',
    title: 'Beam or passive',
    sides: [
      ['a beam', (_, { beam }) => beam],
      ['passive', (_, { beam }) => !beam],
    ],
  },
  {
    id: 'magnet',
    title: 'Reed, Hall or tag',
    sides: [
      ['a reed contact', (kind, ranked) => feelsField(kind, ranked) && kind.feed === undefined],
      ['a Hall sensor', (kind, ranked) => feelsField(kind, ranked) && kind.feed !== undefined],
      ['a tag', ({ senses }) => senses?.quantities.includes('tag') ?? false],
    ],
  },
];

/**
 * What makers settle by which sensor they take, as far as there is something on two sides of it: of each side the first. A module and a
 * bare part are held against each other where they feel the same.
 *
 * @param ranked the best first
 */
export function sidesOf(ranked: readonly Ranked[]): Sides[] {
  const built = ranked.filter(({ does }) => does !== undefined);
  return settled.flatMap(({ id, title, sides, alike }) => {
    const groups = alike
      ? [...new Set(built.map(feels))].map((q) => built.filter((r) => feels(r) === q))
      : [built];
    const found = groups.map((group) => bestOf(group, sides)).find((all) => all.length > 1);
    return found ? [{ id, title, sides: found }] : [];
  });
}

const feels = ({ sensor }: Ranked): string => findKind(sensor)?.senses?.quantities[0] ?? '';

const bestOf = (
  group: readonly Ranked[],
  sides: readonly (readonly [string, Is])[],
): Sides['sides'] =>
  sides.flatMap(([label, is]) => {
    const best = group.find((r) => {
      const kind = findKind(r.sensor);
      return kind !== undefined && is(kind, r);
    });
    return best ? [{ label, best }] : [];
  });
