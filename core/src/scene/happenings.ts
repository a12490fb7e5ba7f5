import type { Param } from '../catalog/index.js';
import type { Happening } from '../design/index.js';
import type { HappeningKind } from './happening-kind.js';
import { crossing } from './happenings/crossing.js';
import { lowSun } from './happenings/low-sun.js';

/** Every kind of happening. */
export const happeningKinds: readonly HappeningKind[] = [crossing, lowSun];

const byName = new Map(happeningKinds.map((kind) => [kind.kind, kind]));

/** The kind of that name, if there is one. */
export const findHappeningKind = (kind: string): HappeningKind | undefined => byName.get(kind);

/** A happening's parameters with the kind's defaults filled in. */
export function happeningParams(happening: Happening): Readonly<Record<string, number>> {
  const params: readonly Param[] = byName.get(happening.kind)?.params ?? [];
  return { ...Object.fromEntries(params.map((p) => [p.id, p.default])), ...happening.params };
}

/** When a happening begins and ends, s from the start of the scene. */
export function happeningSpan(happening: Happening): { start: number; end: number } {
  const lasts = byName.get(happening.kind)?.lasts(happening, happeningParams(happening)) ?? 0;
  return { start: happening.start, end: happening.start + lasts };
}
