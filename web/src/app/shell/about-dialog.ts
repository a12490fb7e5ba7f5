import { ChangeDetectionStrategy, Component, inject, model } from '@angular/core';
import type { Design } from '@yurei/core/design';
import { Dialog } from 'primeng/dialog';
import { Textarea } from 'primeng/textarea';
import { TextField } from '../common/text-field';
import { DesignSession } from '../data/design-session';

type Text = 'purpose' | 'site' | 'notes';

const texts: readonly { id: Text; label: string; rows: number; most: number }[] = [
  { id: 'purpose', label: 'What it is for', rows: 3, most: 4000 },
  { id: 'site', label: 'Where it will stand', rows: 3, most: 4000 },
  { id: 'notes', label: 'Notes', rows: 8, most: 100_000 },
];

/** What a design says of itself in words: title, purpose, place, notes. */
@Component({
  selector: 'yu-about-dialog',
  imports: [Dialog, Textarea, TextField],
  template: `
    <p-dialog
      transitionOptions="0ms"
      closeAriaLabel="Close"
      header="About this design"
      [(visible)]="open"
      [modal]="true"
      [draggable]="false"
      [dismissableMask]="true"
      [style]="{ width: '620px' }"
    >
      @if (session.design(); as design) {
        <yu-text-field
          label="Title"
          [value]="design.title"
          [required]="true"
          (changed)="describe({ title: $event })"
        />
        @for (text of texts; track text.id) {
          <label [for]="'about-' + text.id">{{ text.label }}</label>
          <textarea
            pTextarea
            pSize="small"
            [id]="'about-' + text.id"
            [rows]="text.rows"
            [attr.maxlength]="text.most"
            [value]="design[text.id]"
            (change)="set(text.id, $event)"
          ></textarea>
        }
      }
    </p-dialog>
  `,
  styles: `
    label {
      display: block;
      margin: 10px 0 3px;
    }
    textarea {
      width: 100%;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AboutDialog {
  readonly open = model(false);
  protected readonly session = inject(DesignSession);
  protected readonly texts = texts;

  protected set(text: Text, event: Event): void {
    this.describe({ [text]: (event.target as HTMLTextAreaElement).value });
  }

  protected describe(fields: Partial<Pick<Design, Text | 'title'>>): void {
    this.session.edit({ type: 'describe', fields });
  }
}
