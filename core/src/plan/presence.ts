import { valuesOf } from '../catalog/index.js';
import type { Need, Point } from '../design/index.js';
import { findHappeningKind, type HappeningKind, type Now } from '../scene/index.js';

/** What is somewhere on the plan: a kind of happening that is at a place, and its values. */
export type Thing = Pick<Need, 'kind' | 'params'>;

/** What is there at a moment: something solid, something that shines or sounds. */
export type Presence = Pick<Now, 'bodies' | 'happening'>;

/** Something, wherever it may be. */
export interface Anywhere {
  /** It goes, and what is felt of it may depend on which way. */
  goes: boolean;
  /** What is there of it at a place, going a way, degrees: one look, or several at what changes while it lasts. */
  looks(at: Point, heading: number): Presence[];
}

/** How often something that burns, sounds, flickers or sways is looked at while it lasts. */
const looks = 11;

/** What something is made of wherever it is; undefined for kinds that are at no place. */
export function anywhere({ kind: named, params }: Thing): Anywhere | undefined {
  const kind = findHappeningKind(named);
  if (kind?.where === 'path') return going(kind, params);
  return kind && isSomewhere(kind) ? standing(kind, params) : undefined;
}

/** Kinds of happening that `anywhere` tells something of. */
export const isSomewhere = (kind: HappeningKind): boolean =>
  kind.where === 'path'
    ? kind.body !== undefined
    : kind.where === 'point' && (kind.contributes !== undefined || kind.body !== undefined);

function going(kind: HappeningKind, params: Thing['params']): Anywhere | undefined {
  const path = [
    { x: -1, y: 0 },
    { x: 1, y: 0 },
  ];
  const now = { params: valuesOf(kind.params, params), path, at: { x: -1, y: 0 } };
  const body = kind.body?.({ ...now, t: kind.lasts(now) / 2 });
  if (!body) return undefined;
  return {
    goes: true,
    looks: (at, heading) => [{ bodies: [{ ...body, ...at, heading }], happening: [] }],
  };
}

function standing(kind: HappeningKind, params: Thing['params']): Anywhere {
  const values = valuesOf(kind.params, params);
  const lasts = kind.lasts({ params: values, path: [], at: { x: 0, y: 0 } });
  const times = Array.from({ length: looks }, (_, i) => ((i + 1) / (looks + 1)) * lasts);
  return {
    goes: false,
    looks: (at) =>
      times.map((t) => {
        const moment = { params: values, path: [at], at, t };
        const body = kind.body?.(moment);
        return { bodies: body ? [body] : [], happening: [{ kind, moment }] };
      }),
  };
}
