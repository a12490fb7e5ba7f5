import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import type { Channel } from '@yurei/core/design';
import { fileStem, writeReadings } from '@yurei/core/exchange';
import { percent, upperBound } from '@yurei/core/judge';
import { decimals } from '@yurei/core/quantity';
import { Button } from 'primeng/button';
import { TableModule } from 'primeng/table';
import { byRow } from '../common/by-row';
import { download } from '../common/download';
import { Press } from '../common/press';
import { DesignSession } from '../data/design-session';
import { JudgeView } from '../data/judge-view';

interface Line {
  channel: Channel;
  /** The set that comes nearest to being decided wrongly. */
  nearest: string;
  margin: number | undefined;
  deviations: number | undefined;
  misses: string;
  falses: string;
  sets: number;
}

/** Every channel with its smallest margin, the worst first; settings can be copied from one to all. */
@Component({
  selector: 'yu-margins',
  imports: [Button, Press, TableModule],
  template: `
    <p-table [value]="lines()" [rowTrackBy]="byRow" size="small">
      <ng-template #header>
        <tr>
          <th scope="col" pSortableColumn="channel.name">
            Channel <p-sortIcon field="channel.name" />
          </th>
          <th scope="col">Line</th>
          <th scope="col" pSortableColumn="nearest">Nearest set <p-sortIcon field="nearest" /></th>
          <th scope="col" class="number" pSortableColumn="margin">
            Margin <p-sortIcon field="margin" />
          </th>
          <th scope="col" class="number">Missed</th>
          <th scope="col" class="number">False</th>
          <th scope="col"><span class="hidden-label">Do</span></th>
        </tr>
      </ng-template>
      <ng-template #body let-line>
        <tr [class.here]="line.channel.id === judging.channel()?.id">
          <td>
            <button yuPress="bare" (click)="choose.emit(line.channel.id)">
              {{ line.channel.name }}
            </button>
          </td>
          <td class="value">{{ line.channel.trips }} {{ line.channel.threshold }}</td>
          <td>{{ line.nearest }}</td>
          <td class="value number" [class.bad]="(line.margin ?? 0) < 0">
            {{ told(line) }}
          </td>
          <td class="value number">{{ line.misses }}</td>
          <td class="value number">{{ line.falses }}</td>
          <td>
            @if (line.channel.id !== judging.channel()?.id) {
              <p-button
                label="Set like this one"
                [ariaLabel]="'Set ' + line.channel.name + ' like ' + judging.channel()?.name"
                size="small"
                severity="secondary"
                variant="text"
                (onClick)="copyTo(line.channel)"
              />
            }
          </td>
        </tr>
      </ng-template>
    </p-table>
    @if (readings().length > 0) {
      <p-button
        label="Export all readings as CSV"
        icon="pi pi-download"
        size="small"
        severity="secondary"
        variant="outlined"
        (onClick)="exportAll()"
      />
    }
  `,
  styles: `
    .number {
      text-align: right;
    }
    .here {
      background: var(--indigo-wash);
    }
    .bad {
      color: var(--lantern-ink);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Margins {
  readonly choose = output<string>();
  protected readonly byRow = byRow;
  private readonly session = inject(DesignSession);
  protected readonly judging = inject(JudgeView);

  protected readonly readings = computed(() => this.session.design()?.readings ?? []);

  protected exportAll(): void {
    const title = this.session.design()?.title ?? 'readings';
    const name = `${fileStem(title)}-readings.csv`;
    download(name, writeReadings(this.readings()), 'text/csv');
  }

  protected readonly lines = computed((): Line[] => {
    const judged = this.judging.judged();
    const lines = (this.session.design()?.channels ?? []).map((channel): Line => {
      const judgement = judged.get(channel.id);
      const sets = judgement?.sets ?? [];
      const nearest = [...sets].sort((a, b) => a.margin - b.margin)[0];
      const share = (key: 'misses' | 'falses'): string => {
        const errors = judgement?.errors[key];
        return errors && errors.tries > 0
          ? `${percent(errors.events / errors.tries)}, ≤ ${percent(upperBound(errors.events, errors.tries))}`
          : '–';
      };
      return {
        channel,
        nearest: nearest?.name ?? 'no reading yet',
        margin: nearest?.margin,
        deviations: nearest?.deviations,
        misses: share('misses'),
        falses: share('falses'),
        sets: sets.length,
      };
    });
    // What was never measured is the worst of all.
    return lines.sort((a, b) => (a.margin ?? -Infinity) - (b.margin ?? -Infinity));
  });

  protected told({ margin, deviations }: Line): string {
    if (margin === undefined) return '–';
    const widths = deviations === undefined ? '' : ` = ${decimals(deviations, 1)} sd`;
    return `${Math.round(margin * 10) / 10}${widths}`;
  }

  /** Gives another channel everything but its name, pin and readings from the one that is being set. */
  protected copyTo({ id, name, pin }: Channel): void {
    const own = this.judging.channel();
    if (own) this.session.edit({ type: 'put-channel', channel: { ...own, id, name, pin } });
  }
}
