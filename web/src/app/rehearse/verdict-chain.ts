import {
  ChangeDetectionStrategy,
  Component,
  effect,
  inject,
  input,
  signal,
  untracked,
} from '@angular/core';
import { withoutReadings } from '@yurei/core/design';
import type { Link } from '@yurei/core/rehearsal';
import { BenchService } from '../bench/bench';
import { sayMoment } from '../common/say-moment';
import { BenchView } from '../data/bench-view';

/** How a happening came to what it brought about, link by link; a click takes the time there. */
@Component({
  selector: 'yu-verdict-chain',
  template: `
    @if (links().length > 0) {
      <ol aria-label="How it came to that">
        @for (link of links(); track $index) {
          <li>
            <button type="button" class="value" (click)="view.moveTo(link.t)">
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
      font-size: 12.5px;
    }
    li {
      display: flex;
      align-items: baseline;
      gap: 8px;
    }
    button {
      border: 0;
      background: none;
      color: var(--indigo-ink);
      font-size: 12.5px;
      min-width: 84px;
      min-height: 24px;
      padding: 0;
      text-align: right;
      cursor: pointer;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VerdictChain {
  readonly happening = input.required<string>();
  protected readonly view = inject(BenchView);
  private readonly bench = inject(BenchService);
  protected readonly links = signal<readonly Link[]>([]);
  protected readonly moment = sayMoment;
  private turn = 0;

  constructor() {
    effect(() => {
      const happening = this.happening();
      const rehearsed = !this.view.rehearsing() && this.view.rehearsal();
      if (rehearsed) untracked(() => void this.tell(happening));
    });
  }

  private async tell(happening: string): Promise<void> {
    const [design, scene, rehearsal] = [
      this.view.shown(),
      this.view.played()?.id,
      this.view.rehearsal(),
    ];
    if (!design || !scene || !rehearsal) return;
    const turn = ++this.turn;
    // Where it cannot be told, the verdict still says what there is to say.
    const links = await this.bench.quick
      .chain(withoutReadings(design), scene, rehearsal, happening)
      .catch(() => []);
    if (turn === this.turn) this.links.set(links);
  }
}
