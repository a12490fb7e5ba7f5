import {
  kindOf,
  nameNet,
  stages,
  type NamedNet,
  type Stage,
  type Terminal,
} from '../catalog/index.js';
import {
  deriveNets,
  netIndex,
  splitRef,
  terminalRef,
  type Design,
  type Group,
  type Part,
} from '../design/index.js';
import { cardSize, headlineOf, longestLive, type CardSize } from './card-size.js';
import { noFolds, type Folds } from './folds.js';
import { stageIndex, stageOf } from './stage-of.js';

export type Side = 'west' | 'east';

/** A terminal as the picture shows it: on a side of its card, or as a short flag of its supply. */
export interface Tab {
  ref: string;
  label: string;
  side: Side;
}

export interface Flag {
  ref: string;
  label: string;
  net: string;
  nature: 'supply' | 'ground';
}

/** A card with its tabs and flags, before it has a place. */
export interface Card extends CardSize {
  /** Id of the part, or of the group it stands for. */
  id: string;
  /** The part; of a group the first. */
  part: Part;
  group?: Group;
  /** How many like it there are, where only one is drawn. */
  times: number;
  stage: Stage;
  tabs: Tab[];
  flags: Flag[];
  /** What stands beside its present state: how many pins without a wire are not shown, or that they are. */
  more: string;
  /** Its tabs carry labels and stand below the text. */
  labelled: boolean;
}

/** A wire that is drawn as a line; supply and ground are flags instead. */
export interface Line {
  id: string;
  net: string;
  from: string;
  to: string;
  /** It carries a reading: counts are shown under its volts. */
  read: boolean;
}

export interface PictureGraph {
  cards: Card[];
  lines: Line[];
}

/**
 * What there is to lay out: a card for each part, a line for each signal wire. Depends on the wiring
 * alone, not on values, so that a changed value never moves anything.
 *
 * @param showFree controllers of which the free pins are shown too
 * @param folds what is drawn as one
 */
export function pictureGraph(
  design: Design,
  showFree: ReadonlySet<string>,
  folds: Folds = noFolds,
): PictureGraph {
  const plain = deriveNets(design);
  const netOf = netIndex(plain);
  const nets = new Map(plain.map((net) => [net.id, nameNet(design, net)]));
  const isSignal = (ref: string): boolean => !isRail(nets.get(netOf(ref)));
  const cardOf = (ref: string): string => {
    const { part } = splitRef(ref);
    return folds.groupOf.get(part) ?? part;
  };
  const drawn = (ref: string): boolean => !folds.hidden.has(splitRef(ref).part);
  const lines = design.wires
    .filter((w) => isSignal(w.from) && drawn(w.from) && drawn(w.to))
    .filter((w) => cardOf(w.from) !== cardOf(w.to) || !folds.groupOf.has(splitRef(w.from).part))
    .map((w): Line => {
      const net = netOf(w.from);
      const read = design.channels.some((c) => netOf(c.pin) === net);
      return { id: w.id, net, from: w.from, to: w.to, read };
    });
  const neighbours = (id: string): Part[] => {
    const ids = lines.flatMap((l) => {
      const [a, b] = [splitRef(l.from).part, splitRef(l.to).part];
      return a === id ? [b] : b === id ? [a] : [];
    });
    return design.parts.filter((p) => p.id !== id && ids.includes(p.id));
  };
  const stage = new Map(design.parts.map((p) => [p.id, stageOf(design, p, neighbours)]));
  const column = (id: string): number => stageIndex(stage.get(id) ?? 'conditions');
  const cards = design.parts
    .filter((part) => !folds.hidden.has(part.id) && !folds.groupOf.has(part.id))
    .map((part) => {
      const free = showFree.has(part.id);
      const made = card(part, { design, lines, nets, netOf, column, stage, showFree: free });
      return { ...made, times: folds.times.get(part.id) ?? 1 };
    });
  const context = { design, lines, nets, netOf, column, stage, showFree: false };
  const groups = design.groups
    .filter((g) => g.collapsed && g.parts.length > 0)
    .map((group) => groupCard(group, context));
  return { cards: [...cards, ...groups], lines: lines.map((l) => leftToRight(l, column)) };
}

/** Whether a net is shown by flags instead of lines. */
const isRail = (net: NamedNet | undefined): net is NamedNet & Pick<Flag, 'nature'> =>
  net?.nature === 'supply' || net?.nature === 'ground';

interface Context {
  design: Design;
  lines: Line[];
  nets: ReadonlyMap<string, NamedNet>;
  netOf: (ref: string) => string;
  column: (part: string) => number;
  stage: ReadonlyMap<string, Stage>;
  showFree: boolean;
}

function card(part: Part, context: Context): Card {
  const { nets, netOf, lines, stage, showFree } = context;
  const kind = kindOf(part);
  const wired = new Set(context.design.wires.flatMap((w) => [w.from, w.to]));
  const tabs: Tab[] = [];
  const flags: Flag[] = [];
  let freePins = 0;
  kind.terminals.forEach((terminal, i) => {
    const ref = terminalRef(part.id, terminal.id);
    const net = nets.get(netOf(ref));
    if (isRail(net)) {
      flags.push({ ref, label: terminal.label, net: net.id, nature: net.nature });
    } else if (terminal.role === 'pin' && !wired.has(ref) && !showFree) {
      freePins += 1;
    } else {
      tabs.push({
        ref,
        label: terminal.label,
        side: sideOf(ref, terminal, i, part, lines, context.column),
      });
    }
  });
  const labelled = kind.terminals.length > 3;
  const text = {
    name: part.name,
    id: part.id,
    headline: headlineOf(part),
    live: longestLive(part),
  };
  const pins = kind.terminals.some((t) => t.role === 'pin');
  const more = !pins ? '' : freePins > 0 ? `${freePins} free pins` : showFree ? 'fewer pins' : '';
  return {
    id: part.id,
    part,
    times: 1,
    stage: stage.get(part.id) ?? kind.stage,
    tabs,
    flags,
    more,
    labelled,
    ...cardSize({ ...text, ...sidesOf(tabs), labelled, supplies: suppliesOf(flags), more }),
  };
}

const suppliesOf = (flags: readonly Flag[]): number =>
  flags.filter((f) => f.nature === 'supply').length;

function sidesOf(tabs: readonly Tab[]): { west: string[]; east: string[] } {
  const labels = (side: Side): string[] => tabs.filter((t) => t.side === side).map((t) => t.label);
  return { west: labels('west'), east: labels('east') };
}

/** One card for a whole group: tabs where wires lead out of it, a flag for each rail. */
function groupCard(group: Group, context: Context): Card {
  const { design, nets, netOf, lines, column, stage } = context;
  const parts = design.parts.filter((p) => group.parts.includes(p.id));
  const tabs: Tab[] = [];
  const flags: Flag[] = [];
  for (const part of parts) {
    kindOf(part).terminals.forEach((terminal, i) => {
      const ref = terminalRef(part.id, terminal.id);
      const net = nets.get(netOf(ref));
      const out = lines.some((l) => l.from === ref || l.to === ref);
      if (isRail(net)) {
        if (!flags.some((f) => f.net === net.id))
          flags.push({ ref, label: terminal.label, net: net.id, nature: net.nature });
      } else if (out) {
        const side = sideOf(ref, terminal, i, part, lines, column);
        tabs.push({ ref, label: ref, side });
      }
    });
  }
  const [first] = [...parts].sort((a, b) => column(a.id) - column(b.id));
  if (!first) throw new RangeError(`There is no part in the group ${group.id}.`);
  const content = {
    name: group.name,
    id: '',
    headline: `${parts.length} parts`,
    live: '',
    more: '',
  };
  return {
    id: group.id,
    part: first,
    group,
    times: 1,
    stage: stage.get(first.id) ?? 'conditions',
    tabs,
    flags,
    more: '',
    labelled: true,
    ...cardSize({ ...content, ...sidesOf(tabs), labelled: true, supplies: suppliesOf(flags) }),
  };
}

/** East when its wires lead on to later columns; loose ends stand by their role. */
function sideOf(
  ref: string,
  terminal: Terminal,
  position: number,
  part: Part,
  lines: readonly Line[],
  column: (part: string) => number,
): Side {
  const own = column(part.id);
  const lean = lines.reduce((sum, line) => {
    if (line.from !== ref && line.to !== ref) return sum;
    const other = column(splitRef(line.from === ref ? line.to : line.from).part);
    const step = other === own ? (line.from === ref ? 0.5 : -0.5) : Math.sign(other - own);
    return sum + step;
  }, 0);
  if (lean !== 0) return lean > 0 ? 'east' : 'west';
  if (terminal.role === 'signal-out') return 'east';
  if (terminal.role === 'pin') return terminal.modes?.includes('analogue') ? 'west' : 'east';
  if (terminal.role === 'passive') return position === 0 ? 'west' : 'east';
  return 'west';
}

function leftToRight(line: Line, column: (part: string) => number): Line {
  const [a, b] = [column(splitRef(line.from).part), column(splitRef(line.to).part)];
  return a > b ? { ...line, from: line.to, to: line.from } : line;
}

/** Whether two states of a design have the same parts, named, wired and read alike: only values may differ. */
export const wiredAlike = (a: Design, b: Design): boolean =>
  a.wires === b.wires &&
  a.channels === b.channels &&
  a.groups === b.groups &&
  a.controller === b.controller &&
  a.parts.length === b.parts.length &&
  a.parts.every(({ id, kind, name }, i) => {
    const other = b.parts[i];
    return id === other?.id && kind === other.kind && name === other.name;
  });

/** Changes exactly when the picture must be laid out anew. */
export function layoutKey(graph: PictureGraph): string {
  return JSON.stringify([
    graph.cards.map((c) => [
      c.id,
      c.part.kind,
      c.times,
      c.stage,
      c.width,
      c.height,
      c.nameLines,
      c.tabs,
      c.flags.length,
    ]),
    graph.lines.map((l) => [l.id, l.from, l.to, l.read]),
  ]);
}

export const columnStages = stages.filter((s) => s !== 'feeds');
