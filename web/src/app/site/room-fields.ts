import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import type { Param } from '@yurei/core/catalog';
import type { Plan, Point, Room, Wall } from '@yurei/core/design';
import { formatArea } from '@yurei/core/quantity';
import { crossesItself, outlineArea } from '@yurei/core/scene';
import { Button } from 'primeng/button';
import { InlineName } from '../common/inline-name';
import { InlineValue } from '../common/inline-value';
import { PointFields } from './point-fields';
import { Site } from './site';
import { directionOf, lengthBetween, lengthParam, pointAt } from './stretch';

/** Fewer corners make no room. */
const fewestCorners = 3;

/** Rooms by their corners. */
@Component({
  selector: 'yu-room-fields',
  imports: [Button, InlineName, InlineValue, PointFields],
  template: `
    @if (site.plan(); as plan) {
      @for (room of plan.rooms ?? []; track $index; let i = $index) {
        <div class="thing" (focusin)="site.picked.set('room ' + i)">
          <p>
            <yu-inline-name
              [label]="'Name of room ' + (i + 1)"
              [value]="room.name"
              (changed)="put(i, { name: $event })"
            />
            {{ area(room) }}
            <p-button
              label="Walls around it"
              [ariaLabel]="'Walls around ' + room.name"
              size="small"
              variant="text"
              [disabled]="missing(plan, room).length === 0"
              (onClick)="site.put({ walls: plan.walls.concat(missing(plan, room)) })"
            />
            <p-button
              label="Remove"
              [ariaLabel]="'Remove ' + room.name"
              size="small"
              variant="text"
              (onClick)="site.remove('rooms', i)"
            />
          </p>
          @for (corner of room.outline; track $index; let c = $index) {
            <p class="within">
              <yu-point-fields [point]="corner" (moved)="move(i, c, $event)" />, then
              <yu-inline-value
                [param]="length(plan, room, c)"
                [value]="sideOf(room, c)"
                (changed)="setSide(plan, i, c, $event)"
              />
              @if (room.outline.length > fewest) {
                <p-button
                  label="Remove"
                  [ariaLabel]="'Remove corner ' + (c + 1) + ' of ' + room.name"
                  size="small"
                  variant="text"
                  (onClick)="removeCorner(i, c)"
                />
              }
            </p>
          }
          <p class="within">
            <p-button
              label="Add corner"
              [ariaLabel]="'Add corner to ' + room.name"
              icon="pi pi-plus"
              size="small"
              variant="text"
              (onClick)="addCorner(i)"
            />
          </p>
        </div>
      } @empty {
        <p class="soft">No room yet: what is noticed is told of the whole plan.</p>
      }
      <p-button
        label="Add room"
        icon="pi pi-plus"
        size="small"
        variant="text"
        (onClick)="add(plan)"
      />
    }
  `,
  styleUrl: './fields.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RoomFields {
  protected readonly site = inject(Site);
  protected readonly fewest = fewestCorners;

  protected area({ outline }: Room): string {
    return crossesItself(outline) ? 'has no area' : formatArea(outlineArea(outline));
  }

  protected put(index: number, change: Partial<Room>): void {
    this.site.change('rooms', index, (room) => ({ ...room, ...change }));
  }

  protected move(index: number, corner: number, to: Point): void {
    this.site.change('rooms', index, (room) => ({
      ...room,
      outline: room.outline.map((p, i) => (i === corner ? to : p)),
    }));
  }

  protected sideOf({ outline }: Room, corner: number): number {
    return lengthBetween(...side(outline, corner));
  }

  protected length(plan: Plan, { outline }: Room, corner: number): Param {
    return lengthParam(plan, ...side(outline, corner));
  }

  /** The next corner goes along the side. */
  protected setSide(plan: Plan, index: number, corner: number, length: number): void {
    const outline = plan.rooms?.[index]?.outline ?? [];
    const [from, to] = side(outline, corner);
    const moved = pointAt(plan, from, directionOf(from, to), length);
    this.move(index, (corner + 1) % outline.length, moved);
  }

  /** In the middle of its longest side. */
  protected addCorner(index: number): void {
    this.site.change('rooms', index, ({ outline, ...room }) => {
      const sides = outline.map((_, i) => lengthBetween(...side(outline, i)));
      const at = sides.indexOf(Math.max(...sides));
      const [a, b] = side(outline, at);
      const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
      return { ...room, outline: outline.toSpliced(at + 1, 0, middle) };
    });
  }

  protected removeCorner(index: number, corner: number): void {
    this.site.change('rooms', index, ({ outline, ...room }) => ({
      ...room,
      outline: outline.filter((_, i) => i !== corner),
    }));
  }

  /** Sides along which no wall goes yet, as walls. */
  protected missing({ walls }: Plan, { outline }: Room): Wall[] {
    return outline
      .map((from, i) => ({ from, to: side(outline, i)[1] }))
      .filter((edge) => !walls.some((wall) => isAlong(wall, edge)));
  }

  /** In the middle, half as wide and as deep as the plan. */
  protected add({ width, depth, rooms = [] }: Plan): void {
    const [w, d] = [width / 4, depth / 4];
    const outline = [
      { x: w, y: d },
      { x: 3 * w, y: d },
      { x: 3 * w, y: 3 * d },
      { x: w, y: 3 * d },
    ];
    this.site.add('rooms', { name: `Room ${rooms.length + 1}`, outline });
    this.site.picked.set(`room ${rooms.length}`);
  }
}

/** A corner and the next one; the zero point where a room has none. */
const side = (outline: readonly Point[], corner: number): [from: Point, to: Point] => {
  const at = (i: number): Point => outline[i % outline.length] ?? { x: 0, y: 0 };
  return [at(corner), at(corner + 1)];
};

const same = (a: Point, b: Point): boolean => lengthBetween(a, b) < 1e-6;

const isAlong = (wall: Pick<Wall, 'from' | 'to'>, { from, to }: Pick<Wall, 'from' | 'to'>) =>
  (same(wall.from, from) && same(wall.to, to)) || (same(wall.from, to) && same(wall.to, from));
