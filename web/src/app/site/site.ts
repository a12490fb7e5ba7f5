import { computed, inject, Injectable, signal } from '@angular/core';
import type { Param } from '@yurei/core/catalog';
import type { Edit, Plan, Point, Room, Spot, Tree, Wall } from '@yurei/core/design';
import { ambientOf } from '@yurei/core/scene';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';

/** Lists of things on a plan, by what is in them. */
interface Lists {
  rooms: Room;
  walls: Wall;
  trees: Tree;
  spots: Spot;
  entrances: Point;
}
export type SiteList = keyof Lists;

/** What the sides of a plan are called: by the compass as long as north is up. */
export interface Sides {
  right: string;
  up: string;
  /** From where directions are counted, anticlockwise. */
  start: string;
  across: string;
  deep: string;
}
const byCompass: Sides = {
  ...{ right: 'east', up: 'north', start: 'east' },
  ...{ across: 'from west to east', deep: 'from south to north' },
};
const turned: Sides = {
  ...{ right: 'to the right', up: 'up', start: 'the right' },
  ...{ across: 'from left to right', deep: 'from bottom to top' },
};

export const sidesOf = ({ north = 0 }: Pick<Plan, 'north'>): Sides =>
  north === 0 ? byCompass : turned;

/** The plan of the place while it is edited: what of it is picked, how its sides are called, and its lists. */
@Injectable()
export class Site {
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  readonly plan = computed(() => this.session.design()?.plan);
  /** "wall 2", "room 0", "tree 1" or nothing: its ends and corners can be dragged. */
  readonly picked = signal('');
  /** Two points on the picture under the plan, the way between which is known. */
  readonly measured = signal<readonly [Point, Point] | undefined>(undefined);

  /** Of the place, degrees north, as the scene that is looked at has it; undefined as long as there is none. */
  readonly latitude = computed(() => {
    const scene = this.view.scene();
    return scene && ambientOf(scene).latitude;
  });

  readonly sides = computed(() => sidesOf(this.plan() ?? {}));
  readonly right = computed((): Param => along(this.sides().right, this.plan()?.width ?? 0));
  readonly up = computed((): Param => along(this.sides().up, this.plan()?.depth ?? 0));
  readonly middle = computed((): Point => {
    const { width = 0, depth = 0 } = this.plan() ?? {};
    return { x: width / 2, y: depth / 2 };
  });

  put(change: Partial<Plan>): void {
    const plan = this.plan();
    if (plan) this.session.edit({ type: 'set-plan', plan: { ...plan, ...change } });
  }

  /** A place is at one latitude: all its scenes are. */
  moveTo(latitude: number): void {
    const scenes = this.session.design()?.scenes ?? [];
    const edits = scenes.map((scene): Edit => {
      const ambient = { ...scene.ambient, latitude };
      return { type: 'put-scene', scene: { ...scene, ambient } };
    });
    this.session.edit({ type: 'batch', label: 'set the latitude', edits });
  }

  add<K extends SiteList>(list: K, item: Lists[K]): void {
    this.put({ [list]: [...this.of(list), item] });
  }

  change<K extends SiteList>(list: K, index: number, to: (item: Lists[K]) => Lists[K]): void {
    this.put({ [list]: this.of(list).map((item, i) => (i === index ? to(item) : item)) });
  }

  remove(list: SiteList, index: number): void {
    this.picked.set('');
    this.put({ [list]: this.of(list).filter((_, i) => i !== index) });
  }

  private of<K extends SiteList>(list: K): Lists[K][] {
    return (this.plan()?.[list] ?? []) as Lists[K][];
  }
}

const along = (label: string, max: number): Param => ({
  ...{ id: 'along', label: `${label.charAt(0).toUpperCase()}${label.slice(1)}`, unit: 'm' },
  ...{ default: 0, min: 0, max },
});
