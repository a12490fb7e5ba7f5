import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
} from '@angular/core';
import { formatQuantity } from '@yurei/core/quantity';
import { clockAt } from '@yurei/core/scene';
import { formatNumber } from '@angular/common';
import { Button } from 'primeng/button';
import { ProgressBar } from 'primeng/progressbar';
import { type Subscription } from 'rxjs';
import { reasonOf } from '../data/answer';
import { BenchView } from '../data/bench-view';
import { Proving, type Proven } from './proving';

type State = Proven | { trouble: string } | undefined;

/** Has the program proven on what was rehearsed, and says what came of it. */
@Component({
  selector: 'yu-proof-bar',
  imports: [Button, ProgressBar],
  template: `
    @if (running(); as told) {
      <p-progressbar
        aria-label="Passes compared"
        [value]="(100 * told.passes) / Math.max(1, told.of)"
        [showValue]="false"
      />
      <span class="soft">{{ count(told.passes) }} of {{ count(told.of) }} passes</span>
      <p-button
        label="Cancel"
        size="small"
        severity="secondary"
        variant="text"
        (onClick)="cancel()"
      />
    } @else {
      <p-button
        label="Prove it"
        icon="pi pi-check-square"
        size="small"
        [disabled]="!rehearsed()"
        (onClick)="prove()"
      />
      <span role="status" [class]="manner()">{{ says() }}</span>
    }
  `,
  styles: `
    :host {
      display: flex;
      align-items: center;
      gap: 10px;
      padding: 8px 14px;
      border-top: 1px solid var(--rule);
      font-size: var(--type-small);
    }
    p-progressbar {
      flex: 1;
      max-width: 320px;
      height: 6px;
    }
    .good {
      color: var(--moss-ink);
    }
    .bad {
      color: var(--lantern-ink);
      font-weight: 700;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ProofBar {
  /** Whether the program is written in the language in which it is proven. */
  readonly inPython = input.required<boolean>();
  protected readonly Math = Math;
  private readonly view = inject(BenchView);
  private readonly proving = inject(Proving);
  private work?: Subscription;

  /** What was rehearsed, once the circuit has been followed in time. */
  protected readonly rehearsed = computed(() =>
    this.view.following() ? undefined : this.view.rehearsed(),
  );
  /** As long as what was rehearsed is the same. */
  private readonly state = linkedSignal<unknown, State>({
    source: this.rehearsed,
    computation: () => {
      this.work?.unsubscribe();
      return undefined;
    },
  });
  protected readonly running = computed(() => {
    const state = this.state();
    return state && 'of' in state ? state : undefined;
  });
  protected readonly manner = computed(() => {
    const state = this.state();
    if (!state) return 'soft';
    return 'passes' in state && !('difference' in state) && !('circles' in state) ? 'good' : 'bad';
  });
  protected readonly says = computed(() => this.say());

  private say(): string {
    const state = this.state();
    const scene = this.view.scene()?.name;
    if (scene === undefined) return 'Make a scene in Rehearse: the program is proven on it.';
    if (!this.rehearsed()) return `“${scene}” is being rehearsed…`;
    if (!state) return `Runs it on what its pins read in “${scene}”, and compares each pass.`;
    if ('trouble' in state) return state.trouble;
    if ('difference' in state) return `It differs: ${state.difference}.`;
    if ('circles' in state && state.circles !== undefined)
      return `${this.count(state.passes)} passes agree, up to ${formatQuantity(state.circles / 1000, 's')}: there modes or rules go round in a circle, and have no one meaning. The findings tell which.`;
    const how = this.inPython() ? '' : ' Its statements were run as MicroPython.';
    return `${this.count(state.passes)} passes of “${scene}” compared: no difference.${how}`;
  }

  protected readonly count = (n: number): string => formatNumber(n, 'en');

  protected prove(): void {
    const rehearsed = this.rehearsed();
    if (!rehearsed) return;
    const { design, rehearsal } = rehearsed;
    const scene = design.scenes.find((s) => s.id === rehearsed.scene);
    if (!scene) return;
    this.cancel();
    this.state.set({ passes: 0, of: 0 });
    const { duration, readings, outages } = rehearsal;
    const asked = { design, played: { duration, readings, outages }, clock: clockAt(scene) };
    this.work = this.proving.prove(asked).subscribe({
      next: (told) => this.state.set(told),
      error: (error: unknown) => this.state.set({ trouble: reasonOf(error) }),
    });
  }

  protected cancel(): void {
    this.work?.unsubscribe();
    this.state.set(undefined);
  }
}
