import { endsOf, kindOf, searchCatalog, type PartKind, type Terminal } from '../catalog/index.js';
import {
  splitRef,
  terminalRef,
  type Design,
  type Output,
  type Part,
  type TerminalRef,
} from '../design/index.js';
import { indicates } from '../rehearsal/index.js';
import { branchOf, Draft, wiringOf, type Wiring } from '../wiring/index.js';
import type { Candidate } from './candidate.js';
import { otherLead } from './hanging-loads.js';
import { lostEnds } from './loose-ends.js';
import { railsOf } from './rails.js';

/** So many kinds that answer to a name are tried. */
const mostKinds = 6;
/** With more loose ends than this too much is missing to guess. */
const mostEnds = 3;

/**
 * What outputs are to drive where nothing behind them acts: a part of a kind that the output's own name tells, with all
 * ends that are loose there.
 */
export function missingLoads(design: Design): Candidate[] {
  const wiring = wiringOf(design);
  const open = lostEnds(design, wiring);
  if (open.length === 0 || open.length > mostEnds) return [];
  // What stands there with a loose end of its own wants a wire, and no other beside it.
  if (partsAt(design, open).some(actsItself)) return [];
  // A lead of what is there and acts may be what is missing.
  const spare = hasSpareLead(design, wiring) ? unlikelier : 0;
  // Behind a resistor stands a lamp of a few milliamperes, and nothing else does.
  const limited = partsAt(design, open).some(isResistor);
  return design.outputs.flatMap((output) => {
    const branch = branchOf(design, output.pin);
    const there = design.parts.filter((p) => branch.includes(p.id));
    const acts = there.some((p) => actsItself(p) && !indicates(p));
    if (acts || !partsAt(design, open).some((p) => there.includes(p))) return [];
    const direct = there.every(isResistor);
    const ways = waysFor(design, wiring, open).filter(
      (way) => !direct || isLit(wiring, way, output),
    );
    return kindsCalled(output)
      .filter((kind) => (kind.junctions !== undefined) === limited)
      .flatMap((kind, i) => ways.map((way) => load(design, output, kind, way, i + spare)));
  });
}

/** A part is as unlikely then as one of a kind that is so much farther from the name. */
const unlikelier = 12;

/** Whether something that acts and is wired has a lead that may be used and is not. */
const hasSpareLead = ({ parts }: Design, wiring: Wiring): boolean =>
  parts.some((part) => {
    const { terminals } = kindOf(part);
    const isWired = (t: Terminal): boolean => wiring.wired(terminalRef(part.id, t.id));
    const spare = terminals.some((t) => t.optional && t.role === 'passive' && !isWired(t));
    return actsItself(part) && spare && terminals.some(isWired);
  });

/** It acts, and does not only switch something that does. */
const actsItself = (part: Part): boolean => {
  const { acts, contacts } = kindOf(part);
  return acts !== undefined && contacts === undefined;
};

const isResistor = (part: Part): boolean => kindOf(part).resistance !== undefined;

const partsAt = ({ parts }: Design, refs: readonly TerminalRef[]): Part[] =>
  parts.filter((p) => refs.some((ref) => splitRef(ref).part === p.id));

/** What stands at each lead of a part: the ends that are joined with it. */
type Way = readonly [plus: readonly TerminalRef[], minus: readonly TerminalRef[]];

/** Whether what a pin feeds by itself acts as long as its output is on: to ground where that is high. */
const isLit = (wiring: Wiring, [, minus]: Way, { active }: Output): boolean =>
  minus.some((ref) => wiring.nature(wiring.net(ref)) === 'ground') === (active === 'high');

/**
 * What stands behind a contact leads on to ground. Ends behind a fuse at the plus, the others at the minus or, where a loose diode tells where that is, at the plus too. Without a
 * fuse all loose ends at one lead, and at the other a rail or the other end of a loose diode; of two ends also one at each. The first lead
 * of a part is its plus: it leads to no ground, and the second to no supply.
 */
function waysFor(design: Design, wiring: Wiring, open: readonly TerminalRef[]): Way[] {
  const [ground, ...supplies] = railsOf(design);
  const fed = open.filter((ref) => partsAt(design, [ref]).some((p) => kindOf(p).fuse));
  const rest = open.filter((ref) => !fed.includes(ref));
  const beside = rest.flatMap((ref) => otherEnd(wiring, ref));
  const grounds = ground ? [ground] : [];
  const toMinus = (refs: readonly TerminalRef[]): Way[] =>
    apart(wiring, refs).map((ref): Way => [open, [ref]]);
  const contacts = open.filter((ref) => partsAt(design, [ref]).some((p) => kindOf(p).contacts));
  if (contacts.length > 0) return grounds.map((end) => behindContact(design, open, contacts, end));
  if (fed.length > 0) return rest.length > 0 ? [[fed, rest], ...toMinus(beside)] : toMinus(grounds);
  const [one, other, ...more] = open;
  return [
    ...(one && other && more.length === 0
      ? ([
          [[one], [other]],
          [[other], [one]],
        ] as Way[])
      : []),
    ...toMinus([...grounds, ...beside]),
    ...apart(wiring, [...supplies, ...beside]).map((ref): Way => [[ref], open]),
  ];
}

/** Behind a contact at the plus, and on to ground, with a diode across it the other way. */
function behindContact(
  design: Design,
  open: readonly TerminalRef[],
  contacts: readonly TerminalRef[],
  ground: TerminalRef,
): Way {
  const isCathode = (ref: TerminalRef): boolean =>
    partsAt(design, [ref]).some((p) => kindOf(p).conducts?.to === splitRef(ref).terminal);
  const cathodes = open.filter(isCathode);
  const rest = open.filter((ref) => !contacts.includes(ref) && !cathodes.includes(ref));
  return [
    [...contacts, ...cathodes],
    [ground, ...rest],
  ];
}

/** One of each net, the first. */
const apart = (wiring: Wiring, refs: readonly TerminalRef[]): TerminalRef[] => [
  ...new Map([...refs].reverse().map((ref) => [wiring.net(ref), ref])).values(),
];

/** Where the other lead of a part with two leads is, unless that is a pin. */
function otherEnd(wiring: Wiring, ref: TerminalRef): TerminalRef[] {
  const other = otherLead(wiring, ref);
  if (other === undefined || !wiring.wired(other) || wiring.end(ref)?.kind.resistance) return [];
  return wiring.ends(other).some((e) => e.terminal.role === 'pin') ? [] : [other];
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
