import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { withoutAttachments } from '@yurei/core/design';
import { BenchService } from '../bench/bench';
import { Press } from '../common/press';
import { sayMoment } from '../common/say-moment';
import { answerTo } from '../data/answer';
import { BenchView } from '../data/bench-view';

/** How a happening came to what it brought about, link by link; a click takes the time there. */
@Component({
  selector: 'yu-verdict-chain',
  imports: [Press],
  template: `
    @if (links().length > 0) {
      <ol aria-label="How it came to that">
        @for (link of links(); track $index) {
          <li>
            <button yuPress="bare" class="value" (click)="view.moveTo(link.t)">
              {{ moment(link.t) }}
            </button>
            <span>{{ link.text }}</span>
          </li>
        }
      </ol>
    }
  `,
  styles: `
    ol {
      margin: 0 0 6px;
      padding: 4px 9px;
      list-style: none;
      border: 1px solid var(--rule);
      border-top: 0;
      font-size: var(--type-small);
    }
    li {
      display: flex;
      align-items: baseline;
      gap: 8px;
    }
    button {
      flex: none;
      min-width: 84px;
      text-align: right;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VerdictChain {
  readonly happening = input.required<string>();
  protected readonly view = inject(BenchView);
  private readonly bench = inject(BenchService);
  protected readonly moment = sayMoment;
  private readonly answer = answerTo(
    () => {
      const [rehearsed, happening] = [this.view.rehearsed(), this.happening()];
      return rehearsed && { ...rehearsed, happening };
    },
    ({ design, scene, rehearsal, happening }) =>
      this.bench.quick.chain(withoutAttachments(design), scene, rehearsal, happening),
  );
  /** Where it cannot be told, the verdict still says what there is to say. */
  protected readonly links = computed(() =>
    this.answer().trouble ? [] : (this.answer().found ?? []),
  );
}
