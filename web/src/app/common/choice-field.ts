import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';

export interface Choice {
  value: string;
  label: string;
}

let nextId = 0;

/** A field for one of a few: looks and lines up like the fields for values. */
@Component({
  selector: 'yu-choice-field',
  template: `
    <label [for]="id">{{ label() }}</label>
    <select [id]="id" (change)="pick($event)">
      @for (choice of choices(); track choice.value) {
        <option [value]="choice.value" [selected]="choice.value === value()">
          {{ choice.label }}
        </option>
      }
    </select>
  `,
  styleUrl: './field.css',
  host: { '[class.wide]': 'wide()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChoiceField {
  readonly label = input.required<string>();
  readonly choices = input.required<readonly Choice[]>();
  readonly value = input.required<string>();
  /** Its words need a whole line. */
  readonly wide = input(false);
  readonly changed = output<string>();

  protected readonly id = `choice-${nextId++}`;

  protected pick(event: Event): void {
    this.changed.emit((event.target as HTMLSelectElement).value);
  }
}
