import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { chainOf, eventsOf } from '@yurei/core/rehearsal';
import { Press } from '../common/press';
import { sayMoment } from '../common/say-moment';
import { BenchView } from '../data/bench-view';

/** More events than this are not shown one by one. */
const mostShown = 400;

/** What came about in the rehearsal, each with what brought it about; a click takes the time there. */
@Component({
  selector: 'yu-event-list',
  imports: [Press],
  template: `
    <table>
      <tbody>
        @for (row of rows(); track row.index) {
          <tr [class.cause]="causes().has(row.index)" [class.here]="row.index === picked()">
            <td class="value">{{ moment(row.event.t) }}</td>
            <td>
              <button yuPress="bare" (click)="pick(row.index)">
                <i class="pi" [class]="row.glyph" aria-hidden="true"></i> {{ row.event.text }}
              </button>
            </td>
          </tr>
        } @empty {
          <tr>
            <td class="soft">Nothing came about: no channel answered, nothing fired.</td>
          </tr>
        }
      </tbody>
    </table>
    @if (more() > 0) {
      <p class="soft">And {{ more() }} more; export the rehearsal as CSV to see them all.</p>
    }
  `,
  styles: `
    :host {
      display: block;
      flex: 1.25;
      min-height: 0;
      overflow: auto;
      padding: 4px 14px;
      font-size: var(--type-small);
    }
    table {
      border-collapse: collapse;
      width: 100%;
    }
    td {
      border-bottom: 1px solid var(--rule);
      padding: 2px 6px;
      vertical-align: top;
      overflow-wrap: anywhere;
    }
    td:first-child {
      width: 96px;
      text-align: right;
      white-space: nowrap;
    }
    button {
      color: inherit;
      font: inherit;
      width: 100%;
    }
    .cause {
      background: var(--indigo-wash);
    }
    .here td {
      font-weight: 700;
    }
    .pi {
      font-size: var(--type-mark);
      color: var(--soft);
      width: 14px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EventList {
  protected readonly moment = sayMoment;
  private readonly view = inject(BenchView);
  /** Place of the event whose causes are shown. */
  protected readonly picked = signal<number | undefined>(undefined);

  private readonly events = computed(() => {
    const [design, rehearsal] = [this.view.shown(), this.view.rehearsal()];
    return design && rehearsal ? eventsOf(design, rehearsal) : [];
  });
  protected readonly rows = computed(() =>
    this.events()
      .slice(0, mostShown)
      .map((event, index) => ({ event, index, glyph: glyphs[event.kind] })),
  );
  protected readonly more = computed(() => Math.max(0, this.events().length - mostShown));
  protected readonly causes = computed(() => {
    const [events, picked] = [this.events(), this.picked()];
    if (picked === undefined || picked >= events.length) return new Set<number>();
    return new Set(chainOf(events, picked).map((e) => events.indexOf(e)));
  });

  protected pick(index: number): void {
    this.picked.set(index);
    this.view.moveTo(this.events()[index].t);
  }
}

const glyphs: Readonly<Record<string, string>> = {
  channel: 'pi-wave-pulse',
  mode: 'pi-sitemap',
  rule: 'pi-arrow-right',
  counter: 'pi-hashtag',
  sequence: 'pi-list',
  notice: 'pi-send',
  acting: 'pi-bell',
  controller: 'pi-power-off',
};
