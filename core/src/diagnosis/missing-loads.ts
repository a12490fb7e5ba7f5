import { endsOf, kindOf, searchCatalog, type PartKind } from '../catalog/index.js';
import {
  splitRef,
  terminalRef,
  type Design,
  type Output,
  type TerminalRef,
} from '../design/index.js';
import { indicates } from '../rehearsal/index.js';
import { branchOf, Draft, wiringOf, type Wiring } from '../wiring/index.js';
import type { Candidate } from './candidate.js';
import { lostEnds } from './loose-ends.js';
import { railsOf } from './rails.js';

/** So many kinds that answer to a name are tried. */
const mostKinds = 6;
/** With more loose ends than this too much is missing to guess. */
const mostEnds = 3;

/**
 * What outputs are to drive where nothing behind them acts: a part of a kind that the output's own name tells, with all
 * ends that are loose there at one of its leads.
 */
export function missingLoads(design: Design): Candidate[] {
  const wiring = wiringOf(design);
  const open = lostEnds(design, wiring);
  if (open.length === 0 || open.length > mostEnds) return [];
  // Behind a resistor stands a lamp of a few milliamperes, and nothing else does.
  const limited = open.some((ref) => {
    const part = design.parts.find((p) => p.id === splitRef(ref).part);
    return part !== undefined && kindOf(part).resistance !== undefined;
  });
  return design.outputs.flatMap((output) => {
    const branch = branchOf(design, output.pin);
    const acts = design.parts.some((p) => branch.includes(p.id) && kindOf(p).acts && !indicates(p));
    const near = open.some((ref) => branch.includes(splitRef(ref).part));
    if (acts || !near) return [];
    const ways = waysFor(design, wiring, open);
    return kindsCalled(output)
      .filter((kind) => (kind.junctions !== undefined) === limited)
      .flatMap((kind, i) => ways.map((way) => load(design, output, kind, way, i)));
  });
}

/** What stands at each lead of a part: the ends that are joined with it. */
type Way = readonly [plus: readonly TerminalRef[], minus: readonly TerminalRef[]];

/**
 * All loose ends at one lead, and at the other a rail, or the other end of a diode that is loose; of two ends also one at each.
 * The first lead of a part is its plus: it leads to no ground, and the second to no supply.
 */
function waysFor(design: Design, wiring: Wiring, open: readonly TerminalRef[]): Way[] {
  const [ground, ...supplies] = railsOf(design);
  const beside = open.flatMap((ref) => {
    const part = design.parts.find((p) => p.id === splitRef(ref).part);
    const terminals = part ? kindOf(part).terminals : [];
    if (!part || terminals.length !== 2) return [];
    return terminals
      .map((t) => terminalRef(part.id, t.id))
      .filter((end) => end !== ref && wiring.wired(end))
      .filter((end) => wiring.ends(end).every((e) => e.terminal.role !== 'pin'));
  });
  const [one, other, ...more] = open;
  const apart: Way[] =
    one && other && more.length === 0
      ? [
          [[one], [other]],
          [[other], [one]],
        ]
      : [];
  const each = (refs: readonly TerminalRef[]): TerminalRef[] => [
    ...new Map([...refs].reverse().map((ref) => [wiring.net(ref), ref])).values(),
  ];
  return [
    ...apart,
    ...each([...(ground ? [ground] : []), ...beside]).map((ref): Way => [open, [ref]]),
    ...each([...supplies, ...beside]).map((ref): Way => [[ref], open]),
  ];
}

/** Kinds with two leads that act, none of them on the mains, and answer to any word of an output's name; the nearest first. */
function kindsCalled({ name }: Output): PartKind[] {
  const words = name.split(/\s+/).filter((word) => word.length > 2);
  const found = words.reverse().flatMap((word) => searchCatalog(word));
  return [...new Set(found.map(({ kind }) => kind))]
    .flatMap((kind) => found.find((k) => k.kind === kind) ?? [])
    .filter(({ stage, terminals }) => stage === 'acts' && terminals.length === 2)
    .filter(({ terminals }) => terminals.every((t) => t.role !== 'mains'))
    .slice(0, mostKinds);
}

function load(
  design: Design,
  output: Output,
  { kind, label }: PartKind,
  way: Way,
  place: number,
): Candidate {
  const draft = new Draft(design);
  const id = draft.add(kind, output.name);
  const ends = endsOf(kind);
  way.forEach((refs, i) => {
    for (const ref of refs) draft.join(terminalRef(id, ends[i]?.id ?? ''), ref);
  });
  return {
    kind: 'mistake',
    says: `Nothing stands where ${output.name} should be`,
    label: `Add ${label} between ${way.map((refs) => refs.join(' and ')).join(' and ')}`,
    about: [id, ...way.flat()],
    // What the maker has named is likelier than any wire, the kind that is nearest to the name likeliest.
    usual: 0.9 - 0.05 * place,
    edit: draft.edit('add what is driven'),
  };
}
