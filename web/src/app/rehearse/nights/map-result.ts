import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import type { Edit } from '@yurei/core/design';
import {
  axisValues,
  sweptFacts,
  scoreOf,
  type SweptParameter,
  type Score,
} from '@yurei/core/trials';
import { decimals, formatNominal, toDigits } from '@yurei/core/quantity';
import { TableModule } from 'primeng/table';
import { byRow } from '../../common/by-row';
import { Hint } from '../../common/hint';
import { Press } from '../../common/press';
import { DesignSession } from '../../data/design-session';
import { percent } from './percent';
import { StudyRun } from './study-run';

interface Cell {
  index: number;
  at: readonly [number, number];
  score: Score;
  noticed: string;
  falses: string;
  /** 0 … 100: how well it notices, and how quiet it is. */
  good: number;
  quiet: number;
  title: string;
  /** Nearest to where the design stands. */
  here: boolean;
}

/** Detection and false triggers over two values of the design, and the pair that is best. */
@Component({
  selector: 'yu-map-result',
  imports: [Hint, Press, TableModule],
  template: `
    @if (chosen(); as cell) {
      <p>
        <b>{{ isBest() ? 'Best: ' : '' }}{{ cell.title }}</b>
      </p>
      @if (cell.here) {
        <p class="soft">There the design stands.</p>
      } @else {
        <button yuPress class="take" (click)="take(cell)">Take these two values</button>
      }
    }
    <div class="maps" [style.--columns]="across().length">
      @for (map of maps; track map.id) {
        <div>
          <p class="soft">{{ map.label }}</p>
          <p-table
            [value]="rows()"
            [rowTrackBy]="byRow"
            size="small"
            [tableStyle]="{ tableLayout: 'fixed' }"
            [pt]="{ table: { 'aria-label': map.label } }"
          >
            <ng-template #body let-row>
              <tr>
                <th scope="row">{{ row.label }}</th>
                @for (cell of row.cells; track cell.index) {
                  <td>
                    <button
                      yuPress="drawn"
                      class="cell value"
                      [style.--share.%]="cell[map.share]"
                      [class.here]="cell.here"
                      [class.picked]="picked() === cell.index"
                      [yuHint]="cell.title"
                      [attr.aria-label]="cell.title"
                      [attr.aria-pressed]="picked() === cell.index"
                      (click)="picked.set(cell.index)"
                    >
                      {{ cell[map.id] }}
                    </button>
                  </td>
                }
              </tr>
            </ng-template>
            <ng-template #footer>
              <tr>
                <td></td>
                @for (label of across(); track $index) {
                  <th scope="col">{{ label }}</th>
                }
              </tr>
            </ng-template>
          </p-table>
        </div>
      }
    </div>
    <p class="soft">→ {{ sides()[0] }}<br />↑ {{ sides()[1] }}</p>
    <p class="soft">
      Outlined: where the design stands, or nearest to it. Bounds of each share are wide with few
      nights.
    </p>
  `,
  styleUrl: './nights-dialog.css',
  styles: `
    .maps {
      display: grid;
      grid-template-columns: repeat(
        auto-fit,
        minmax(min(100%, calc(39px * var(--columns) + 40px)), 1fr)
      );
      gap: 12px;
    }
    p-table {
      --p-datatable-body-cell-sm-padding: 1px;
      --p-datatable-footer-cell-sm-padding: 1px;
      --p-datatable-body-cell-border-color: transparent;
      --p-datatable-footer-cell-border-color: transparent;
    }
    .maps th {
      border: 0;
      font: var(--type-note) var(--mono);
      text-align: right;
      overflow-wrap: anywhere;
    }
    .maps th[scope='col'] {
      text-align: center;
    }
    .cell {
      --edge: 1px solid transparent;
      --fill: color-mix(
        in srgb,
        color-mix(in srgb, var(--moss) 42%, transparent) var(--share),
        color-mix(in srgb, var(--lantern) 42%, transparent)
      );
      width: 100%;
      padding: 5px 1px;
      text-align: center;
    }
    .cell.here {
      --edge: 1px solid var(--ink);
    }
    .cell.picked {
      outline: 2px solid var(--indigo);
    }
    .take {
      padding: 2px 10px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MapResult {
  private readonly run = inject(StudyRun);
  private readonly session = inject(DesignSession);
  protected readonly byRow = byRow;
  protected readonly maps = [
    { id: 'noticed', share: 'good', label: 'noticed of what is wanted, %' },
    { id: 'falses', share: 'quiet', label: 'false triggers a night' },
  ] as const;
  protected readonly picked = signal<number | undefined>(undefined);

  private readonly axes = computed(() => {
    const asked = this.run.asked();
    if (asked?.study.ask.for !== 'map') return [];
    return asked.study.ask.axes.map((axis) => {
      const facts = sweptFacts(asked.design, axis.dial);
      const values = axisValues(asked.design, axis);
      const { unit = '' } = facts?.param ?? {};
      const stands = facts?.value ?? NaN;
      const off = (v: number): number => Math.abs(v - stands);
      return {
        dial: axis.dial,
        label: facts?.label ?? '',
        values,
        labels: values.map((v) => formatNominal(v, unit)),
        here: values.reduce((near, v, i) => (off(v) < off(values[near] ?? NaN) ? i : near), 0),
      };
    });
  });
  protected readonly sides = computed(() => this.axes().map((a) => a.label));
  protected readonly across = computed(() => this.axes()[0]?.labels ?? []);

  private readonly cells = computed((): Cell[] => {
    const asked = this.run.asked();
    const [x, y] = this.axes();
    if (!asked || !x || !y) return [];
    const scores = this.run.nights().map((trials) => scoreOf(trials, asked.scene));
    const most = Math.max(1, ...scores.map((s) => s.falsesPerNight));
    return scores.map((score, index) => {
      const at = asked.cases[index]?.at ?? [0, 0];
      const { noticed, falsesPerNight } = score;
      const share = noticed.tries > 0 ? noticed.events / noticed.tries : 0;
      const each = Number(falsesPerNight.toPrecision(2));
      return {
        index,
        at,
        score,
        noticed: noticed.tries > 0 ? decimals(100 * share, 0) : '·',
        falses: score.nights > 0 ? toDigits(each, 2) : '·',
        good: 100 * share,
        quiet: 100 * (1 - Math.min(1, falsesPerNight / most)),
        title:
          `${x.label} ${x.labels[at[0]]}, ${y.label} ${y.labels[at[1]]}: ` +
          `noticed ${noticed.events} of ${noticed.tries} (${percent(noticed.low)} … ${percent(noticed.high)}), ${each} false triggers a night`,
        here: at[0] === x.here && at[1] === y.here,
      };
    });
  });
  /** The last row first: upwards is more. */
  protected readonly rows = computed(() => {
    const labels = this.axes()[1]?.labels ?? [];
    return labels
      .map((label, row) => ({ label, cells: this.cells().filter((c) => c.at[1] === row) }))
      .reverse();
  });
  /** Notices most, and of those fires falsely least; of equals the one nearest to where the design stands. */
  private readonly best = computed(() => {
    const here = this.cells().find((c) => c.here)?.at ?? [0, 0];
    const far = ({ at }: Cell): number => Math.hypot(at[0] - here[0], at[1] - here[1]);
    return [...this.cells()]
      .filter((c) => c.score.nights > 0)
      .sort(
        (a, b) =>
          b.good - a.good || a.score.falsesPerNight - b.score.falsesPerNight || far(a) - far(b),
      )[0];
  });
  protected readonly chosen = computed(
    () => this.cells().find((c) => c.index === this.picked()) ?? this.best(),
  );
  protected readonly isBest = computed(() => this.chosen()?.index === this.best()?.index);

  protected take({ at }: Cell): void {
    const edits = this.axes().flatMap((axis, i) => {
      const value = axis.values[at[i] ?? 0];
      return value === undefined ? [] : this.editOf(axis.dial, value);
    });
    this.session.edit({ type: 'batch', label: 'take two values', edits });
  }

  private editOf(swept: SweptParameter, value: number): Edit[] {
    if (swept.of === 'part')
      return [{ type: 'set-param', id: swept.part, param: swept.param, value }];
    const channel = this.session.design()?.channels.find((c) => c.id === swept.channel);
    return channel ? [{ type: 'put-channel', channel: { ...channel, [swept.field]: value } }] : [];
  }
}
