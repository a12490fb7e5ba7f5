import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import type { Param } from '@yurei/core/catalog';
import type { Backdrop, Plan, Point } from '@yurei/core/design';
import { ambientParams } from '@yurei/core/scene';
import { Button } from 'primeng/button';
import { Message } from 'primeng/message';
import { FileButton } from '../common/file-button';
import { InlineValue } from '../common/inline-value';
import { DesignSession } from '../data/design-session';
import { readBackdrop } from './backdrop-file';
import { PointFields } from './point-fields';
import { Site } from './site';
import { lengthBetween } from './stretch';

const metres = (label: string, least: number): Param => ({
  ...{ id: 'size', label, unit: 'm', default: 10, min: Math.max(0.5, least), max: 1e4 },
});
const turn: Param = {
  ...{ id: 'north', label: 'North, from the top of the plan', unit: '°', default: 0 },
  ...{ min: -180, max: 180 },
};
const wide: Param = { ...metres('Width of the picture', 0.5), max: 1e5 };
const latitude = ambientParams.find(({ id }) => id === 'latitude');
const known: Param = { ...metres('Length in truth', 0.01), min: 0.01 };

/** How large the plan is, where north lies, and a picture under it. */
@Component({
  selector: 'yu-ground-fields',
  imports: [Button, FileButton, InlineValue, Message, PointFields],
  template: `
    @if (site.plan(); as plan) {
      <p>
        <yu-inline-value
          [param]="width()"
          [value]="plan.width"
          (changed)="site.put({ width: $event })"
        />
        {{ site.sides().across }},
        <yu-inline-value
          [param]="depth()"
          [value]="plan.depth"
          (changed)="site.put({ depth: $event })"
        />
        {{ site.sides().deep }}; north lies
        <yu-inline-value
          [param]="turn"
          [value]="plan.north ?? 0"
          (changed)="site.put({ north: $event })"
        />
        clockwise from the top.
        @if (latitude && site.latitude() !== undefined) {
          The sun shines as at latitude
          <yu-inline-value
            [param]="latitude"
            [value]="site.latitude()!"
            (changed)="site.moveTo($event)"
          />, {{ site.latitude()! < 0 ? 'south' : 'north' }} of the equator, in all scenes.
        }
      </p>
      @if (plan.backdrop; as backdrop) {
        <p>
          A picture lies under it,
          <yu-inline-value
            [param]="wide"
            [value]="backdrop.width"
            (changed)="put(backdrop, { width: $event })"
          />
          wide, its upper left corner at
          <yu-point-fields [point]="backdrop" (moved)="put(backdrop, $event)" />.
          <p-button
            label="Remove picture"
            size="small"
            variant="text"
            (onClick)="removePicture()"
          />
        </p>
        @if (site.measured(); as marks) {
          <p>
            Drag the two marks to the ends of something you know. It is
            <yu-inline-value
              [param]="known"
              [value]="apart(marks)"
              (changed)="scale(backdrop, marks, $event)"
            />
            long.
            <p-button
              label="Done"
              size="small"
              variant="text"
              (onClick)="site.measured.set(undefined)"
            />
          </p>
        } @else {
          <p-button
            label="Scale it by a known length"
            size="small"
            variant="text"
            (onClick)="beginScale(plan)"
          />
        }
      }
      <yu-file-button
        [label]="plan.backdrop ? 'Another picture…' : 'Picture under it…'"
        what="Picture under the plan"
        accept=".png,.jpg,.jpeg,.svg"
        variant="text"
        (taken)="take($event, plan)"
      />
      @if (reason(); as reason) {
        <p-message severity="error" size="small">{{ reason }}</p-message>
      }
    }
  `,
  styleUrl: './fields.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GroundFields {
  private readonly session = inject(DesignSession);
  protected readonly site = inject(Site);
  protected readonly turn = turn;
  protected readonly wide = wide;
  protected readonly latitude = latitude;
  protected readonly known = known;
  protected readonly reason = signal('');

  /** Everything that stands or happens on it: it is never made smaller than that. */
  private readonly points = computed((): Point[] => {
    const { parts = [], scenes = [], plan } = this.session.design() ?? {};
    return [
      ...(plan?.entrances ?? []),
      ...(plan?.guarded ? [plan.guarded] : []),
      ...(plan?.spots ?? []).map(({ at }) => at),
      ...(plan?.trees ?? []).map(({ at }) => at),
      ...(plan?.walls ?? []).flatMap(({ from, to }) => [from, to]),
      ...(plan?.rooms ?? []).flatMap(({ outline }) => outline),
      ...parts.flatMap((part) => part.place ?? []),
      ...scenes.flatMap((s) => s.happenings.flatMap((h) => h.path ?? [])),
    ];
  });
  protected readonly width = computed(() =>
    metres('Width of the plan', Math.max(0, ...this.points().map((p) => p.x))),
  );
  protected readonly depth = computed(() =>
    metres('Depth of the plan', Math.max(0, ...this.points().map((p) => p.y))),
  );

  protected put(backdrop: Backdrop, change: Partial<Backdrop>): void {
    this.site.put({ backdrop: { ...backdrop, ...change } });
  }

  protected removePicture(): void {
    this.site.measured.set(undefined);
    this.site.put({ backdrop: undefined });
  }

  /** As wide as the plan, to be scaled from there. */
  protected async take([file]: File[], { width, depth }: Plan): Promise<void> {
    if (!file) return;
    const read = await readBackdrop(file);
    this.reason.set('reason' in read ? read.reason : '');
    if ('image' in read) this.site.put({ backdrop: { image: read.image, x: 0, y: depth, width } });
  }

  protected apart([a, b]: readonly [Point, Point]): number {
    return lengthBetween(a, b);
  }

  protected beginScale({ width, depth }: Plan): void {
    this.site.measured.set([
      { x: width / 4, y: depth / 2 },
      { x: (3 * width) / 4, y: depth / 2 },
    ]);
  }

  /** The first mark stays where it is, and so does what lies under it. */
  protected scale(backdrop: Backdrop, [a, b]: readonly [Point, Point], length: number): void {
    const by = length / lengthBetween(a, b);
    const from = (p: Point): Point => ({ x: a.x + by * (p.x - a.x), y: a.y + by * (p.y - a.y) });
    this.put(backdrop, { ...from(backdrop), width: backdrop.width * by });
    this.site.measured.set([a, from(b)]);
  }
}
