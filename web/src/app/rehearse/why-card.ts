import { withoutAttachments } from '@yurei/core/design';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { decimals, formatQuantity } from '@yurei/core/quantity';
import { wentWrong, type Asked, type Remedy, type Why } from '@yurei/core/rehearsal';
import { Button } from 'primeng/button';
import { Message } from 'primeng/message';
import { BenchService } from '../bench/bench';
import { answerTo } from '../data/answer';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { DiagnosisView } from '../data/diagnosis-view';

/** Why a happening was missed or fired falsely, or something fired without any, with changes that were tried and can be made. */
@Component({
  selector: 'yu-why-card',
  imports: [Button, Message],
  template: `
    @if (looking()) {
      <p class="soft" role="status">Looking for the place, and trying changes…</p>
    } @else if (why(); as why) {
      <p>
        <b>{{ heads[why.place] }}.</b> {{ why.text }}
      </p>
      @if (why.chain.length > 0) {
        <ol>
          @for (event of why.chain; track $index) {
            <li>
              <span class="value">{{ decimals(event.t, 2) }} s</span> {{ event.text }}
            </li>
          }
        </ol>
      }
      @for (remedy of why.remedies; track remedy.label) {
        <p class="remedy">
          {{ remedy.label }}: <b>{{ came(remedy) }}</b>
          @if (remedy.regressions.length > 0) {
            <span class="regressions">, but worse for {{ remedy.regressions.join(', ') }}</span>
          }
          @if (remedy.effective) {
            <p-button label="Do it" size="small" variant="outlined" (onClick)="apply(remedy)" />
          }
        </p>
      } @empty {
        @if (why.place === 'driver' || why.place === 'circuit') {
          @for (root of roots(); track root.finding.id) {
            <p class="remedy">Wire says: {{ root.finding.title }}. {{ root.finding.reason }}</p>
          }
        }
        <p class="soft">
          No number in the design would cure it by itself
          {{ why.place === 'not felt' ? ': move a sensor, or what happens, on the plan.' : '.' }}
        </p>
      }
    } @else if (trouble()) {
      <p-message severity="error" size="small" variant="simple">{{ trouble() }}</p-message>
    }
  `,
  styles: `
    :host {
      display: block;
      font-size: var(--type-small);
      padding: 4px 9px 6px;
      border: 1px solid var(--rule);
      border-top: 0;
      border-radius: 0 0 var(--round) var(--round);
    }
    ol {
      margin: 4px 0;
      padding-left: 18px;
    }
    .remedy {
      margin-top: 4px;
    }
    .remedy p-button {
      margin-left: 6px;
    }
    .regressions {
      color: var(--lantern-ink);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WhyCard {
  protected readonly decimals = decimals;
  readonly asked = input.required<Asked>();
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  private readonly bench = inject(BenchService);
  private readonly diagnosis = inject(DiagnosisView);
  private readonly answer = answerTo(
    () => {
      const [rehearsed, asked] = [this.view.rehearsed(), this.asked()];
      return rehearsed && { ...rehearsed, asked };
    },
    ({ design, scene, rehearsal, asked }) =>
      this.bench.patient.explain(withoutAttachments(design), scene, rehearsal, asked),
  );
  protected readonly why = computed(() => this.answer().found);
  protected readonly looking = computed(() => this.answer().looking);
  protected readonly trouble = computed(() => this.answer().trouble);

  protected readonly heads: Readonly<Record<Why['place'], string>> = {
    'not felt': 'It was not felt',
    'not read': 'No reading was taken',
    learning: 'The baseline was being learnt',
    threshold: 'It did not reach the line',
    debounce: 'It was too short',
    'lock-out': 'It came while locked out',
    order: 'The order was lost',
    condition: 'The rule asked for more',
    mode: 'It was in another mode',
    driver: 'Nothing acted',
    circuit: 'The circuit did not answer',
    fired: 'How it came to fire',
  };
  /** What is wrong with the circuit: that is looked for elsewhere. */
  protected readonly roots = computed(() => this.diagnosis.roots() ?? []);

  protected came({ outcome, delay, effective }: Remedy): string {
    const came = delay === undefined ? outcome : `${outcome} after ${formatQuantity(delay, 's')}`;
    return !wentWrong(outcome) && !effective ? `${came}, but not whenever it begins` : came;
  }

  protected apply(remedy: Remedy): void {
    this.session.edit(remedy.edit);
  }
}
