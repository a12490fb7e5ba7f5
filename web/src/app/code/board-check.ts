import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { channelReader, sayReading } from '@yurei/core/catalog';
import type { Channel } from '@yurei/core/design';
import { Button } from 'primeng/button';
import { TableModule } from 'primeng/table';
import { BenchBoard } from '../data/bench-board';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { BoardState } from '../data/board-state';

/** A reading may be off by so much of its full scale: tolerances, and a bench that is not the place. */
const mayDiffer = 0.08;

interface Row {
  name: string;
  pin: string;
  reads: string;
  expected: string;
  verdict: string;
  manner: 'good' | 'bad' | 'soft';
}

/** The board on the bench, pin by pin: what each channel reads beside what it should with nothing there, and what its program tells. */
@Component({
  selector: 'yu-board-check',
  imports: [BoardState, Button, TableModule],
  template: `
    <h3 class="heading">Does it answer?</h3>
    <yu-board-state />
    @if (board.connected()) {
      <p-table
        [value]="rows()"
        [pt]="{ tableContainer: { tabindex: 0, 'aria-label': 'What the board reads' } }"
        size="small"
      >
        <ng-template #header>
          <tr>
            <th>Channel</th>
            <th>Pin</th>
            <th>Reads</th>
            <th>With nothing there</th>
            <th></th>
          </tr>
        </ng-template>
        <ng-template #body let-row>
          <tr>
            <td>{{ row.name }}</td>
            <td>{{ row.pin }}</td>
            <td class="number">{{ row.reads }}</td>
            <td class="number">{{ row.expected }}</td>
            <td [class]="row.manner">{{ row.verdict }}</td>
          </tr>
        </ng-template>
      </p-table>
      <div class="line">
        <p-button
          label="Try all outputs"
          icon="pi pi-play"
          size="small"
          severity="secondary"
          variant="outlined"
          (onClick)="board.test()"
        />
        <span class="soft"
          >each for half a second, by the program: unplug first what it drives</span
        >
      </div>
      <ul class="told" aria-label="What the board tells" aria-live="polite">
        @for (line of board.told(); track $index) {
          <li>{{ line }}</li>
        }
      </ul>
    } @else {
      <p class="soft">
        With the program loaded, each channel stands here beside what it should read, and what the
        program tells as it happens.
      </p>
    }
  `,
  styles: `
    :host {
      display: block;
      margin-top: 18px;
      max-width: 760px;
    }
    .number {
      font-variant-numeric: tabular-nums;
    }
    .good {
      color: var(--moss-ink);
    }
    .bad {
      color: var(--lantern-ink);
      font-weight: 700;
    }
    .line {
      display: flex;
      align-items: center;
      gap: 10px;
      margin: 8px 0;
    }
    .told {
      margin: 0;
      padding: 0;
      list-style: none;
      font-family: var(--mono);
      font-size: var(--type-note);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BoardCheck {
  protected readonly board = inject(BenchBoard);
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);

  protected readonly rows = computed((): Row[] => {
    this.board.beat();
    return (this.session.design()?.channels ?? []).map((channel) => this.rowOf(channel));
  });

  private rowOf(channel: Channel): Row {
    const { name, pin } = channel;
    const design = this.session.design();
    const reads = this.board.seriesOf(channel)?.last;
    const full = design && channelReader(design, pin)?.full;
    const first = this.view.rehearsed()?.rehearsal.readings[channel.id]?.values[0];
    const expected = first ?? this.view.snapshot()?.counts[channel.id];
    const say = (counts: number | undefined): string =>
      counts === undefined || !design ? '–' : sayReading(design, pin, Math.round(counts), '');
    const row = { name, pin, reads: say(reads), expected: say(expected) };
    if (reads === undefined)
      return { ...row, verdict: 'the board tells no reading of it', manner: 'bad' };
    if (expected === undefined || full === undefined)
      return { ...row, verdict: 'not known what it should', manner: 'soft' };
    return Math.abs(reads - expected) <= mayDiffer * full
      ? { ...row, verdict: 'as it should', manner: 'good' }
      : { ...row, verdict: 'other: its wire, its sensor, or something is there', manner: 'bad' };
  }
}
