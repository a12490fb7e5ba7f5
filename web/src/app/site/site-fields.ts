import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Param } from '@yurei/core/catalog';
import { materials, type Plan, type Point, type Spot } from '@yurei/core/design';
import { wallKinds } from '@yurei/core/scene';
import { Button } from 'primeng/button';
import { InlineChoice } from '../common/inline-choice';
import { InlineName } from '../common/inline-name';
import { InlineValue } from '../common/inline-value';
import { DesignSession } from '../data/design-session';

const size = (label: string, least: number): Param => ({
  ...{ id: 'size', label, unit: 'm', default: 10, min: Math.max(0.5, least), max: 1e4 },
});
const along = (label: string, max: number): Param => ({
  ...{ id: 'along', label, unit: 'm', default: 0, min: 0, max },
});

/** Level of what is heard somewhere besides, dB(A); a bedroom by night. */
const background: Param = {
  ...{ id: 'background', label: 'Heard there besides, A-weighted', unit: 'dB', default: 30 },
  ...{ min: 0, max: 120 },
};
const usualBackground = background.default;

const ends = ['from', 'to'] as const;
const axes = ['x', 'y'] as const;

/** How large the plan is, and where walls stand on it. */
@Component({
  selector: 'yu-site-fields',
  imports: [Button, InlineChoice, InlineName, InlineValue],
  template: `
    @if (plan(); as plan) {
      <p>
        <yu-inline-value
          [param]="width()"
          [value]="plan.width"
          (changed)="put({ width: $event })"
        />
        from west to east,
        <yu-inline-value
          [param]="depth()"
          [value]="plan.depth"
          (changed)="put({ depth: $event })"
        />
        from south to north.
        <p-button
          label="Add wall"
          icon="pi pi-plus"
          size="small"
          variant="text"
          (onClick)="addWall()"
        />
        <p-button
          label="Add entrance"
          icon="pi pi-plus"
          size="small"
          variant="text"
          (onClick)="addEntrance()"
        />
        <p-button
          label="Add spot"
          icon="pi pi-plus"
          size="small"
          variant="text"
          (onClick)="addSpot()"
        />
        @if (!plan.guarded) {
          <p-button
            label="Something is guarded"
            icon="pi pi-plus"
            size="small"
            variant="text"
            (onClick)="put({ guarded: middle() })"
          />
        }
      </p>
      @for (point of marks(); track $index) {
        <p>
          {{ point.name }}
          @for (axis of axes; track axis) {
            <yu-inline-value
              [param]="axis === 'x' ? east() : north()"
              [value]="point.at[axis]"
              (changed)="point.put(axis, $event)"
            />
            {{ axis === 'x' ? 'east,' : 'north' }}
          }
          <p-button
            label="Remove"
            [ariaLabel]="'Remove ' + point.name.toLowerCase()"
            size="small"
            variant="text"
            (onClick)="point.remove()"
          />
        </p>
      }
      @for (wall of plan.walls; track $index; let i = $index) {
        <p>
          Wall {{ i + 1 }}
          @for (end of ends; track end) {
            {{ end }}
            @for (axis of axes; track axis) {
              <yu-inline-value
                [param]="axis === 'x' ? east() : north()"
                [value]="wall[end][axis]"
                (changed)="setEnd(i, end, axis, $event)"
              />
              {{ axis === 'x' ? 'east,' : 'north' }}
            }
          }
          <yu-inline-choice
            [label]="'What wall ' + (i + 1) + ' is of'"
            [choices]="materials"
            [value]="wall.material ?? ''"
            (changed)="setMaterial(i, $event)"
          />
          <p-button
            label="Remove"
            [ariaLabel]="'Remove wall ' + (i + 1)"
            size="small"
            variant="text"
            (onClick)="removeWall(i)"
          />
        </p>
      }
      @for (spot of plan.spots ?? []; track $index; let i = $index) {
        <p>
          <yu-inline-name
            [label]="'Name of spot ' + (i + 1)"
            [value]="spot.name"
            (changed)="setSpot(i, { name: $event })"
          />
          @for (axis of axes; track axis) {
            <yu-inline-value
              [param]="axis === 'x' ? east() : north()"
              [value]="spot.at[axis]"
              (changed)="setSpot(i, { at: at(spot, axis, $event) })"
            />
            {{ axis === 'x' ? 'east,' : 'north, where besides there are' }}
          }
          <yu-inline-value
            [param]="background"
            [value]="spot.background"
            (changed)="setSpot(i, { background: $event })"
          />
          <p-button
            label="Remove"
            [ariaLabel]="'Remove ' + spot.name"
            size="small"
            variant="text"
            (onClick)="removeSpot(i)"
          />
        </p>
      }
    }
  `,
  styles: `
    yu-inline-name {
      margin-right: 6px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SiteFields {
  private readonly session = inject(DesignSession);
  protected readonly ends = ends;
  protected readonly background = background;
  protected readonly materials = [
    { value: '', label: 'of what is not known' },
    ...materials.map((value) => ({ value, label: `of ${wallKinds[value].label}` })),
  ];
  protected readonly axes = axes;
  /** Everything that stands or happens on it: it is never made smaller than that. */
  private readonly points = computed((): Point[] => {
    const { parts = [], scenes = [], plan } = this.session.design() ?? {};
    return [
      ...(plan?.entrances ?? []),
      ...(plan?.guarded ? [plan.guarded] : []),
      ...(plan?.spots ?? []).map(({ at }) => at),
      ...parts.flatMap((part) => part.place ?? []),
      ...scenes.flatMap((s) => s.happenings.flatMap((h) => h.path ?? [])),
    ];
  });
  protected readonly width = computed(() =>
    size('From west to east', Math.max(0, ...this.points().map((p) => p.x))),
  );
  protected readonly depth = computed(() =>
    size('From south to north', Math.max(0, ...this.points().map((p) => p.y))),
  );
  protected readonly plan = computed(() => this.session.design()?.plan);
  protected readonly east = computed(() => along('East', this.plan()?.width ?? 0));
  protected readonly north = computed(() => along('North', this.plan()?.depth ?? 0));

  protected put(change: Partial<Plan>): void {
    const plan = this.plan();
    if (plan) this.session.edit({ type: 'set-plan', plan: { ...plan, ...change } });
  }

  /** Where one comes in, and what is guarded. */
  protected readonly marks = computed(() => {
    const { entrances = [], guarded } = this.plan() ?? {};
    return [
      ...entrances.map((at, i) => ({
        ...{ name: `Entrance ${i + 1}`, at },
        put: (axis: keyof Point, value: number) =>
          this.put({ entrances: entrances.map((p, j) => (j === i ? { ...p, [axis]: value } : p)) }),
        remove: () => this.put({ entrances: entrances.filter((_, j) => j !== i) }),
      })),
      ...(guarded
        ? [
            {
              ...{ name: 'What is guarded', at: guarded },
              put: (axis: keyof Point, value: number) =>
                this.put({ guarded: { ...guarded, [axis]: value } }),
              remove: () => this.put({ guarded: undefined }),
            },
          ]
        : []),
    ];
  });

  protected middle(): Point {
    const { width = 0, depth = 0 } = this.plan() ?? {};
    return { x: width / 2, y: depth / 2 };
  }

  /** In the middle of the south side, to be moved from there. */
  protected addEntrance(): void {
    const entrances = this.plan()?.entrances ?? [];
    this.put({ entrances: [...entrances, { ...this.middle(), y: 0 }] });
  }

  /** Across the middle, to be moved from there. */
  protected addWall(): void {
    const { width = 0, depth = 0, walls = [] } = this.plan() ?? {};
    const [from, to]: Point[] = [0.25, 0.75].map((share) => ({ x: share * width, y: depth / 2 }));
    this.put({ walls: [...walls, { from, to }] });
  }

  protected removeWall(index: number): void {
    this.put({ walls: this.plan()?.walls.filter((_, i) => i !== index) });
  }

  protected setEnd(
    index: number,
    end: (typeof ends)[number],
    axis: keyof Point,
    value: number,
  ): void {
    const walls = this.plan()?.walls.map((wall, i) =>
      i === index ? { ...wall, [end]: { ...wall[end], [axis]: value } } : wall,
    );
    this.put({ walls });
  }

  protected setMaterial(index: number, material: string): void {
    const walls = this.plan()?.walls.map(({ from, to, ...wall }, i) => {
      if (i !== index) return { from, to, ...wall };
      const of = materials.find((m) => m === material);
      return { from, to, ...(of ? { material: of } : {}) };
    });
    this.put({ walls });
  }

  /** In the middle, to be moved from there. */
  protected addSpot(): void {
    const spots = this.plan()?.spots ?? [];
    const name = `Spot ${spots.length + 1}`;
    this.put({ spots: [...spots, { name, at: this.middle(), background: usualBackground }] });
  }

  protected setSpot(index: number, change: Partial<Spot>): void {
    this.put({
      spots: this.plan()?.spots?.map((spot, i) => (i === index ? { ...spot, ...change } : spot)),
    });
  }

  protected at({ at }: Spot, axis: keyof Point, value: number): Point {
    return { ...at, [axis]: value };
  }

  protected removeSpot(index: number): void {
    this.put({ spots: this.plan()?.spots?.filter((_, i) => i !== index) });
  }
}
