import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { writeLogCsv } from '@yurei/core/exchange';
import { readLog, summaryOf, type BoardLog, type LoggedEvent } from '@yurei/core/log';
import { sayRule } from '@yurei/core/logic';
import { formatQuantity } from '@yurei/core/quantity';
import { RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { TableModule } from 'primeng/table';
import { download } from '../common/download';
import { FileButton } from '../common/file-button';
import { BenchBoard } from '../data/bench-board';
import { BoardState } from '../data/board-state';
import { DesignSession } from '../data/design-session';

/** As many events are shown at once; the others are a page further. */
const atOnce = 100;
/** Larger files are not read, bytes. */
const largest = 50e6;

/** The Log step: what the program on a board has told, heard from it while it is connected, or taken from what a terminal program has kept. */
@Component({
  selector: 'yu-log',
  imports: [BoardState, Button, FileButton, RouterLink, TableModule],
  template: `
    <div class="bar">
      <yu-board-state [standIn]="false" />
      <yu-file-button
        label="Open what a terminal kept…"
        what="Lines that a board has sent, kept by a terminal program"
        accept=".txt,.log,.csv"
        (taken)="open($event)"
      />
      @if (log().events.length > 0) {
        <p-button
          label="Save as CSV"
          icon="pi pi-download"
          size="small"
          severity="secondary"
          variant="outlined"
          (onClick)="save()"
        />
      }
      <span class="soft" role="status">{{ said() }}</span>
    </div>
    @if (log().events.length > 0) {
      <div class="both">
        <p-table
          [value]="rows()"
          [paginator]="rows().length > atOnce"
          [rows]="atOnce"
          [scrollable]="true"
          scrollHeight="flex"
          [pt]="{ tableContainer: { tabindex: 0, 'aria-label': 'Events, the last one first' } }"
          size="small"
        >
          <ng-template #header>
            <tr>
              <th scope="col" class="when">When</th>
              <th scope="col">Event</th>
            </tr>
          </ng-template>
          <ng-template #body let-row>
            <tr>
              <td class="number when">{{ row.when }}</td>
              <td>
                {{ row.of }} <b>{{ row.what }}</b>
              </td>
            </tr>
          </ng-template>
        </p-table>
        <p-table
          [value]="summary()"
          [scrollable]="true"
          scrollHeight="flex"
          [pt]="{ tableContainer: { tabindex: 0, 'aria-label': 'How often what has happened' } }"
          size="small"
        >
          <ng-template #header>
            <tr>
              <th scope="col">What</th>
              <th scope="col">Times</th>
              <th scope="col">Active for</th>
              <th scope="col">Last</th>
            </tr>
          </ng-template>
          <ng-template #body let-row>
            <tr>
              <td>{{ row.what }}</td>
              <td class="number">{{ row.times }}</td>
              <td class="number">{{ row.active }}</td>
              <td class="number">{{ row.last }}</td>
            </tr>
          </ng-template>
        </p-table>
      </div>
    } @else {
      <section class="none" tabindex="0" aria-label="Nothing was told yet">
        <h3 class="heading">Nothing was told yet</h3>
        <p>
          The program on a board tells when a rule begins and ends, a mode is entered, a notice is
          sent. Connect it and watch, or keep what it sends with a terminal program through a night
          and open that file here.
        </p>
        <p class="soft">
          The stand-in board runs no program: it tells readings only. A quiet build tells nothing.
          What is here is not kept when you leave: save it as CSV.
        </p>
        <p><a routerLink="../code">Go to Code</a></p>
      </section>
    }
  `,
  styleUrl: '../common/step.css',
  styles: `
    .both {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 24px;
      flex: 1;
      min-height: 0;
      padding: 8px 18px;
    }
    p-table {
      min-height: 0;
    }
    td {
      overflow-wrap: anywhere;
    }
    .number {
      font-variant-numeric: tabular-nums;
      white-space: nowrap;
    }
    .when {
      width: 8.5em;
    }
    .none {
      max-width: 560px;
      padding: 14px 18px;
      line-height: 1.5;
    }
    .none p {
      margin: 0 0 8px;
    }
    .none a {
      color: var(--indigo-ink);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LogStep {
  private readonly board = inject(BenchBoard);
  private readonly session = inject(DesignSession);
  protected readonly atOnce = atOnce;
  /** What was opened, in place of what is heard. */
  private readonly opened = signal<BoardLog | undefined>(undefined);
  protected readonly log = computed(() => this.opened() ?? this.board.log());
  protected readonly said = signal('');

  protected readonly summary = computed(() =>
    summaryOf(this.log()).map(({ kind, of, id, times, active, last }) => ({
      what: this.called(kind, of, id),
      times,
      active: active === undefined ? '' : formatQuantity(active, 's'),
      last: this.moment(last),
    })),
  );

  protected readonly rows = computed(() =>
    this.log()
      .events.map((event) => ({
        when: this.moment(event),
        of: `${event.kind} ${event.of}`,
        what: event.what,
      }))
      .reverse(),
  );

  protected async open([file]: File[]): Promise<void> {
    const design = this.session.design();
    if (!file || !design) return;
    if (file.size > largest) {
      this.said.set(`${file.name} has more than ${largest / 1e6} MB: open a part of it.`);
      return;
    }
    try {
      const log = readLog(await file.text(), design);
      this.opened.set(log);
      this.said.set(`${file.name}: ${log.events.length} events, ${log.others} other lines`);
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      this.said.set(`${file.name}: ${error.message}`);
    }
  }

  protected save(): void {
    download('events.csv', writeLogCsv(this.log()), 'text/csv');
  }

  private called(kind: string, of: string, id: string | undefined): string {
    const design = this.session.design();
    const rule = kind === 'rule' && design?.rules.find((r) => r.id === id);
    return rule && design ? `rule ${of}: ${sayRule(design, rule)}` : `${kind} ${of}`;
  }

  /** Of several runs, in which. */
  private moment({ t, run }: LoggedEvent): string {
    const at = formatQuantity(t, 's');
    return this.log().runs > 1 ? `run ${run}, ${at}` : at;
  }
}
