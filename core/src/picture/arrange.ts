import { consecutive } from '../design/index.js';
import type { ElkExtendedEdge, ElkNode } from 'elkjs/lib/elk-api.js';
import { stretchBoxes, type Box, type Point } from './boxes.js';
import { freeCorner, shrink } from './free-corner.js';
import { columnStages, type Card, type Line, type PictureGraph } from './graph.js';
import { LabelPlaces } from './label-places.js';
import type { PictureLayout, PlacedCard, PlacedLine } from './lay-out.js';
import { overhang, tabPlaces } from './to-elk.js';

/** What a picture is best fitted to: the paper of a step at 1280 by 800, px. */
export const frame = { width: 1156, height: 562 };
const margin = { top: 36, side: 16, below: 10 };
/** From the heading of the feeds to their cards. */
const feedsHead = 34;
/** Room for a column's heading, px. */
const headWidth = 90;

interface RoutedLine {
  line: Line;
  points: Point[];
}

/** How much smaller than laid out a picture is drawn in its frame; up to 1 every letter is at its size. */
export const tightness = (layout: PictureLayout): number => shrink(layout, frame);

/**
 * From what ELK answers to a picture: supplies in the free corner, labels where they are not in the way.
 *
 * @param root the columns
 * @param lanes the supplies, in the shapes to choose from
 */
export function arrange(
  root: ElkNode,
  lanes: readonly ElkNode[],
  graph: PictureGraph,
): PictureLayout {
  const columns = placeNodes(root, graph, { x: margin.side, y: margin.top });
  const taken = [...columns.boxes, ...columns.routed.flatMap((r) => stretchBoxes(r.points, 2))];
  // An empty bench is not to be all headings.
  const least = graph.cards.length === 0 ? frame.width : columnStages.length * headWidth;
  const across = Math.max((root.width ?? 0) + 2 * margin.side, least);
  const down = Math.max(margin.top + 40, ...taken.map((b) => b.y + b.height)) + margin.below;
  const lane = placeLane(lanes, taken, { width: across, height: down });
  const feeds = lane && placeNodes(lane.root, graph, { x: lane.box.x, y: lane.box.y + feedsHead });
  const cards = new Map([...columns.cards, ...(feeds?.cards ?? [])]);
  return {
    width: Math.max(across, lane ? lane.box.x + lane.box.width + margin.side : 0),
    height: Math.max(down, lane ? lane.box.y + lane.box.height + margin.below : 0),
    cards,
    lines: placeLines(
      [...columns.routed, ...(feeds?.routed ?? [])],
      [...columns.boxes, ...(feeds?.boxes ?? []), ...headings(lane?.box)],
    ),
    columns: columnHeads(
      graph.cards.filter((c) => c.stage !== 'feeds'),
      cards,
    ),
    feeds: lane && { x: lane.box.x, y: lane.box.y + 12, width: lane.box.width },
  };
}

/** Where no label may stand: on the headings. */
const headings = (lane: Box | undefined): Box[] => [
  { x: 0, y: 0, width: 1e5, height: margin.top - 8 },
  ...(lane ? [{ ...lane, height: feedsHead - 8 }] : []),
];

interface Placed {
  cards: Map<string, PlacedCard>;
  /** The cards with their flags. */
  boxes: Box[];
  routed: RoutedLine[];
}

/** Cards and lines where ELK has put them, moved to a corner of the paper. */
function placeNodes(root: ElkNode, graph: PictureGraph, corner: Point): Placed {
  const cards = new Map<string, PlacedCard>();
  const boxes: Box[] = [];
  for (const { id, x = 0, y = 0, width = 0, height = 0 } of root.children ?? []) {
    const card = graph.cards.find((c) => c.id === id);
    if (!card) continue;
    boxes.push({ x: corner.x + x, y: corner.y + y, width, height });
    cards.set(id, at(card, corner.x + x, corner.y + y + overhang(card).above));
  }
  const routed = (root.edges ?? []).flatMap((edge) => route(edge, graph.lines, corner));
  return { cards, boxes, routed };
}

/** Supplies stand together wherever they make the picture no larger. */
function placeLane(
  lanes: readonly ElkNode[],
  taken: readonly Box[],
  extent: { width: number; height: number },
): { root: ElkNode; box: Box } | undefined {
  const sizes = lanes.map((l) => ({ width: l.width ?? 0, height: (l.height ?? 0) + feedsHead }));
  const found = freeCorner(sizes, taken, extent, frame, { x: margin.side, y: margin.top });
  const [root, size] = [lanes[found.block], sizes[found.block]];
  return root && size && { root, box: { x: found.x, y: found.y, ...size } };
}

/** A card with its tabs at a place. */
function at(card: Card, x: number, y: number): PlacedCard {
  const tabs = tabPlaces(card).map((tab) => ({ ...tab, x: x + tab.x, y: y + tab.y }));
  return { id: card.id, x, y, width: card.width, height: card.height, tabs };
}

function route(edge: ElkExtendedEdge, lines: readonly Line[], corner: Point): RoutedLine[] {
  const line = lines.find((l) => l.id === edge.id);
  const section = edge.sections?.[0];
  if (!line || !section) return [];
  const points = [section.startPoint, ...(section.bendPoints ?? []), section.endPoint];
  const moved = points.map((p) => ({ x: p.x + corner.x, y: p.y + corner.y }));
  return [{ line, points: moved }];
}

/** The middle of a line's longest stretch. */
function middleOf(points: readonly Point[]): Point {
  const length = ([a, b]: [Point, Point]): number => Math.hypot(b.x - a.x, b.y - a.y);
  const [start = { x: 0, y: 0 }] = points;
  const [[a, b] = [start, start]] = consecutive(points).sort((s, t) => length(t) - length(s));
  return { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
}

/** Lines with their labels where those are not in the way; one line of each net carries the net's. */
function placeLines(routed: readonly RoutedLine[], cards: readonly Box[]): PlacedLine[] {
  const labels = new LabelPlaces(
    cards,
    routed.map((r) => r.points),
  );
  const best = new Map<string, { id: string; room: number }>();
  const placed = routed.map(({ line, points }) => {
    const { at: label, room } = labels.place(points, line.read);
    const known = best.get(line.net);
    if (label && (!known || room > known.room)) best.set(line.net, { id: line.id, room });
    const path = points.map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x} ${p.y}`).join('');
    return { id: line.id, net: line.net, read: line.read, path, label, grip: middleOf(points) };
  });
  return placed.map((line) => ({ ...line, main: best.get(line.net)?.id === line.id }));
}

/** Each column's heading stands over its leftmost card, but clear of the one before it. */
function columnHeads(
  main: readonly Card[],
  cards: ReadonlyMap<string, PlacedCard>,
): PictureLayout['columns'] {
  let free = margin.side;
  return columnStages.map((stage) => {
    const xs = main.filter((c) => c.stage === stage).map((c) => cards.get(c.id)?.x ?? 0);
    const x = xs.length > 0 ? Math.max(free, Math.min(...xs)) : free;
    free = x + headWidth;
    return { stage, x };
  });
}
