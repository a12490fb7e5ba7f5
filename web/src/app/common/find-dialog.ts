import { _IdGenerator } from '@angular/cdk/a11y';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  model,
  signal,
  untracked,
} from '@angular/core';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';

/** One thing that can be found: what it is, a word on it, what taking it does, and perhaps its glyph and a sentence. */
export interface Find {
  label: string;
  hint: string;
  run: () => void;
  glyph?: string;
  summary?: string;
}

/** A dialog with one field and what it finds; arrow keys choose, Enter takes. */
@Component({
  selector: 'yu-find-dialog',
  imports: [Dialog, InputText],
  template: `
    <p-dialog
      closeAriaLabel="Close"
      [header]="header()"
      [(visible)]="open"
      [modal]="true"
      [draggable]="false"
      [dismissableMask]="true"
      position="top"
      [style]="{ width: '540px' }"
      (onShow)="field.focus()"
    >
      <input
        #field
        pInputText
        autocomplete="off"
        role="combobox"
        aria-expanded="true"
        [placeholder]="placeholder()"
        [attr.aria-label]="header()"
        [attr.aria-controls]="id"
        [attr.aria-activedescendant]="finds().length ? id + '-' + at() : null"
        [style.width.%]="100"
        [value]="text()"
        (input)="text.set(field.value)"
        (keydown.arrowdown)="move(1, $event)"
        (keydown.arrowup)="move(-1, $event)"
        (keydown.enter)="take(at())"
      />
      <ul role="listbox" [id]="id" [attr.aria-label]="header()">
        @for (find of finds(); track find.label; let i = $index) {
          <li
            role="option"
            tabindex="-1"
            [id]="id + '-' + i"
            [attr.aria-selected]="i === at()"
            (click)="take(i)"
            (keydown.enter)="take(i)"
          >
            @if (find.glyph) {
              <svg viewBox="0 0 24 24" aria-hidden="true"><path [attr.d]="find.glyph" /></svg>
            }
            <span>
              {{ find.label }} <span class="soft">{{ find.hint }}</span>
              @if (find.summary) {
                <span class="summary">{{ find.summary }}</span>
              }
            </span>
          </li>
        }
      </ul>
      @if (finds().length === 0) {
        <p class="soft" role="status">{{ nothing() }} “{{ text() }}”.</p>
      }
    </p-dialog>
  `,
  styleUrl: './find-dialog.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FindDialog {
  readonly header = input.required<string>();
  readonly placeholder = input.required<string>();
  /** What to say, before the words typed, when nothing is found. */
  readonly nothing = input.required<string>();
  /**
   * What answers to the words typed. Asked here, at once, so that Enter right after the last letter
   * takes what was typed and not what was last drawn.
   */
  readonly search = input.required<(text: string) => readonly Find[]>();
  readonly open = model(false);

  protected readonly text = signal('');
  protected readonly finds = computed(() => this.search()(this.text()));
  protected readonly id = inject(_IdGenerator).getId('find-');
  constructor() {
    // Opens with an empty field, whatever was typed last.
    effect(() => {
      if (this.open()) untracked(() => this.text.set(''));
    });
  }

  protected readonly at = linkedSignal({ source: this.text, computation: () => 0 });

  protected move(by: number, event: Event): void {
    event.preventDefault();
    const count = this.finds().length;
    if (count === 0) return;
    this.at.update((i) => (i + by + count) % count);
    const list = (event.target as HTMLElement).parentElement;
    list?.querySelectorAll('li')[this.at()]?.scrollIntoView?.({ block: 'nearest' });
  }

  protected take(index: number): void {
    const find = this.finds().at(index);
    if (!find) return;
    this.open.set(false);
    find.run();
  }
}
