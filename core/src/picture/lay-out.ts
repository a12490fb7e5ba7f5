import type { ElkNode } from 'elkjs/lib/elk-api.js';
import type { Stage } from '../catalog/index.js';
import { arrange, tightness } from './arrange.js';
import type { Point } from './boxes.js';
import { laneWays, ways } from './elk-options.js';
import type { Card, Line, PictureGraph } from './graph.js';
import { islands, stack } from './islands.js';
import { toElk } from './to-elk.js';

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
  /** Middle of its label; none where there is no room for one. */
  label: Point | undefined;
  /** A point on the line to take it by. */
  grip: Point;
  /** Of all lines of its net the one that carries the net's label. */
  main: boolean;
}

/** A picture with a place for everything. */
export interface PictureLayout {
  width: number;
  height: number;
  cards: ReadonlyMap<string, PlacedCard>;
  lines: PlacedLine[];
  columns: { stage: Stage; x: number }[];
  /** Where the heading of the supplies stands, and how wide they are. */
  feeds: (Point & { width: number }) | undefined;
}

/** A picture of more cards is laid out island by island: the time for one grows faster than its size. */
const mostAtOnce = 80;
/** Up to so many cards, another way is tried where a picture would not be legible as a whole. */
const mostTried = 40;

/** Gives boxes and lines their places, as ELK does. */
export type LayOutBoxes = (root: ElkNode) => Promise<ElkNode>;

/** Where cards stood last, which keep their order, and in which way the picture was laid out. */
export interface LaidOutBefore {
  cards: ReadonlyMap<string, PlacedCard>;
  way: number;
}

/** Lays a picture out in the first way that makes it legible as a whole, else in the best of them. */
export async function layOutPicture(
  graph: PictureGraph,
  boxes: LayOutBoxes,
  before: LaidOutBefore = { cards: new Map(), way: 0 },
): Promise<{ layout: PictureLayout; way: number }> {
  const isFeed = (card: Card): boolean => card.stage === 'feeds';
  const main = graph.cards.filter((c) => !isFeed(c));
  const feeds = graph.cards.filter(isFeed);
  const within = (cards: readonly Card[]): Line[] => {
    const tabs = new Set(cards.flatMap((c) => c.tabs.map((t) => t.ref)));
    return graph.lines.filter((l) => tabs.has(l.from) && tabs.has(l.to));
  };
  const place = async (
    cards: readonly Card[],
    lines: readonly Line[],
    way: Readonly<Record<string, string>>,
  ): Promise<ElkNode> => {
    const apart = cards.length > mostAtOnce ? islands(cards, lines) : [{ cards, lines }];
    return stack(
      await Promise.all(apart.map((i) => boxes(toElk(i.cards, i.lines, before.cards, way)))),
    );
  };
  const lines = within(main);
  const lanes = await Promise.all(
    (feeds.length > 0 ? laneWays : []).map((way) => place(feeds, within(feeds), way)),
  );
  const all = ways.map((options, way) => ({ options, way }));
  const inTurn = [...all.slice(before.way), ...all.slice(0, before.way)];
  let best: { layout: PictureLayout; way: number } | undefined;
  const tried = graph.cards.length > mostTried ? all.slice(0, 1) : inTurn;
  for (const { options, way } of tried) {
    const root = await place(main, lines, options);
    const layout = arrange(root, lanes, graph);
    if (!best || tightness(layout) < tightness(best.layout)) best = { layout, way };
    if (tightness(best.layout) <= 1) break;
  }
  if (!best) throw new Error('There is no way to lay a picture out.');
  return best;
}
