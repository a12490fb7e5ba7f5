import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import type { Param } from '@yurei/core/catalog';
import {
  materials,
  openingKinds,
  type Opening,
  type OpeningKind,
  type Plan,
  type Wall,
} from '@yurei/core/design';
import { lengthOf, wallKinds } from '@yurei/core/scene';
import { Button } from 'primeng/button';
import { defined } from '../common/defined';
import { InlineChoice } from '../common/inline-choice';
import { InlineOptional } from '../common/inline-optional';
import { InlineValue } from '../common/inline-value';
import { PointFields } from './point-fields';
import { Site } from './site';
import { directionOf, directionParam, lengthParam, pointAt } from './stretch';

/** What openings mostly measure, m. */
const usual: Readonly<Record<OpeningKind, Omit<Opening, 'kind' | 'along'>>> = {
  door: { width: 0.9, bottom: 0, top: 2 },
  window: { width: 1.2, bottom: 0.9, top: 2 },
  gap: { width: 1, bottom: 0, top: 2 },
};

const metres = (id: string, label: string, min: number, max: number): Param => ({
  ...{ id, label, unit: 'm', default: 1, min, max },
});

/** Walls with what they are of, and their doors, windows and gaps. */
@Component({
  selector: 'yu-wall-fields',
  imports: [Button, InlineChoice, InlineOptional, InlineValue, PointFields],
  template: `
    @if (site.plan(); as plan) {
      @for (wall of plan.walls; track $index; let i = $index) {
        <div class="thing" (focusin)="site.picked.set('wall ' + i)">
          <p>
            <b>Wall {{ i + 1 }}</b> from
            <yu-point-fields [point]="wall.from" (moved)="put(i, { from: $event })" />
            to
            <yu-point-fields [point]="wall.to" (moved)="put(i, { to: $event })" />:
            <yu-inline-value
              [param]="length(plan, wall)"
              [value]="lengthOf(wall)"
              (changed)="draw(plan, i, directionOf(wall.from, wall.to), $event)"
            />
            long towards
            <yu-inline-value
              [param]="direction"
              [value]="directionOf(wall.from, wall.to)"
              (changed)="draw(plan, i, $event, lengthOf(wall))"
            />,
            <yu-inline-choice
              [label]="'What wall ' + (i + 1) + ' is of'"
              [choices]="materials"
              [value]="wall.material ?? ''"
              (changed)="setMaterial(i, $event)"
            />,
            <yu-inline-optional
              [param]="height"
              [value]="wall.height"
              untold="as high as the room"
              (changed)="put(i, { height: $event })"
            />
            high
            <p-button
              label="Remove"
              [ariaLabel]="'Remove wall ' + (i + 1)"
              size="small"
              variant="text"
              (onClick)="site.remove('walls', i)"
            />
          </p>
          @for (opening of wall.openings ?? []; track $index; let o = $index) {
            <p class="within">
              a
              <yu-inline-choice
                [label]="'What opening ' + (o + 1) + ' of wall ' + (i + 1) + ' is'"
                [choices]="kinds"
                [value]="opening.kind"
                (changed)="setKind(i, o, $event)"
              />
              @for (field of sizes(wall); track field.key) {
                {{ field.before }}
                <yu-inline-value
                  [param]="field.param"
                  [value]="opening[field.key]"
                  (changed)="setSize(i, o, field.key, $event)"
                />
              }
              over the ground
              <p-button
                label="Remove"
                [ariaLabel]="'Remove opening ' + (o + 1) + ' of wall ' + (i + 1)"
                size="small"
                variant="text"
                (onClick)="removeOpening(i, o)"
              />
            </p>
          }
          <p class="within">
            @for (kind of openingKinds; track kind) {
              <p-button
                [label]="'Add ' + kind"
                [ariaLabel]="'Add ' + kind + ' to wall ' + (i + 1)"
                icon="pi pi-plus"
                size="small"
                variant="text"
                (onClick)="open(i, wall, kind)"
              />
            }
          </p>
        </div>
      } @empty {
        <p class="soft">No wall yet: all is in the open.</p>
      }
      <p-button
        label="Add wall"
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
export class WallFields {
  protected readonly site = inject(Site);
  protected readonly openingKinds = openingKinds;
  protected readonly direction = directionParam;
  protected readonly height = metres('height', 'Height of the wall', 0.05, 100);
  protected readonly lengthOf = lengthOf;
  protected readonly directionOf = directionOf;
  protected readonly kinds = openingKinds.map((value) => ({ value, label: value }));
  protected readonly materials = [
    { value: '', label: 'of what is not known' },
    ...materials.map((value) => ({ value, label: `of ${wallKinds[value].label}` })),
  ];

  protected length(plan: Plan, { from, to }: Wall): Param {
    return lengthParam(plan, from, to);
  }

  protected sizes(wall: Wall) {
    const long = lengthOf(wall);
    return [
      { key: 'along', before: 'from', param: metres('along', 'From the first end', 0, long) },
      { key: 'width', before: 'on,', param: metres('width', 'Width', 0.05, long) },
      { key: 'bottom', before: 'wide, from', param: metres('bottom', 'Bottom', 0, 50) },
      { key: 'top', before: 'to', param: metres('top', 'Top', 0.05, 50) },
    ] as const;
  }

  protected put(index: number, change: Partial<Wall>): void {
    this.site.change('walls', index, (wall) => defined({ ...wall, ...change }));
  }

  protected draw(plan: Plan, index: number, direction: number, length: number): void {
    const wall = plan.walls[index];
    if (wall) this.put(index, { to: pointAt(plan, wall.from, direction, length) });
  }

  protected setMaterial(index: number, material: string): void {
    this.put(index, { material: materials.find((m) => m === material) });
  }

  protected setKind(index: number, opening: number, kind: string): void {
    const found = openingKinds.find((k) => k === kind);
    if (found) this.putOpening(index, opening, { kind: found });
  }

  protected setSize(
    index: number,
    opening: number,
    key: keyof Omit<Opening, 'kind'>,
    value: number,
  ): void {
    this.putOpening(index, opening, { [key]: value });
  }

  protected putOpening(index: number, opening: number, change: Partial<Opening>): void {
    this.site.change('walls', index, (wall) => ({
      ...wall,
      openings: wall.openings?.map((o, i) => (i === opening ? { ...o, ...change } : o)),
    }));
  }

  protected removeOpening(index: number, opening: number): void {
    this.site.change('walls', index, (wall) => ({
      ...wall,
      openings: wall.openings?.filter((_, i) => i !== opening),
    }));
  }

  /** In the middle of the wall, as wide as such openings mostly are. */
  protected open(index: number, wall: Wall, kind: OpeningKind): void {
    const long = lengthOf(wall);
    const { width, top, bottom } = usual[kind];
    const wide = Math.min(width, long);
    const high = Math.min(top, wall.height ?? top);
    const opening = {
      ...{ kind, along: Math.round(((long - wide) / 2) * 100) / 100, width: wide },
      ...{ bottom: Math.min(bottom, high / 2), top: high },
    };
    this.put(index, { openings: [...(wall.openings ?? []), opening] });
  }

  /** Across the middle, to be moved from there. */
  protected add({ width, depth, walls }: Plan): void {
    const y = depth / 2;
    this.site.add('walls', { from: { x: width / 4, y }, to: { x: (3 * width) / 4, y } });
    this.site.picked.set(`wall ${walls.length}`);
  }
}
