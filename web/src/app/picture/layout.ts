import { inject, Injectable } from '@angular/core';
import {
  exercise,
  layOutPicture,
  layoutKey,
  type LaidOutBefore,
  type PictureGraph,
  type PictureLayout,
} from '@yurei/core/picture';
import { Elk } from '../common/elk';
import { findLayout, keepLayout } from './kept-layouts';

/** A picture is kept for the next visit once it has stood this long, ms. */
const keepAfter = 1000;

/** Lays pictures out with ELK in a worker of its own; a picture that was laid out before stands at once. */
@Injectable({ providedIn: 'root' })
export class PictureLayouter {
  private readonly elk = inject(Elk);
  private warm = false;
  private last?: { key: string; layout: Promise<PictureLayout> };
  /** The next picture looks like the last if it can. */
  private before: LaidOutBefore = { cards: new Map(), way: 0 };
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
        this.before = { ...this.before, cards: found.cards };
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
    const { layout, way } = await layOutPicture(
      graph,
      (root) => this.elk.layOut(root),
      this.before,
    );
    this.before = { ...this.before, way };
    return layout;
  }
}
