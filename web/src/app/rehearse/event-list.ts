import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { chainOf, eventsOf } from '@yurei/core/rehearsal';
import { InputText } from 'primeng/inputtext';
import { TableModule } from 'primeng/table';
import { byRow } from '../common/by-row';
import { Press } from '../common/press';
import { sayMoment } from '../common/say-moment';
import { BenchView } from '../data/bench-view';

/** As many events are shown at once; the others are a page further. */
const atOnce = 200;

/** What came about in the rehearsal, each with what brought it about; a click takes the time there. */
@Component({
  selector: 'yu-event-list',
  imports: [InputText, Press, TableModule],
  template: `
    <input
      pInputText
      pSize="small"
      class="find"
      type="search"
      placeholder="Find among what came about"
      aria-label="Find among what came about"
      [value]="words()"
      (input)="find($event)"
    />
    <p-table
      [value]="rows()"
      [rowTrackBy]="byRow"
      size="small"
      [paginator]="rows().length > atOnce"
      [rows]="atOnce"
      [(first)]="first"
    >
      <ng-template #header>
        <tr>
          <th scope="col" class="when">when</th>
          <th scope="col">what</th>
        </tr>
      </ng-template>
      <ng-template #body let-row>
        <tr [class.cause]="causes().has(row.index)" [class.here]="row.index === picked()">
          <td class="value when">{{ moment(row.event.t) }}</td>
          <td>
            <button yuPress="bare" (click)="pick(row.index)">
              <i class="pi" [class]="row.glyph" aria-hidden="true"></i> {{ row.event.text }}
            </button>
          </td>
        </tr>
      </ng-template>
      <ng-template #emptymessage>
        <tr>
          <td class="soft" colspan="2">
            {{
              words()
                ? 'Nothing that came about says “' + words() + '”.'
                : 'Nothing came about: no channel answered, nothing fired.'
            }}
          </td>
        </tr>
      </ng-template>
    </p-table>
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
    .find {
      width: 300px;
      margin-bottom: 4px;
    }
    tr > td {
      vertical-align: baseline;
      overflow-wrap: anywhere;
    }
    tr > .when {
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
  protected readonly byRow = byRow;
  protected readonly moment = sayMoment;
  protected readonly atOnce = atOnce;
  /** Only what says this is shown. */
  protected readonly words = signal('');
  protected readonly first = signal(0);
  private readonly view = inject(BenchView);
  /** Place of the event whose causes are shown. */
  protected readonly picked = signal<number | undefined>(undefined);

  private readonly events = computed(() => {
    const [design, rehearsal] = [this.view.shown(), this.view.rehearsal()];
    return design && rehearsal ? eventsOf(design, rehearsal) : [];
  });
  protected readonly rows = computed(() => {
    const words = this.words().toLowerCase();
    return this.events()
      .map((event, index) => ({ event, index, glyph: glyphs[event.kind] }))
      .filter(({ event }) => event.text.toLowerCase().includes(words));
  });
  protected readonly causes = computed(() => {
    const [events, picked] = [this.events(), this.picked()];
    if (picked === undefined || picked >= events.length) return new Set<number>();
    return new Set(chainOf(events, picked).map((e) => events.indexOf(e)));
  });

  protected find(event: Event): void {
    this.first.set(0);
    this.words.set((event.target as HTMLInputElement).value);
  }

  protected pick(index: number): void {
    const event = this.events()[index];
    if (!event) return;
    this.picked.set(index);
    this.view.moveTo(event.t);
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
