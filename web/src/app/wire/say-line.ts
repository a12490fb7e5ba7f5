import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { EditError, type Design, type Edit } from '@yurei/core/design';
import { formatNominal } from '@yurei/core/quantity';
import { completeWiring, Draft, joinEdit, sayWiring, type Completion } from '@yurei/core/wiring';
import { AutoComplete } from 'primeng/autocomplete';
import { Hint } from '../common/hint';
import { DesignSession } from '../data/design-session';

/** What a sentence would wire, or why it cannot. */
type Meant = { edit: Edit; shown: string } | { reason: string };

/** A line in which wires are typed: "OUT of PIR to D2". Several pasted lines make several wires, one step to undo. */
@Component({
  selector: 'yu-say-line',
  imports: [AutoComplete, FormsModule, Hint],
  templateUrl: './say-line.html',
  styleUrl: './say-line.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SayLine {
  private readonly session = inject(DesignSession);
  private readonly field = viewChild.required(AutoComplete);
  protected readonly text = signal('');
  protected readonly refusal = signal('');
  private readonly done = signal('');

  protected readonly preview = computed(() => {
    const design = this.session.design();
    const text = this.text().trim();
    if (!design || text === '') return this.done();
    const meant = meaning(design, text);
    return 'edit' in meant ? `Enter joins ${meant.shown}` : '';
  });

  /** How what is typed can go on. */
  protected readonly offered = signal<Completion[]>([]);

  focus(): void {
    this.input()?.focus();
  }

  private input(): HTMLInputElement | undefined {
    return this.field().inputEL?.nativeElement as HTMLInputElement | undefined;
  }

  /** Of what was typed a moment ago: it may have been wired since. */
  protected offer(): void {
    const design = this.session.design();
    this.offered.set(design ? completeWiring(design, this.text()) : []);
  }

  /** What was typed, or picked of what was offered. */
  protected typed(value: string | Completion | null): void {
    this.type(typeof value === 'string' ? value : (value?.sentence ?? ''));
  }

  /** Escape folds what is offered; once more, it forgets what was typed and leaves. */
  protected leave(): void {
    if (this.field().overlayVisible) return;
    this.type('');
    this.input()?.blur();
  }

  protected type(text: string): void {
    this.text.set(text);
    this.refusal.set('');
    this.done.set('');
  }

  protected take(): void {
    const design = this.session.design();
    const { overlayVisible, focusedOptionIndex } = this.field();
    // What is offered was taken with this key, and stands in the line now.
    const picked = overlayVisible === true && focusedOptionIndex() !== -1;
    if (picked || !design || this.text().trim() === '') return;
    const meant = meaning(design, this.text());
    if (!('edit' in meant)) {
      this.refusal.set(meant.reason);
    } else if (this.session.edit(meant.edit)) {
      this.type('');
      this.done.set(`Joined ${meant.shown}.`);
    } else this.refusal.set(this.session.refusal());
  }

  /** Lines that make sense are wired together; if any does not, nothing is, and it says which. */
  protected paste(event: ClipboardEvent): void {
    const lines = (event.clipboardData?.getData('text') ?? '')
      .split(/\r?\n/)
      .map((line) => line.trim())
      .filter((line) => line !== '');
    const design = this.session.design();
    if (lines.length < 2 || !design) return;
    event.preventDefault();
    const draft = new Draft(design);
    for (const [i, line] of lines.entries()) {
      const meant = meaning(draft.design, line.slice(0, 200));
      if (!('edit' in meant)) {
        const said = line.length > 40 ? `${line.slice(0, 40)}…` : line;
        this.refusal.set(`Line ${i + 1}, “${said}”: ${meant.reason} Nothing was wired.`);
        return;
      }
      draft.make(meant.edit);
    }
    if (this.session.edit(draft.edit('paste wires'))) this.done.set(`${lines.length} wires made.`);
  }
}

function meaning(design: Design, text: string): Meant {
  const said = sayWiring(design, text);
  if (!said.ok) return { reason: said.reason };
  const { from, to, through } = said;
  try {
    const joined = joinEdit(design, from, to);
    if (through === undefined) return { edit: joined, shown: `${from} and ${to}` };
    const draft = new Draft(design);
    draft.between('resistor', 'Series resistor', { ohms: through }, from, to);
    const shown = `${from} and ${to} through ${formatNominal(through, 'Ω')}`;
    return { edit: draft.edit('add resistor'), shown };
  } catch (error) {
    if (!(error instanceof EditError)) throw error;
    return { reason: error.message };
  }
}
