import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { NonNullableFormBuilder, ReactiveFormsModule, Validators } from '@angular/forms';
import { isAcceptable } from '@yurei/core/check';
import type { Accepted } from '@yurei/core/design';
import { AutoFocus } from 'primeng/autofocus';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';

const longest = 400;

/** Says of a finding that it is no mistake in this design, and why; or takes that back. */
@Component({
  selector: 'yu-accept-line',
  imports: [AutoFocus, Button, InputText, ReactiveFormsModule],
  template: `
    @if (finding()?.accepted; as reason) {
      <p><strong>No mistake here:</strong> {{ reason }}</p>
      <p-button label="Tell it again" size="small" variant="text" (onClick)="reopen()" />
    } @else if (asking()) {
      <form class="ask" [formGroup]="form" (ngSubmit)="accept()">
        <label [for]="'why-' + id()">Why is it no mistake here?</label>
        <input
          pInputText
          pSize="small"
          [pAutoFocus]="true"
          formControlName="reason"
          [id]="'why-' + id()"
          [maxlength]="longest"
          (keydown.escape)="asking.set(false)"
        />
        <p-button
          type="submit"
          label="Keep with the design"
          size="small"
          [disabled]="form.invalid"
        />
        <p-button label="Cancel" size="small" variant="text" (onClick)="asking.set(false)" />
      </form>
    } @else if (acceptable()) {
      <p-button
        label="Not a mistake here"
        size="small"
        variant="text"
        (onClick)="asking.set(true)"
      />
    }
  `,
  styleUrl: './accept-line.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AcceptLine {
  /** Of the finding. */
  readonly id = input.required<string>();
  private readonly view = inject(BenchView);
  private readonly session = inject(DesignSession);
  protected readonly longest = longest;
  protected readonly asking = signal(false);
  protected readonly form = inject(NonNullableFormBuilder).group({
    reason: ['', [Validators.pattern(/\S/), Validators.required, Validators.maxLength(longest)]],
  });
  /** As it was found by itself, whatever follows from it. */
  protected readonly finding = computed(() => this.view.findings().find((f) => f.id === this.id()));
  protected readonly acceptable = computed(() => {
    const finding = this.finding();
    return finding !== undefined && isAcceptable(finding);
  });

  protected accept(): void {
    const finding = this.finding();
    if (!finding || this.form.invalid) return;
    const { id, severity } = finding;
    const accepted: Accepted = {
      finding: id,
      severity: severity as Accepted['severity'],
      reason: this.form.controls.reason.value.trim(),
    };
    this.session.edit({ type: 'accept-finding', accepted });
    this.asking.set(false);
  }

  protected reopen(): void {
    this.session.edit({ type: 'reopen-finding', finding: this.id() });
  }
}
