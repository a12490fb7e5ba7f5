import { inject, Injectable } from '@angular/core';
import type { Stage } from '@yurei/core/catalog';
import type { ElkExtendedEdge, ElkNode, ElkPort } from 'elkjs/lib/elk-api.js';
import { Elk } from '../common/elk';
import { exercise, layered as options } from './elk-options';
import { findLayout, keepLayout } from './kept-layouts';
import { islands, stack } from './islands';
import { LabelPlaces } from './label-places';
import { stageIndex } from './stage-of';
import {
  columnStages,
  labelledTop,
  layoutKey,
  tabPitch,
  type Card,
  type Line,
  type PictureGraph,
} from './graph';

export interface PlacedTab {
  ref: string;
  label: string;
  side: 'west' | 'east';
  x: number;
  y: number;
}

export interface PlacedCard {
  id: string;
  x: number;
  y: number;
  width: number;
  height: number;
  tabs: PlacedTab[];
}

export interface PlacedLine {
  id: string;
  net: string;
  read: boolean;
  /** SVG path. */
  path: string;
  /** Middle of its label. */
  label: { x: number; y: number };
  /** A point on the line to take it by. */
  grip: { x: number; y: number };
  /** Of all lines of its net the one that carries the net's label. */
  main: boolean;
}

/** A picture with a place for everything; supplies stand in a lane below the columns. */
export interface PictureLayout {
  width: number;
  height: number;
  cards: ReadonlyMap<string, PlacedCard>;
  lines: PlacedLine[];
  columns: { stage: Stage; x: number }[];
  feedsY: number;
}

/** A picture of more cards is laid out island by island: the time for one grows faster than its size. */
const mostAtOnce = 80;
const margin = { top: 52, left: 14, right: 14 };
const feedGap = 18;
/** Room for a column's heading, px. */
const headWidth = 90;
/** A picture is kept for the next visit once it has stood this long, ms. */
const keepAfter = 1000;

/** Lays pictures out with ELK in a worker of its own; a picture that was laid out before stands at once. */
@Injectable({ providedIn: 'root' })
export class PictureLayouter {
  private readonly elk = inject(Elk);
  private warm = false;
  private last?: { key: string; layout: Promise<PictureLayout> };
  /** Where cards stood last: they keep their order. */
  private before: ReadonlyMap<string, PlacedCard> = new Map();
  private keeping?: ReturnType<typeof setTimeout>;

  layOut(graph: PictureGraph): Promise<PictureLayout> {
    const key = layoutKey(graph);
    if (this.last?.key !== key) {
      // For the benchmark: how long a picture takes to be laid out.
      performance.mark('yurei-layout-begun');
      const kept = findLayout(key);
      const layout = kept ? Promise.resolve(kept) : this.compute(graph);
      void layout.then((found) => {
        performance.mark('yurei-layout-done');
        this.before = found.cards;
        clearTimeout(this.keeping);
        this.keeping = setTimeout(() => keepLayout(key, found), keepAfter);
      });
      this.last = { key, layout };
    }
    return this.last.layout;
  }

  /** Starts the worker and lets it lay out boxes like a circuit's, so that the first picture finds it ready. */
  async warmUp(): Promise<void> {
    if (this.warm || typeof Worker === 'undefined') return;
    this.warm = true;
    for (let round = 0; round < 5; round++) await this.elk.layOut(exercise());
  }

  /** Starts the worker, which takes a moment by itself. */
  start(): void {
    if (typeof Worker !== 'undefined') this.elk.start();
  }

  private async compute(graph: PictureGraph): Promise<PictureLayout> {
    const main = graph.cards.filter((c) => c.stage !== 'feeds');
    const feeds = graph.cards.filter((c) => c.stage === 'feeds');
    const inLane = new Set(feeds.flatMap((c) => c.tabs.map((t) => t.ref)));
    const lines = graph.lines.filter((l) => !touches(l, inLane));
    const place = (cards: readonly Card[], own: readonly Line[]): Promise<ElkNode> =>
      this.elk.layOut({
        id: 'root',
        layoutOptions: options,
        children: cards.map((card) => toNode(card, this.before.get(card.id))),
        edges: own.map(toEdge),
      });
    const apart = main.length > mostAtOnce ? islands(main, lines) : [{ cards: main, lines }];
    const roots = await Promise.all(apart.map((i) => place(i.cards, i.lines)));
    return arrange(stack(roots), main, feeds, lines);
  }
}

const touches = (line: Line, tabs: ReadonlySet<string>): boolean =>
  tabs.has(line.from) || tabs.has(line.to);

function toNode(card: Card, before: PlacedCard | undefined): ElkNode {
  const places = tabPlaces(card);
  return {
    id: card.id,
    width: card.width,
    height: card.height,
    layoutOptions: {
      'elk.partitioning.partition': String(stageIndex(card.stage)),
      'elk.portConstraints': 'FIXED_POS',
      ...(before ? { 'elk.position': `(${before.x}, ${before.y})` } : {}),
    },
    ports: places.map(({ ref, side, x, y }): ElkPort => ({
      id: ref,
      width: 0,
      height: 0,
      x,
      y,
      layoutOptions: { 'elk.port.side': side === 'west' ? 'WEST' : 'EAST' },
    })),
  };
}

/** Tabs stand below each other, under the text where they carry labels, else around the middle. */
function tabPlaces(card: Card): PlacedTab[] {
  return card.tabs.map((tab) => {
    const same = card.tabs.filter((t) => t.side === tab.side);
    const top = card.labelled ? labelledTop : card.height / 2 - ((same.length - 1) * tabPitch) / 2;
    const y = top + same.indexOf(tab) * tabPitch;
    return { ...tab, x: tab.side === 'west' ? 0 : card.width, y };
  });
}

const toEdge = (line: Line): ElkExtendedEdge => ({
  id: line.id,
  sources: [line.from],
  targets: [line.to],
});

function arrange(root: ElkNode, main: Card[], feeds: Card[], lines: Line[]): PictureLayout {
  const cards = new Map<string, PlacedCard>();
  for (const node of root.children ?? []) {
    const card = main.find((c) => c.id === node.id);
    if (card) cards.set(node.id, placeCard(card, node));
  }
  const height = margin.top + (root.height ?? 0);
  const feedsY = height + 44;
  const feedsWidth = placeFeeds(feeds, feedsY, cards);
  const width = Math.max((root.width ?? 0) + margin.left + margin.right, feedsWidth, 640);
  const feedHeight = Math.max(0, ...feeds.map((c) => c.height));
  return {
    width,
    height: feedsY + 26 + feedHeight + 30,
    cards,
    lines: placeLines(
      (root.edges ?? []).flatMap((edge) => route(edge, lines)),
      cards,
    ),
    columns: columnHeads(main, cards),
    feedsY,
  };
}

function placeCard(card: Card, node: ElkNode): PlacedCard {
  return at(card, (node.x ?? 0) + margin.left, (node.y ?? 0) + margin.top);
}

/** A card with its tabs at a place. */
function at(card: Card, x: number, y: number): PlacedCard {
  const tabs = tabPlaces(card).map((tab) => ({ ...tab, x: x + tab.x, y: y + tab.y }));
  return { id: card.id, x, y, width: card.width, height: card.height, tabs };
}

/** Supplies stand side by side in their lane; returns how far right they reach. */
function placeFeeds(feeds: Card[], feedsY: number, cards: Map<string, PlacedCard>): number {
  let x = margin.left;
  for (const card of feeds) {
    cards.set(card.id, at(card, x, feedsY + 26));
    x += card.width + feedGap;
  }
  return x;
}

type Point = PlacedLine['label'];

interface RoutedLine {
  line: Line;
  points: Point[];
}

function route(edge: ElkExtendedEdge, lines: Line[]): RoutedLine[] {
  const line = lines.find((l) => l.id === edge.id);
  const section = edge.sections?.[0];
  if (!line || !section) return [];
  const points = [section.startPoint, ...(section.bendPoints ?? []), section.endPoint];
  const moved = points.map((p) => ({ x: p.x + margin.left, y: p.y + margin.top }));
  return [{ line, points: moved }];
}

/** The middle of a line's longest stretch. */
function middleOf(points: readonly Point[]): Point {
  const length = (i: number): number =>
    Math.hypot(points[i + 1].x - points[i].x, points[i + 1].y - points[i].y);
  let longest = 0;
  for (let i = 1; i < points.length - 1; i++) if (length(i) > length(longest)) longest = i;
  const [a, b] = [points[longest], points[longest + 1]];
  return { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
}

/** Lines with their labels where those are not in the way; one line of each net carries the net's. */
function placeLines(routed: RoutedLine[], cards: ReadonlyMap<string, PlacedCard>): PlacedLine[] {
  const labels = new LabelPlaces([...cards.values()]);
  const best = new Map<string, { id: string; room: number }>();
  const placed = routed.map(({ line, points }) => {
    const { at, room } = labels.place(points, line.read);
    const known = best.get(line.net);
    if (!known || room > known.room) best.set(line.net, { id: line.id, room });
    const path = points.map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x} ${p.y}`).join('');
    return { id: line.id, net: line.net, read: line.read, path, label: at, grip: middleOf(points) };
  });
  return placed.map((line) => ({ ...line, main: best.get(line.net)?.id === line.id }));
}

/** Each column's heading stands over its leftmost card, but clear of the one before it. */
function columnHeads(
  main: Card[],
  cards: ReadonlyMap<string, PlacedCard>,
): PictureLayout['columns'] {
  let free = margin.left;
  return columnStages.map((stage) => {
    const xs = main.filter((c) => c.stage === stage).map((c) => cards.get(c.id)?.x ?? 0);
    const x = xs.length > 0 ? Math.max(free, Math.min(...xs)) : free;
    free = x + headWidth;
    return { stage, x };
  });
}
