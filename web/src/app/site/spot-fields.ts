import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import type { Param } from '@yurei/core/catalog';
import type { Spot } from '@yurei/core/design';
import { Button } from 'primeng/button';
import { InlineName } from '../common/inline-name';
import { InlineOptional } from '../common/inline-optional';
import { InlineValue } from '../common/inline-value';
import { PointFields } from './point-fields';
import { Site } from './site';

/** Level of what is heard somewhere besides, dB(A); a bedroom by night. */
const background: Param = {
  ...{ id: 'background', label: 'Heard there besides, A-weighted', unit: 'dB', default: 30 },
  ...{ min: 0, max: 120 },
};

const height: Param = {
  ...{ id: 'height', label: 'Height of the spot', unit: 'm', default: 1, min: 0, max: 1000 },
};

/** Where an alarm is heard or a message arrives. */
@Component({
  selector: 'yu-spot-fields',
  imports: [Button, InlineName, InlineOptional, InlineValue, PointFields],
  template: `
    @for (spot of site.plan()?.spots ?? []; track $index; let i = $index) {
      <p>
        <yu-inline-name
          [label]="'Name of spot ' + (i + 1)"
          [value]="spot.name"
          (changed)="put(i, { name: $event })"
        />
        <yu-point-fields [point]="spot.at" (moved)="put(i, { at: { ...spot.at, ...$event } })" />,
        <yu-inline-optional
          [param]="height"
          [value]="spot.at.z"
          (changed)="put(i, { at: { ...spot.at, z: $event } })"
        />
        high, where besides there are
        <yu-inline-value
          [param]="background"
          [value]="spot.background"
          (changed)="put(i, { background: $event })"
        />
        <p-button
          label="Remove"
          [ariaLabel]="'Remove ' + spot.name"
          size="small"
          variant="text"
          (onClick)="site.remove('spots', i)"
        />
      </p>
    } @empty {
      <p class="soft">No spot yet: a bed, the neighbour's window, where the receiver is.</p>
    }
    <p-button label="Add spot" icon="pi pi-plus" size="small" variant="text" (onClick)="add()" />
  `,
  styleUrl: './fields.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SpotFields {
  protected readonly site = inject(Site);
  protected readonly background = background;
  protected readonly height = height;

  protected put(index: number, change: Partial<Spot>): void {
    this.site.change('spots', index, (spot) => ({ ...spot, ...change }));
  }

  protected add(): void {
    const name = `Spot ${(this.site.plan()?.spots?.length ?? 0) + 1}`;
    this.site.add('spots', { name, at: this.site.middle(), background: background.default });
  }
}
