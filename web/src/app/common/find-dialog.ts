import { _IdGenerator, ActiveDescendantKeyManager, type Highlightable } from '@angular/cdk/a11y';
import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  Directive,
  effect,
  ElementRef,
  inject,
  Injector,
  input,
  model,
  signal,
  untracked,
  viewChildren,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
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

/** One of what is found, which the arrow keys can reach. */
@Directive({
  selector: '[yuFound]',
  host: { role: 'option', '[id]': 'id', '[attr.aria-selected]': 'active()' },
})
export class Found implements Highlightable {
  readonly find = input.required<Find>({ alias: 'yuFound' });
  readonly id = inject(_IdGenerator).getId('found-');
  protected readonly active = signal(false);
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef);

  setActiveStyles(): void {
    this.active.set(true);
    this.element.nativeElement.scrollIntoView?.({ block: 'nearest' });
  }

  setInactiveStyles(): void {
    this.active.set(false);
  }
}

/** A dialog with one field and what it finds; arrow keys choose, Enter takes. */
@Component({
  selector: 'yu-find-dialog',
  imports: [Dialog, Found, InputText],
  template: `
    <p-dialog
      transitionOptions="0ms"
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
        [attr.aria-activedescendant]="finds().length ? here()?.id : null"
        [style.width.%]="100"
        [value]="text()"
        (input)="text.set(field.value)"
        (keydown)="keys.onKeydown($event)"
        (keydown.enter)="take(chosen())"
      />
      <ul role="listbox" [id]="id" [attr.aria-label]="header()">
        @for (find of finds(); track find.label) {
          <li tabindex="-1" [yuFound]="find" (click)="take(find)" (keydown.enter)="take(find)">
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
  private readonly drawn = viewChildren(Found);
  protected readonly keys = new ActiveDescendantKeyManager(this.drawn, inject(Injector))
    .withWrap()
    .withPageUpDown(true, 8);
  private readonly begun = computed(() => this.drawn().length > 0);
  /** What the arrow keys have come to. */
  protected readonly here = signal<Found | undefined>(undefined);

  constructor() {
    this.keys.change
      .pipe(takeUntilDestroyed())
      .subscribe((at) => this.here.set(this.drawn().at(at)));
    // Opens with an empty field, whatever was typed last.
    effect(() => {
      if (this.open()) untracked(() => this.text.set(''));
    });
    // What fits best stands first, and is taken unless another is chosen; that one stays though the list is drawn anew.
    afterRenderEffect(() => {
      this.text();
      this.begun();
      untracked(() => this.keys.setFirstItemActive());
    });
  }

  /** Of what answers to the words as they are now, though it may not be drawn yet. */
  protected chosen(): Find | undefined {
    const here = this.here()?.find();
    return this.finds().find((find) => find === here) ?? this.finds().at(0);
  }

  protected take(find: Find | undefined): void {
    if (!find) return;
    this.open.set(false);
    find.run();
  }
}
