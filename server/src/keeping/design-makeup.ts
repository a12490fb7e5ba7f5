import { findKind, findSurrounding, stages, type PartKind } from '@yurei/core/catalog';
import type { DesignMakeup, DesignSketch } from '@yurei/core/exchange';

/** A sketch of more parts than these would be a grey field. */
const mostSketched = 40;

interface Known {
  id: string;
  kind: PartKind;
}

/** What a document is made of, of any version and whatever else may be wrong with it. */
export function makeupOf(parts: unknown, wires: unknown): DesignMakeup {
  const known = asList(parts).flatMap(({ id, kind }): Known[] => {
    const found = typeof kind === 'string' ? findKind(kind) : undefined;
    return found && typeof id === 'string' ? [{ id, kind: found }] : [];
  });
  const kinds = known.map((k) => k.kind);
  const felt = kinds
    .filter((kind) => kind.stage === 'feels')
    .flatMap((kind) => kind.senses?.quantities ?? []);
  return {
    senses: words(felt.map((quantity) => findSurrounding(quantity)?.label ?? quantity)),
    acts: words(kinds.filter((kind) => kind.acts).map((kind) => kind.label)),
    controller: kinds.some((kind) => kind.terminals.some((t) => t.role === 'pin')),
    sketch: sketchOf(known.slice(0, mostSketched), wires),
  };
}

/** Signals alone are drawn: supplies and ground go everywhere. */
function sketchOf(parts: readonly Known[], wires: unknown): DesignSketch {
  const at = new Map(parts.map(({ id }, i) => [id, i]));
  const end = (ref: unknown): number | undefined => {
    const [id, terminal] = typeof ref === 'string' ? ref.split('.') : [];
    const place = at.get(id ?? '');
    const role = parts[place ?? -1]?.kind.terminals.find((t) => t.id === terminal)?.role;
    return role === undefined || feeding.has(role) ? undefined : place;
  };
  const joined = asList(wires).flatMap(({ from, to }): [number, number][] => {
    const [a, b] = [end(from), end(to)];
    return a === undefined || b === undefined || a === b ? [] : [[a, b]];
  });
  return {
    parts: parts.map(({ kind }) => ({ stage: stages.indexOf(kind.stage), glyph: kind.glyph })),
    wires: joined,
  };
}

const feeding: ReadonlySet<string> = new Set(['ground', 'supply-in', 'supply-out']);

const words = (list: readonly string[]): string[] => [...new Set(list)].sort();

const asList = (value: unknown): Record<string, unknown>[] =>
  Array.isArray(value)
    ? value.filter((v): v is Record<string, unknown> => typeof v === 'object' && v !== null)
    : [];
