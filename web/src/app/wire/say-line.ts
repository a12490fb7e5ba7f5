import {
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { EditError, type Design, type Edit } from '@yurei/core/design';
import { formatNominal } from '@yurei/core/quantity';
import { Draft, joinEdit, sayWiring } from '@yurei/core/wiring';
import { InputText } from 'primeng/inputtext';
import { DesignSession } from '../data/design-session';

/** What a sentence would wire, or why it cannot. */
type Meant = { edit: Edit; shown: string } | { reason: string };

/** A line in which wires are typed: "OUT of PIR to D2". Several pasted lines make several wires, one step to undo. */
@Component({
  selector: 'yu-say-line',
  imports: [InputText],
  template: `
    <label class="hidden-label" for="say-wire">Type a wire</label>
    <input
      #field
      id="say-wire"
      pInputText
      pSize="small"
      autocomplete="off"
      spellcheck="false"
      placeholder="Type a wire: OUT of B1 to A0"
      title="Also: D8 to base of Q1 through 1k; several pasted lines make several wires"
      [value]="text()"
      [attr.aria-invalid]="refusal() !== ''"
      aria-describedby="say-wire-note"
      (input)="type(field.value)"
      (paste)="paste($event)"
      (keydown.enter)="take()"
      (keydown.escape)="type(''); field.blur()"
    />
    <p
      id="say-wire-note"
      [class.refused]="refusal()"
      [hidden]="!(refusal() || preview())"
      role="status"
    >
      {{ refusal() || preview() }}
    </p>
  `,
  styleUrl: './say-line.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SayLine {
  private readonly session = inject(DesignSession);
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');
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

  focus(): void {
    this.field().nativeElement.focus();
  }

  protected type(text: string): void {
    this.text.set(text);
    this.refusal.set('');
    this.done.set('');
  }

  protected take(): void {
    const design = this.session.design();
    if (!design || this.text().trim() === '') return;
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
