import { Injectable } from '@angular/core';
import type { Stage } from '@yurei/core/catalog';
import ELK, { type ElkExtendedEdge, type ElkNode, type ElkPort } from 'elkjs/lib/elk-api.js';
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

const labelSize = { width: 50, height: 30 };
const margin = { top: 52, left: 14, right: 14 };
const feedGap = 18;
/** Room for a column's heading, px. */
const headWidth = 90;

const options = {
  'elk.algorithm': 'layered',
  'elk.direction': 'RIGHT',
  'elk.edgeRouting': 'ORTHOGONAL',
  'elk.partitioning.activate': 'true',
  'elk.separateConnectedComponents': 'false',
  'elk.spacing.nodeNode': '38',
  'elk.spacing.edgeNode': '20',
  'elk.layered.spacing.nodeNodeBetweenLayers': '12',
  'elk.layered.spacing.edgeNodeBetweenLayers': '8',
  'elk.spacing.edgeLabel': '2',
  'elk.layered.nodePlacement.strategy': 'NETWORK_SIMPLEX',
  'elk.layered.considerModelOrder.strategy': 'NODES_AND_EDGES',
  'elk.padding': '[top=0,left=0,bottom=0,right=0]',
};

/** Lays pictures out with ELK in a worker of its own; the last one is kept for as long as it fits. */
@Injectable({ providedIn: 'root' })
export class PictureLayouter {
  private elk?: InstanceType<typeof ELK>;
  private last?: { key: string; layout: Promise<PictureLayout> };

  layOut(graph: PictureGraph): Promise<PictureLayout> {
    const key = layoutKey(graph);
    if (this.last?.key !== key) this.last = { key, layout: this.compute(graph) };
    return this.last.layout;
  }

  private async compute(graph: PictureGraph): Promise<PictureLayout> {
    this.elk ??= new ELK({ workerFactory: () => new Worker('elk/elk-worker.min.js') });
    const main = graph.cards.filter((c) => c.stage !== 'feeds');
    const feeds = graph.cards.filter((c) => c.stage === 'feeds');
    const inLane = new Set(feeds.map((c) => c.part.id));
    const lines = graph.lines.filter((l) => !touches(l, inLane));
    const root = await this.elk.layout({
      id: 'root',
      layoutOptions: options,
      children: main.map(toNode),
      edges: lines.map(toEdge),
    });
    return arrange(root, main, feeds, lines);
  }
}

const touches = (line: Line, parts: ReadonlySet<string>): boolean =>
  parts.has(line.from.split('.')[0]) || parts.has(line.to.split('.')[0]);

function toNode(card: Card): ElkNode {
  const places = tabPlaces(card);
  return {
    id: card.part.id,
    width: card.width,
    height: card.height,
    layoutOptions: {
      'elk.partitioning.partition': String(stageIndex(card.stage)),
      'elk.portConstraints': 'FIXED_POS',
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
  labels: [{ id: `${line.id}:label`, text: '0.00 V', ...labelSize }],
});

function arrange(root: ElkNode, main: Card[], feeds: Card[], lines: Line[]): PictureLayout {
  const cards = new Map<string, PlacedCard>();
  for (const node of root.children ?? []) {
    const card = main.find((c) => c.part.id === node.id);
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
    lines: (root.edges ?? []).map((edge) => placeLine(edge, lines)),
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
  return { id: card.part.id, x, y, width: card.width, height: card.height, tabs };
}

/** Supplies stand side by side in their lane; returns how far right they reach. */
function placeFeeds(feeds: Card[], feedsY: number, cards: Map<string, PlacedCard>): number {
  let x = margin.left;
  for (const card of feeds) {
    cards.set(card.part.id, at(card, x, feedsY + 26));
    x += card.width + feedGap;
  }
  return x;
}

function placeLine(edge: ElkExtendedEdge, lines: Line[]): PlacedLine {
  const line = lines.find((l) => l.id === edge.id);
  const section = edge.sections?.[0];
  const points = section
    ? [section.startPoint, ...(section.bendPoints ?? []), section.endPoint]
    : [];
  const path = points
    .map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x + margin.left} ${p.y + margin.top}`)
    .join('');
  const label = edge.labels?.[0];
  return {
    id: edge.id,
    net: line?.net ?? '',
    read: line?.read ?? false,
    path,
    label: {
      x: (label?.x ?? 0) + margin.left + labelSize.width / 2,
      y: (label?.y ?? 0) + margin.top + labelSize.height / 2,
    },
  };
}

/** Each column's heading stands over its leftmost card, but clear of the one before it. */
function columnHeads(
  main: Card[],
  cards: ReadonlyMap<string, PlacedCard>,
): PictureLayout['columns'] {
  let free = margin.left;
  return columnStages.map((stage) => {
    const xs = main.filter((c) => c.stage === stage).map((c) => cards.get(c.part.id)?.x ?? 0);
    const x = xs.length > 0 ? Math.max(free, Math.min(...xs)) : free;
    free = x + headWidth;
    return { stage, x };
  });
}
