import { inject, Injectable } from '@angular/core';
import type { Stage } from '@yurei/core/catalog';
import type { ElkNode } from 'elkjs/lib/elk-api.js';
import { Elk } from '../common/elk';
import { arrange, tightness } from './arrange';
import type { Point } from '../common/boxes';
import { exercise, laneWays, ways } from './elk-options';
import { islands, stack } from './islands';
import { findLayout, keepLayout } from './kept-layouts';
import { layoutKey, type Card, type Line, type PictureGraph } from './graph';
import { toElk } from './to-elk';

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
  /** The way in which the last picture was laid out: the next looks like it if it can. */
  private way = 0;
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

  /** The first way that makes the picture legible as a whole, else the best of them. */
  private async compute(graph: PictureGraph): Promise<PictureLayout> {
    const isFeed = (card: Card): boolean => card.stage === 'feeds';
    const main = graph.cards.filter((c) => !isFeed(c));
    const feeds = graph.cards.filter(isFeed);
    const within = (cards: readonly Card[]): Line[] => {
      const tabs = new Set(cards.flatMap((c) => c.tabs.map((t) => t.ref)));
      return graph.lines.filter((l) => tabs.has(l.from) && tabs.has(l.to));
    };
    const lines = within(main);
    const lanes = await Promise.all(
      (feeds.length > 0 ? laneWays : []).map((way) => this.place(feeds, within(feeds), way)),
    );
    const inTurn = ways.map((_, i) => (this.way + i) % ways.length);
    let best: { layout: PictureLayout; way: number } | undefined;
    for (const way of graph.cards.length > mostTried ? [0] : inTurn) {
      const root = await this.place(main, lines, ways[way]);
      const layout = arrange(root, lanes, graph);
      if (!best || tightness(layout) < tightness(best.layout)) best = { layout, way };
      if (tightness(best.layout) <= 1) break;
    }
    if (!best) throw new Error('There is no way to lay a picture out.');
    this.way = best.way;
    return best.layout;
  }

  private async place(
    cards: readonly Card[],
    lines: readonly Line[],
    way: Readonly<Record<string, string>>,
  ): Promise<ElkNode> {
    const apart = cards.length > mostAtOnce ? islands(cards, lines) : [{ cards, lines }];
    return stack(
      await Promise.all(
        apart.map((i) => this.elk.layOut(toElk(i.cards, i.lines, this.before, way))),
      ),
    );
  }
}
