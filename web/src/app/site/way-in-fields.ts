import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Button } from 'primeng/button';
import { PointFields } from './point-fields';
import { Site } from './site';

/** Where one can come in, and what is guarded. */
@Component({
  selector: 'yu-way-in-fields',
  imports: [Button, PointFields],
  template: `
    @for (entrance of site.plan()?.entrances ?? []; track $index; let i = $index) {
      <p>
        <b>Entrance {{ i + 1 }}</b>
        <yu-point-fields [point]="entrance" (moved)="site.change('entrances', i, moving($event))" />
        <p-button
          label="Remove"
          [ariaLabel]="'Remove entrance ' + (i + 1)"
          size="small"
          variant="text"
          (onClick)="site.remove('entrances', i)"
        />
      </p>
    } @empty {
      <p class="soft">No entrance yet: one may come in anywhere at the edge of the plan.</p>
    }
    @if (site.plan()?.guarded; as guarded) {
      <p>
        <b>What is guarded</b>
        <yu-point-fields [point]="guarded" (moved)="site.put({ guarded: $event })" />
        <p-button
          label="Remove"
          ariaLabel="Remove what is guarded"
          size="small"
          variant="text"
          (onClick)="site.put({ guarded: undefined })"
        />
      </p>
    }
    <p-button
      label="Add entrance"
      icon="pi pi-plus"
      size="small"
      variant="text"
      (onClick)="site.add('entrances', { x: site.middle().x, y: 0 })"
    />
    @if (!site.plan()?.guarded) {
      <p-button
        label="Something is guarded"
        icon="pi pi-plus"
        size="small"
        variant="text"
        (onClick)="site.put({ guarded: site.middle() })"
      />
    }
  `,
  styleUrl: './fields.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WayInFields {
  protected readonly site = inject(Site);
  protected readonly moving =
    <T>(to: T) =>
    (): T =>
      to;
}
