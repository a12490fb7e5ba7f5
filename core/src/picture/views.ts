import { kindOf, sayReading, surroundings } from '../catalog/index.js';
import { sayVolts } from '../circuit/index.js';
import type { Design, Group } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';
import type { Oscillation, Snapshot } from '../rehearsal/index.js';
import { fitHeadline, flagSize, headlineOf } from './card-size.js';
import type { Card, Flag } from './graph.js';
import type { PlacedCard, PlacedLine, PlacedTab } from './lay-out.js';

/** What the wires show. */
export type Shown = 'volts' | 'amps';

export interface LineView extends PlacedLine {
  value: string;
  counts: string;
  title: string;
  thickness: number;
  /** Colour of its insulation, where that is recorded and no rail's. */
  colour: string;
}

export interface TabView extends PlacedTab {
  title: string;
  dim: boolean;
  loose: boolean;
  showLabel: boolean;
}

export interface FlagView extends Flag {
  x: number;
  y: number;
  width: number;
  text: string;
  title: string;
  dim: boolean;
}

type CardLines = Pick<Card, 'nameLines' | 'headlineY' | 'liveY'>;

export interface CardView extends CardLines {
  id: string;
  title: string;
  glyph: string;
  headline: string;
  live: string;
  acting: boolean;
  troubled: boolean;
  more: string;
  x: number;
  y: number;
  width: number;
  height: number;
  /** How many like it there are, where only one is drawn. */
  times: string;
  /** Id of the group it stands for. */
  group: string | undefined;
  /** Its leads are beyond the boundary to mains. */
  boundary: boolean;
  /** Places of tabs and flags are counted from the card's upper left corner. */
  tabs: TabView[];
  flags: FlagView[];
}

interface Context {
  design: Design;
  snapshot: Snapshot | undefined;
  refuse: ReadonlyMap<string, string>;
}

/** What a line is shown in the light of. */
export interface LineContext {
  design: Design;
  snapshot: Snapshot | undefined;
  show: Shown;
  /** By net name. */
  oscillations: Readonly<Record<string, Oscillation>>;
}

/** A wire with its live value; thicker with more current, in steps of the current's decade. */
export function lineView(line: PlacedLine, context: LineContext): LineView {
  const { design, snapshot, show, oscillations } = context;
  const net = snapshot?.solution.nets.find((n) => n.id === line.net);
  const amps = snapshot?.solution.wires[line.id];
  const wire = design.wires.find((w) => w.id === line.id);
  const channel = design.channels.find((c) => net?.terminals.includes(c.pin));
  const counts = channel && line.read ? snapshot?.counts[channel.id] : undefined;
  const oscillation = net && oscillations[net.name];
  const volts = net ? sayVolts(net) : '';
  const current = amps === undefined ? '–' : formatQuantity(Math.abs(amps), 'A');
  const read = channel && counts !== undefined && { pin: channel.pin, counts };
  const reading = read ? `, reads ${sayReading(design, read.pin, read.counts)}` : '';
  const swing = oscillation
    ? `, swings at ${formatQuantity(oscillation.hertz, 'Hz')}, ${duty(oscillation)}`
    : '';
  const value = oscillation ? formatQuantity(oscillation.hertz, 'Hz') : volts;
  const below = read
    ? sayReading(design, read.pin, read.counts, '')
    : oscillation
      ? duty(oscillation)
      : '';
  return {
    ...line,
    value: show === 'amps' ? current : line.main ? value : '',
    counts: show === 'volts' && line.main ? below : '',
    title: `Wire ${wire?.from ?? ''} to ${wire?.to ?? ''}: ${volts}, ${current}${reading}${swing}`,
    thickness: thicknessOf(amps),
    colour: wire?.colour ?? '',
  };
}

const duty = ({ duty: share }: Oscillation): string => `${Math.round(100 * share)} % high`;

/** 1 px up to 0.1 mA, then 0.6 px more for each decade. */
function thicknessOf(amps: number | undefined): number {
  const decades = Math.log10(Math.max(Math.abs(amps ?? 0), 1e-4) / 1e-4);
  return 1 + 0.6 * decades;
}

/** A card with what its part feels or does at this moment. */
export function cardView(card: Card, placed: PlacedCard, context: Context): CardView {
  if (card.group) return groupView(card, card.group, placed, context);
  const { part } = card;
  const kind = kindOf(part);
  const acting = context.snapshot?.acting[part.id];
  const live = liveText(part.id, context, kind.acts?.word);
  const headline = headlineOf(part);
  return {
    ...placed,
    ...linesOf(card),
    id: part.id,
    title: `${part.id} ${part.name}, ${kind.label}: ${headline}${live ? `, ${live}` : ''}`,
    glyph: kind.glyph,
    headline: fitHeadline(headline, part.id, placed.width),
    live,
    acting: acting?.active ?? false,
    troubled: context.snapshot?.solution.problems.some((p) => p.parts.includes(part.id)) ?? false,
    times: card.times > 1 ? `× ${card.times}` : '',
    group: undefined,
    boundary: kind.terminals.some((t) => t.role === 'mains'),
    more: card.more,
    tabs: tabViews(card, placed, context),
    flags: placeFlags(card, placed, context),
  };
}

const linesOf = ({ nameLines, headlineY, liveY }: Card): CardLines => ({
  nameLines,
  headlineY,
  liveY,
});

/** A card that stands for a group: what acts in it, how many parts it holds. */
function groupView(card: Card, group: Group, placed: PlacedCard, context: Context): CardView {
  const acting = group.parts.filter((p) => context.snapshot?.acting[p]?.active);
  const troubled = context.snapshot?.solution.problems.some((p) =>
    p.parts.some((id) => group.parts.includes(id)),
  );
  const live = acting.length > 0 ? `${acting.join(', ')} on` : '';
  return {
    ...placed,
    ...linesOf(card),
    id: group.id,
    title: `Group ${group.name}: ${group.parts.join(', ')}${live ? `, ${live}` : ''}`,
    glyph: groupGlyph,
    headline: `${group.parts.length} parts`,
    live,
    acting: acting.length > 0,
    troubled: troubled ?? false,
    more: '',
    times: '',
    group: group.id,
    boundary: false,
    tabs: tabViews(card, placed, context),
    flags: placeFlags(card, placed, context),
  };
}

/** Two boards behind each other. */
const groupGlyph = 'M3 7H17V21H3ZM7 7V3H21V17H17';

const tabViews = (card: Card, placed: PlacedCard, context: Context): TabView[] =>
  placed.tabs.map((tab) => {
    const own = { ...tab, x: tab.x - placed.x, y: tab.y - placed.y };
    return tabView(own, card.labelled, context);
  });

function liveText(part: string, { design, snapshot }: Context, word: string | undefined): string {
  const solved = snapshot?.solution.parts[part];
  if (!snapshot || !solved) return '';
  const placed = design.parts.find((p) => p.id === part);
  const kind = placed && kindOf(placed);
  const [main] = kind?.senses?.quantities ?? [];
  if (main && kind?.stage === 'feels') {
    const { rest, unit } = surroundings[main];
    return `feels ${formatQuantity(snapshot.stimulus[part]?.[main] ?? rest, unit)}`;
  }
  if (word) return snapshot.acting[part]?.active ? word : `not ${word}`;
  const watts = formatQuantity(Math.abs(solved.watts), 'W');
  return solved.watts < 0 && watts !== nothing ? `delivers ${watts}` : watts;
}

const nothing = formatQuantity(0, 'W');

const unsolved = 'not solved yet';

function tabView(
  tab: PlacedTab,
  labelled: boolean,
  { design, snapshot, refuse }: Context,
): TabView {
  const loose = !design.wires.some((w) => w.from === tab.ref || w.to === tab.ref);
  const net = snapshot?.solution.nets.find((n) => n.terminals.includes(tab.ref));
  const reason = refuse.get(tab.ref);
  const state = loose ? 'not connected' : snapshot ? sayVolts(net) : unsolved;
  return {
    ...tab,
    title: `Terminal ${tab.ref}: ${reason ?? state}`,
    dim: reason !== undefined,
    loose,
    showLabel: labelled,
  };
}

/** Supplies stand as banners on the card's upper edge, ground hangs from the lower one. */
function placeFlags(card: Card, placed: PlacedCard, { snapshot, refuse }: Context): FlagView[] {
  let supplies = 0;
  let grounds = 0;
  return card.flags.map((flag) => {
    const net = snapshot?.solution.nets.find((n) => n.id === flag.net);
    const volts = net?.volts === undefined ? '' : formatQuantity(net.volts, 'V');
    const reason = refuse.get(flag.ref);
    const at =
      flag.nature === 'supply'
        ? supplyPlace(supplies++, card.flagsPerRow)
        : { x: placed.width / 2 + grounds++ * 24, y: placed.height };
    return {
      ...flag,
      ...at,
      width: flagSize.width,
      text: volts || (net?.name ?? ''),
      title: `Terminal ${flag.ref} on ${net?.name ?? flag.nature}: ${reason ?? (snapshot ? sayVolts(net) : unsolved)}`,
      dim: reason !== undefined,
    };
  });
}

/** Rows of flags stand on each other, the first on the card. */
const supplyPlace = (index: number, perRow: number): { x: number; y: number } => ({
  x: (index % perRow) * flagSize.step,
  y: -flagSize.row * Math.floor(index / perRow),
});
