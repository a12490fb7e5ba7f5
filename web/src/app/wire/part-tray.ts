import { ChangeDetectionStrategy, Component, computed, inject, model, signal } from '@angular/core';
import { searchCatalog, type PartKind } from '@yurei/core/catalog';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';
import { addPart } from './add-part';

/** The tray of parts, found by what a maker would call them. */
@Component({
  selector: 'yu-part-tray',
  imports: [Dialog, InputText],
  template: `
    <p-dialog
      header="Add part"
      [(visible)]="open"
      [modal]="true"
      [draggable]="false"
      [dismissableMask]="true"
      [style]="{ width: '560px' }"
      (onShow)="start(field)"
    >
      <input
        #field
        pInputText
        autocomplete="off"
        aria-label="Find a part"
        placeholder="What should it do? light, beep, pull-up…"
        [style.width.%]="100"
        [value]="text()"
        (input)="text.set(field.value)"
        (keydown.enter)="add(found()[0])"
      />
      <ul>
        @for (kind of found(); track kind.kind) {
          <li>
            <button type="button" (click)="add(kind)">
              <svg viewBox="0 0 24 24" aria-hidden="true"><path [attr.d]="kind.glyph" /></svg>
              <span
                ><b>{{ kind.label }}</b> <span class="soft">{{ kind.stage }}</span><br />{{
                  kind.summary
                }}</span
              >
            </button>
          </li>
        } @empty {
          <li class="soft">No part answers to “{{ text() }}” in this version.</li>
        }
      </ul>
    </p-dialog>
  `,
  styles: `
    ul {
      list-style: none;
      margin: 10px 0 0;
      padding: 0;
      max-height: 380px;
      overflow: auto;
    }
    button {
      display: flex;
      gap: 12px;
      align-items: center;
      width: 100%;
      padding: 6px 8px;
      border: 0;
      border-radius: 5px;
      background: none;
      color: inherit;
      font: inherit;
      font-size: 13px;
      text-align: left;
      cursor: pointer;
    }
    button:hover,
    button:focus-visible {
      background: var(--indigo-wash);
    }
    svg {
      width: 30px;
      height: 30px;
      flex: none;
      fill: none;
      stroke: var(--ink);
      stroke-width: 1.3;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartTray {
  readonly open = model(false);
  private readonly session = inject(DesignSession);
  private readonly selection = inject(Selection);
  protected readonly text = signal('');
  protected readonly found = computed(() => searchCatalog(this.text()));

  /** Opens with an empty field, whatever was typed last. */
  protected start(field: HTMLInputElement): void {
    this.text.set('');
    field.value = '';
    field.focus();
  }

  protected add(kind: PartKind | undefined): void {
    if (!kind) return;
    addPart(kind, this.session, this.selection);
    this.open.set(false);
  }
}
