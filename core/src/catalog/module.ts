import { DisjointSets } from '../design/index.js';
import { withNodes, type Element } from '../element/index.js';
import type {
  InnerPart,
  Inside,
  Param,
  Params,
  PartKind,
  PartState,
  ValuesOf,
} from './part-kind.js';
import { valuesOf } from './values-of.js';

/** A part inside a module. */
export const inner = <const P extends readonly Param[]>(
  id: string,
  name: string,
  kind: PartKind & { readonly params: P },
  params: NoInfer<Partial<ValuesOf<P>>> = {},
): InnerPart => ({ id, name, kind, params });

/** Ends that wires join, by the name that stands for them all: a terminal of the module, or an inner joint. */
function joints(wires: ReturnType<Inside['wires']>): (end: string) => string {
  const sets = new DisjointSets();
  const outer = (end: string): boolean => !end.includes('.');
  // A terminal of the module gives its name to everything that is joined with it.
  for (const [a, b] of wires) {
    if (outer(sets.root(b))) sets.join(a, b);
    else sets.join(b, a);
  }
  return (end) => {
    const name = sets.root(end);
    return outer(name) ? name : `#${name}`;
  };
}

/** What of a module does not change with what it meets. */
interface Plan {
  parts: { kind: PartKind; values: Params; node: Joint; wired: (terminal: string) => boolean }[];
}
type Joint = (local: string) => string;

const plans = new WeakMap<object, WeakMap<object, Plan>>();

function planOf<V extends object>(inside: Inside<V>, params: V): Plan {
  const known = plans.get(inside) ?? new WeakMap<object, Plan>();
  plans.set(inside, known);
  const plan = known.get(params) ?? makePlan(inside, params);
  known.set(params, plan);
  return plan;
}

function makePlan<V>(inside: Inside<V>, params: V): Plan {
  const wires = inside.wires(params);
  const joint = joints(wires);
  const ends = new Set(wires.flat());
  const parts = inside.parts(params).map(({ id, kind, params: own }: InnerPart) => {
    const names = new Map<string, string>();
    const node: Joint = (local) => {
      const name =
        names.get(local) ?? (local.startsWith('#') ? `#${id}${local}` : joint(`${id}.${local}`));
      names.set(local, name);
      return name;
    };
    const wired = (terminal: string): boolean => ends.has(`${id}.${terminal}`);
    return { kind, values: valuesOf(kind.params, own), node, wired };
  });
  return { parts };
}

/**
 * The electrical model of a module: that of every part inside it, with their nodes joined as its wires say.
 * An inner part feels what the module feels. What does not depend on that is worked out once for the same parameters.
 */
export const moduleElements = <V extends object>(
  inside: Inside<V>,
  params: V,
  state: PartState,
): Element[] =>
  planOf(inside, params).parts.flatMap(({ kind, values, node, wired }) =>
    kind.elements(values, { ...state, pins: {}, wired }).map((element) => withNodes(element, node)),
  );
