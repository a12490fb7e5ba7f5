import { ChangeDetectionStrategy, Component, computed, model, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { terms, topics } from '@yurei/core/help';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { SelectButton } from 'primeng/selectbutton';
import { HelpPage } from '../common/help-page';
import { keyList } from './keys';

export type HelpPart = 'keys' | 'words' | 'pages';

const parts: readonly { id: HelpPart; label: string }[] = [
  { id: 'keys', label: 'Keys' },
  { id: 'words', label: 'Words' },
  { id: 'pages', label: 'How it is computed' },
];

/** Help in one place: keys, the glossary, and how each number is found. */
@Component({
  selector: 'yu-help-dialog',
  imports: [Dialog, FormsModule, HelpPage, InputText, SelectButton],
  templateUrl: './help-dialog.html',
  styleUrl: './help-dialog.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HelpDialog {
  readonly open = model(false);
  readonly part = model<HelpPart>('keys');
  protected readonly parts = [...parts];
  protected readonly keys = keyList;
  protected readonly topics = topics;
  protected readonly sought = signal('');
  protected readonly terms = computed(() => {
    const words = this.sought().trim().toLowerCase();
    return terms.filter(({ term, means }) => `${term} ${means}`.toLowerCase().includes(words));
  });
}
