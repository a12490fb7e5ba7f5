import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Plan } from '@yurei/core/design';
import { crossesItself, piecesOf } from '@yurei/core/scene';
import { Site } from './site';
import { drawn, type Scale } from './site-drawing';

/** What does not move on the plan: the picture under it, rooms, walls with their openings, and trees. */
@Component({
  // Within a drawing an element of its own would not be drawn.
  // eslint-disable-next-line @angular-eslint/component-selector
  selector: 'g[yuSiteGround]',
  template: `
    @for (room of rooms(); track $index) {
      <svg:g
        class="room"
        [class.odd]="room.odd"
        [class.picked]="site.picked() === room.key"
        (click)="site.picked.set(room.key)"
      >
        <svg:path [attr.d]="room.d" />
      </svg:g>
    }
    @for (tree of trees(); track $index) {
      <svg:circle
        class="tree"
        [class.picked]="site.picked() === tree.key"
        [attr.cx]="tree.at.x"
        [attr.cy]="tree.at.y"
        [attr.r]="tree.r"
        (click)="site.picked.set(tree.key)"
      />
    }
    @for (wall of walls(); track $index) {
      <svg:g
        class="wall"
        [class.low]="wall.low"
        [class.picked]="site.picked() === wall.key"
        (click)="site.picked.set(wall.key)"
      >
        @for (piece of wall.pieces; track $index) {
          <svg:line
            [attr.class]="piece.kind"
            [attr.x1]="piece.from.x"
            [attr.y1]="piece.from.y"
            [attr.x2]="piece.to.x"
            [attr.y2]="piece.to.y"
          />
        }
      </svg:g>
    }
  `,
  styleUrl: './site-ground.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SiteGround {
  readonly plan = input.required<Plan>();
  readonly scale = input.required<Scale>();
  protected readonly site = inject(Site);

  protected readonly rooms = computed(() =>
    (this.plan().rooms ?? []).map(({ outline }, i) => {
      const corners = outline.map((p) => drawn(this.scale(), p));
      return {
        ...{ key: `room ${i}`, odd: crossesItself(outline) },
        d: `M${corners.map(({ x, y }) => `${x} ${y}`).join('L')}Z`,
      };
    }),
  );
  protected readonly trees = computed(() =>
    (this.plan().trees ?? []).map(({ at, radius }, i) => ({
      ...{ key: `tree ${i}`, at: drawn(this.scale(), at), r: radius * this.scale().k },
    })),
  );
  protected readonly walls = computed(() =>
    this.plan().walls.map((wall, i) => ({
      ...{ key: `wall ${i}`, low: (wall.height ?? Infinity) < seenOver },
      pieces: piecesOf(wall, wall.openings ?? []).map(({ opening, from, to }) => ({
        ...{
          kind: opening?.kind ?? 'solid',
          from: drawn(this.scale(), from),
          to: drawn(this.scale(), to),
        },
      })),
    })),
  );
}

/** Someone who stands looks over what is lower, m. */
const seenOver = 1.5;
