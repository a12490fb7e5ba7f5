import { kindOf, paramsOf } from '../catalog/index.js';
import { list, wordsOf } from '../check/index.js';
import {
  splitRef,
  terminalRef,
  type Design,
  type Part,
  type TerminalRef,
} from '../design/index.js';
import { Draft, wiringOf, type Wiring } from '../wiring/index.js';
import type { Candidate } from './candidate.js';
import { lostEnds } from './loose-ends.js';
import { hubOf } from './rails.js';

/** Who repeats something repeats it whole: it is likelier than any wire to a rail. */
const usual = 0.6;

/** Larger parts stand alone. */
const mostLeads = 4;

/** More ways to put one part are not told apart. */
const mostWays = 4;

/** A lead of a part, and a terminal that it is joined with. */
type Lead = readonly [terminal: string, to: TerminalRef];

/**
 * Parts that were left out where a design does something more than once: what stands at nets that are made up like those
 * that one part joins, had that part not been there, wants such a part as well.
 */
export function missingTwins(design: Design): Candidate[] {
  const wiring = wiringOf(design);
  const open = lostEnds(design, wiring).filter((ref) => !wiring.wired(ref));
  const nets = [...wiring.all().flatMap(({ terminals: [first] }) => first ?? []), ...open].filter(
    (ref) => wiring.nature(ref) === 'signal',
  );
  const made = new Map(nets.map((ref) => [ref, makeUp(design, wiring, ref)]));
  const loose = new Set(open.flatMap((ref) => wiring.end(ref)?.kind ?? []));
  const twins = design.parts
    .filter((part) => repeats(part) && !loose.has(kindOf(part)))
    .flatMap((part) =>
      waysLike(design, wiring, part, made)
        .filter((way) => isTelling(design, wiring, part, way))
        .map((way) => twin(design, part, way)),
    );
  // Two that stand elsewhere may tell of the same one.
  return [...new Map(twins.reverse().map((t) => [t.about.join(), t])).values()].reverse();
}

/** What is small and does nothing by itself; what an output drives is told by the output. */
const repeats = (part: Part): boolean => {
  const { acts, terminals } = kindOf(part);
  return acts === undefined && terminals.length <= mostLeads;
};

/** What stands on a net, in words that are the same for nets of the same sort. */
function makeUp(design: Design, wiring: Wiring, ref: TerminalRef): string {
  const use = (pin: TerminalRef): string =>
    design.outputs.some((o) => o.pin === pin)
      ? 'drives'
      : design.channels.some((c) => c.pin === pin)
        ? 'reads'
        : '';
  return wiring
    .ends(ref)
    .map(({ ref: end, kind, terminal }) =>
      terminal.role === 'pin' ? `pin ${use(end)}` : `${kind.kind} ${terminal.id}`,
    )
    .sort()
    .join();
}

/** Each way in which a part could stand once more: a net for every net that it is joined with. */
function waysLike(
  design: Design,
  wiring: Wiring,
  part: Part,
  made: ReadonlyMap<TerminalRef, string>,
): Lead[][] {
  const all = leadsOf(design, part);
  const onSignals = all.filter(([, to]) => wiring.nature(to) === 'signal');
  if (onSignals.length === 0) return [];
  const apart = wiringWithout(design, wiring, part, onSignals);
  const leads = new Map(all.map((lead) => [`${lead[0]} ${apart.net(lead[1])}`, lead]));
  const options = [...leads.values()].map(([terminal, to]): Lead[] => {
    if (wiring.nature(to) !== 'signal') return [[terminal, to]];
    const like = makeUp(design, apart, to);
    return [...made]
      .filter(([ref, up]) => up === like && !wiring.ends(ref).some((e) => e.part.id === part.id))
      .map(([ref]) => [terminal, ref]);
  });
  const ways = options.reduce<Lead[][]>(
    (some, each) => some.flatMap((way) => each.map((lead) => [...way, lead])),
    [[]],
  );
  return ways.length <= mostWays ? ways.filter((way) => isSpread(wiring, way)) : [];
}

/** What a part is joined with by wires of its own. */
const leadsOf = (design: Design, { id }: Part): Lead[] =>
  design.wires.flatMap(({ from, to }): Lead[] => {
    const [a, b] = [splitRef(from), splitRef(to)];
    if (a.part === b.part) return [];
    return a.part === id ? [[a.terminal, to]] : b.part === id ? [[b.terminal, from]] : [];
  });

/** How what some leads of a part are joined with hangs together without it; of other nets nothing is told. */
function wiringWithout(
  design: Design,
  wiring: Wiring,
  { id }: Part,
  leads: readonly Lead[],
): Wiring {
  const nets = new Set(leads.map(([, to]) => wiring.net(to)));
  return wiringOf({
    ...design,
    parts: design.parts.filter((p) => p.id !== id),
    wires: design.wires.filter(
      ({ from, to }) =>
        nets.has(wiring.net(from)) && ![from, to].some((end) => splitRef(end).part === id),
    ),
  });
}

/** Whether no net serves twice. */
const isSpread = (wiring: Wiring, way: readonly Lead[]): boolean =>
  new Set(way.map(([, to]) => wiring.net(to))).size === way.length;

/** A pin that is read and has nothing may be for anything, unless a channel at it is called like one that such a part has. */
function isTelling(design: Design, wiring: Wiring, { id }: Part, way: readonly Lead[]): boolean {
  const parts = (ref: TerminalRef) => wiring.ends(ref).filter((e) => e.terminal.role !== 'pin');
  const namesAt = (refs: readonly TerminalRef[]): string[] =>
    design.channels
      .filter(({ pin }) => refs.some((ref) => wiring.same(pin, ref)))
      .flatMap(({ name }) => [...wordsOf(name)]);
  const here = way.map(([, to]) => to).filter((ref) => wiring.nature(ref) === 'signal');
  const there = namesAt(way.map(([terminal]) => terminalRef(id, terminal)));
  return (
    here.some((ref) => parts(ref).length > 0) || namesAt(here).some((word) => there.includes(word))
  );
}

function twin(design: Design, part: Part, way: readonly Lead[]): Candidate {
  const draft = new Draft(design);
  const kind = kindOf(part);
  const label = `${kind.label}, ${kind.headline(paramsOf(part))},`;
  const id = draft.add(part.kind, kind.label, part.params);
  if (part.place) draft.make({ type: 'place-part', id, place: part.place });
  const ends = way.map(([, to]) => hubOf(design, to));
  way.forEach(([terminal], i) => draft.join(ends[i] ?? '', terminalRef(id, terminal)));
  const between = list(ends);
  return {
    kind: 'mistake',
    says: `Nothing stands between ${between} as ${part.name} stands elsewhere`,
    label: `Add ${label} between ${between}${part.place ? `, and place it beside ${part.name}` : ''}`,
    about: [id, ...ends],
    usual,
    edit: draft.edit(`add ${kind.label}`),
  };
}
