import fc from 'fast-check';
import { catalog, type PartKind } from '../catalog/index.js';
import { emptyDesign, terminalRef, type Design, type Part } from '../design/index.js';

const valueWithin = (min: number, max: number): fc.Arbitrary<number> =>
  fc.double({ min, max, noNaN: true }).map((v) => (Object.is(v, -0) ? 0 : v));

const partOf = (kind: PartKind, id: string): fc.Arbitrary<Part> =>
  fc
    .record(
      Object.fromEntries(
        kind.params.map((p) => [
          p.id,
          p.whole ? fc.integer({ min: p.min, max: p.max }) : valueWithin(p.min, p.max),
        ]),
      ),
      { requiredKeys: [] },
    )
    .map((params) => ({
      id,
      kind: kind.kind,
      name: `${kind.label} ${id}`,
      params: params as Record<string, number>,
    }));

/** Sound designs: any parts with possible values, any distinct wires between their terminals. */
export const arbitraryDesign: fc.Arbitrary<Design> = fc
  .array(fc.constantFrom(...catalog), { maxLength: 8 })
  .chain((kinds) => fc.tuple(...kinds.map((kind, i) => partOf(kind, `P${i}`))))
  .chain((parts) => {
    const ends = parts.flatMap((p) => {
      const kind = catalog.find((k) => k.kind === p.kind);
      return (kind?.terminals ?? []).map((t) => terminalRef(p.id, t.id));
    });
    const pair =
      ends.length < 2
        ? fc.constant<string[]>([])
        : fc.shuffledSubarray(ends, { minLength: 2, maxLength: 2 });
    return fc.record({
      parts: fc.constant(parts),
      pairs: fc.array(pair, { maxLength: 12 }),
      title: fc.string({ minLength: 1, maxLength: 40 }),
      notes: fc.string(),
    });
  })
  .map(({ parts, pairs, title, notes }) => {
    const seen = new Set<string>();
    const wires = pairs.flatMap((pair, i) => {
      const key = [...pair].sort().join(' ');
      if (pair.length < 2 || seen.has(key)) return [];
      seen.add(key);
      return [{ id: `w${i}`, from: pair[0], to: pair[1] }];
    });
    return { ...emptyDesign(title), parts, wires, notes };
  });
