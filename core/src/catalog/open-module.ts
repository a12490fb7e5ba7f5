import { freshId, type Design, type Part, type Wire } from '../design/index.js';
import { kindOf, paramsOf } from './catalog.js';
import { storedOf } from './values-of.js';

/**
 * The design with a module taken apart: its inner parts in its place, wired as they are inside, and the wires
 * that led to the module lead to what was behind its terminals. What reads or drives its terminals by name
 * (a readout, a controller pin) is left out with it.
 *
 * @returns the same design when the part is no module
 */
export function openModule(design: Design, id: string): Design {
  const module = design.parts.find((p) => p.id === id);
  const inside = module && kindOf(module).inside;
  if (!module || !inside) return design;
  const inner = (end: string): string => `${id}_${end}`;
  const params = paramsOf(module);
  const led = inside.wires(params);
  const parts = inside.parts(params).map((p): Part => ({
    id: inner(p.id),
    kind: p.kind.kind,
    name: p.name,
    params: storedOf(p.kind.params, p.params),
    ...(module.place ? { place: module.place } : {}),
  }));
  // Each terminal of the module becomes the first inner end wired to it.
  const behind = new Map<string, string>();
  for (const [a, b] of led) {
    if (!a.includes('.') && b.includes('.') && !behind.has(a)) behind.set(a, inner(b));
    if (!b.includes('.') && a.includes('.') && !behind.has(b)) behind.set(b, inner(a));
  }
  const end = (ref: string): string => (ref.includes('.') ? inner(ref) : (behind.get(ref) ?? ''));
  const taken = design.wires.map((w) => w.id);
  const wires: Wire[] = [];
  for (const [a, b] of led) {
    const [from, to] = [end(a), end(b)];
    if (from === to || !from || !to) continue;
    const wireId = freshId('w', taken);
    taken.push(wireId);
    wires.push({ id: wireId, from, to });
  }
  const moved = (ref: string): string | undefined =>
    ref.startsWith(`${id}.`) ? behind.get(ref.slice(id.length + 1)) : ref;
  const outer = design.wires.flatMap((wire): Wire[] => {
    const [from, to] = [moved(wire.from), moved(wire.to)];
    return from && to ? [{ ...wire, from, to }] : [];
  });
  return {
    ...design,
    parts: design.parts.flatMap((p) => (p.id === id ? parts : [p])),
    wires: [...outer, ...wires],
  };
}
