import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Fade, Output } from '@yurei/core/design';
import { pinsToDrive } from '@yurei/core/wiring';
import type { Param } from '@yurei/core/catalog';
import { decimals } from '@yurei/core/quantity';
import { Checkbox } from 'primeng/checkbox';
import type { Choice } from '../common/choice-field';
import { defined } from '../common/defined';
import { InlineChoice } from '../common/inline-choice';
import { InlineName } from '../common/inline-name';
import { InlineValue } from '../common/inline-value';
import { Press } from '../common/press';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';

const seconds = (label: string): Param => ({
  ...{ id: 't', label, unit: 's', default: 1, min: 0, max: 86400 },
});

/** One output: its name, its pin, the level that switches its load on, and how it comes on. */
@Component({
  selector: 'yu-output-line',
  imports: [Checkbox, FormsModule, InlineChoice, InlineName, InlineValue, Press],
  template: `
    @let output = this.output();
    <yu-inline-name
      label="Name of the output"
      [value]="output.name"
      (changed)="put({ name: $event })"
    />
    at
    <yu-inline-choice
      label="Pin"
      [choices]="pins()"
      [value]="output.pin"
      (changed)="put({ pin: $event })"
    />
    switches its load on while
    <yu-inline-choice
      label="Level that switches on"
      [choices]="levels"
      [value]="output.active"
      (changed)="put({ active: $event === 'low' ? 'low' : 'high' })"
    />
    @if (output.fade; as fade) {
      , up within
      <yu-inline-value [param]="up" [value]="fade.up" (changed)="setFade({ up: $event })" />
      , down within
      <yu-inline-value [param]="down" [value]="fade.down" (changed)="setFade({ down: $event })" />
      ,
      <yu-inline-choice
        label="Curve"
        [choices]="curves"
        [value]="fade.curve"
        (changed)="setFade({ curve: $event === 'eye' ? 'eye' : 'straight' })"
      />
      <button yuPress aria-label="No fade" (click)="setFade(undefined)">×</button>
    } @else {
      <button yuPress (click)="setFade({})">+ fade</button>
    }
    <span class="feeds">
      <p-checkbox
        size="small"
        [binary]="true"
        [inputId]="'feeds-' + output.id"
        [ngModel]="output.feeds ?? false"
        (ngModelChange)="put({ feeds: $event || undefined })"
      />
      <label [for]="'feeds-' + output.id">feeds sensors while they are read</label>
    </span>
    @if (now() !== undefined) {
      <span class="soft now">now {{ decimals(100 * (now() ?? 0), 0) }} %</span>
    }
    <button
      yuPress
      [attr.aria-label]="'Remove ' + output.name"
      (click)="session.edit({ type: 'remove-output', id: output.id })"
    >
      ×
    </button>
  `,
  styleUrl: './things.css',
  styles: `
    .feeds {
      display: inline-flex;
      align-items: center;
      gap: 4px;
      margin: 0 4px;
      vertical-align: middle;
    }
    .now {
      margin: 0 6px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OutputLine {
  protected readonly decimals = decimals;
  readonly output = input.required<Output>();
  protected readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  protected readonly up = seconds('Up within');
  protected readonly down = seconds('Down within');
  protected readonly levels: Choice[] = [
    { value: 'high', label: 'high' },
    { value: 'low', label: 'low' },
  ];
  protected readonly curves: Choice[] = [
    { value: 'straight', label: 'evenly' },
    { value: 'eye', label: 'evenly for the eye' },
  ];
  protected readonly now = computed(() => this.view.snapshot()?.decided?.outputs[this.output().id]);
  /** Its own pin, and those that are wired and driven by nothing else. */
  protected readonly pins = computed((): Choice[] => {
    const design = this.session.design();
    if (!design) return [];
    const { pin } = this.output();
    const taken = new Set(design.outputs.map((o) => o.pin));
    const free = pinsToDrive(design).filter((p) => !taken.has(p));
    return [pin, ...free].map((value) => ({ value, label: value }));
  });

  protected put(change: Partial<Output>): void {
    const { pin: before } = this.output();
    const output = defined({ ...this.output(), ...change });
    const { pin } = output;
    if (pin === before) this.session.edit({ type: 'put-output', output });
    else
      this.session.edit({
        type: 'batch',
        label: `move ${output.name}`,
        edits: [
          { type: 'clear-pin', pin: before },
          { type: 'set-pin', pin, mode: 'output' },
          { type: 'put-output', output },
        ],
      });
  }

  protected setFade(change: Partial<Fade> | undefined): void {
    const { fade } = this.output();
    this.put({ fade: change && { up: 2, down: 3, curve: 'eye', ...fade, ...change } });
  }
}
