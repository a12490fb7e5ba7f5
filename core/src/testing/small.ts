import { emptyDesign, type Design } from '../design/index.js';

/** A design from "kind id param=value …" lines and "from to" wires. */
export function sketch(parts: readonly string[], wires: readonly string[]): Design {
  return {
    ...emptyDesign('Sketch'),
    parts: parts.map((line) => {
      const [kind, id, ...rest] = line.split(' ');
      const params = Object.fromEntries(
        rest.map((p) => p.split('=')).map(([k, v]) => [k, Number(v)]),
      );
      return { id, kind, name: id, params };
    }),
    wires: wires.map((line, i) => {
      const [from, to] = line.split(' ');
      return { id: `w${i}`, from, to };
    }),
  };
}
