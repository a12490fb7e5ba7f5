import { ChangeDetectionStrategy, Component, input, model } from '@angular/core';
import { Fieldset } from 'primeng/fieldset';

/** What is read only now and then, folded away under its name. */
@Component({
  selector: 'yu-fold',
  imports: [Fieldset],
  template: `
    <p-fieldset
      [legend]="label()"
      [toggleable]="true"
      [collapsed]="!open()"
      (collapsedChange)="open.set(!$event)"
    >
      <ng-template #expandicon>
        <i class="pi pi-angle-right" aria-hidden="true"></i>
      </ng-template>
      <ng-template #collapseicon>
        <i class="pi pi-angle-down" aria-hidden="true"></i>
      </ng-template>
      <ng-content />
    </p-fieldset>
  `,
  styles: `
    :host {
      display: block;
      font-size: var(--type-small);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Fold {
  readonly label = input.required<string>();
  readonly open = model(false);
}
