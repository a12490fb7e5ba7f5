import { ChangeDetectionStrategy, Component } from '@angular/core';
import { ValueEntry } from './value-entry';

/** A quantity within a sentence; its label is read out, not shown. */
@Component({
  selector: 'yu-inline-value',
  template: `
    <input
      #field
      class="value"
      autocomplete="off"
      spellcheck="false"
      [value]="text()"
      [style.width.ch]="text().length + 2"
      [attr.aria-label]="param().label"
      [attr.aria-invalid]="refused()"
      [title]="note() || param().label"
      (input)="text.set(inputValue($event))"
      (change)="commit(); field.value = text()"
      (keydown.escape)="reset($event)"
    />
    @if (refused()) {
      <span class="refused" role="alert">{{ note() }}</span>
    }
  `,
  styles: `
    input {
      font-size: 12.5px;
      padding: 1px 3px;
      min-height: 24px;
      border: 1px solid var(--rule);
      border-radius: 4px;
      background: var(--raised);
      color: var(--ink);
      text-align: center;
    }
    input[aria-invalid='true'] {
      border-color: var(--lantern);
    }
    .refused {
      display: block;
      color: var(--lantern-ink);
      font-size: 12px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class InlineValue extends ValueEntry {}
