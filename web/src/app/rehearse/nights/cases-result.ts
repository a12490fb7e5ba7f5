import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { compared, scoreOf } from '@yurei/core/trials';
import type { Share } from '@yurei/core/judge';
import { toDigits } from '@yurei/core/quantity';
import { TableModule } from 'primeng/table';
import { percent } from './percent';
import { StudyRun } from './study-run';

/** The corners of what may be, or two states of a design side by side. */
@Component({
  selector: 'yu-cases-result',
  imports: [TableModule],
  template: `
    @if (run.asked()?.study?.ask?.for === 'corners') {
      <p-table [value]="corners()" size="small">
        <ng-template #header>
          <tr>
            <th scope="col">corner</th>
            <th scope="col">noticed</th>
            <th scope="col">false triggers a night</th>
          </tr>
        </ng-template>
        <ng-template #body let-row>
          <tr [class.off]="row.bad">
            <th scope="row">{{ row.label }}</th>
            <td class="value">{{ row.noticed }}</td>
            <td class="value">{{ row.falses }}</td>
          </tr>
        </ng-template>
      </p-table>
      <p class="soft">
        Each corner puts the air, every supply and the strength of everything that happens to one
        end of what is given; the rest is drawn.
      </p>
    } @else {
      <p-table [value]="beside()" size="small">
        <ng-template #header>
          <tr>
            <th scope="col">happening</th>
            <th scope="col">{{ run.asked()?.cases?.[0]?.label }}</th>
            <th scope="col">as it is</th>
            <th scope="col">difference</th>
          </tr>
        </ng-template>
        <ng-template #body let-row>
          <tr [class.off]="row.became === 'worse'">
            <th scope="row">
              {{ row.name }} <span class="soft">{{ row.what }}</span>
            </th>
            <td class="value">{{ row.before }}</td>
            <td class="value">{{ row.after }}</td>
            <td class="value">
              {{ row.by }}
              <b>{{ row.became }}</b>
            </td>
          </tr>
        </ng-template>
        <ng-template #footer>
          <tr>
            <th scope="row">False triggers a night</th>
            @for (each of falses(); track $index) {
              <td class="value">{{ each }}</td>
            }
            <td></td>
          </tr>
        </ng-template>
      </p-table>
      <p class="soft">
        Both in the scene as it is now, on the same seeds. Better or worse is said only where it is
        more than chance (Newcombe 1998, about 95 %).
      </p>
    }
  `,
  styleUrl: './nights-dialog.css',
  styles: `
    tr > th,
    tr > td {
      vertical-align: top;
    }
    tr.off th {
      box-shadow: inset 4px 0 var(--lantern);
      padding-left: 10px;
    }
    td b {
      display: block;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CasesResult {
  protected readonly run = inject(StudyRun);
  private readonly scores = computed(() => {
    const asked = this.run.asked();
    return asked ? this.run.nights().map((trials) => scoreOf(trials, asked.scene)) : [];
  });
  protected readonly falses = computed(() =>
    this.scores().map((s) => toDigits(s.falsesPerNight, 2)),
  );
  protected readonly corners = computed(() =>
    this.scores().map((score, i) => ({
      label: this.run.asked()?.cases[i]?.label ?? '',
      noticed: say(score.noticed),
      falses: this.falses()[i],
      bad: score.noticed.events < score.noticed.tries || score.falses > 0,
    })),
  );
  protected readonly beside = computed(() => {
    const [asked, [before, after]] = [this.run.asked(), this.run.nights()];
    if (!asked || !before || !after) return [];
    return compared(before, after, asked.scene).map((row) => ({
      id: row.id,
      name: row.name,
      what: row.intent === 'wanted' ? 'noticed' : 'fired falsely',
      before: say(row.before),
      after: say(row.after),
      by: `${signed(row.difference.by)} (${signed(row.difference.low)} … ${signed(row.difference.high)})`,
      became: row.became === 'no other' ? '' : row.became,
    }));
  });
}

const say = ({ events, tries, low, high }: Share): string =>
  tries > 0 ? `${events} of ${tries}, ${percent(low)} … ${percent(high)}` : '·';
const signed = (share: number): string => `${share < 0 ? '−' : '+'}${percent(Math.abs(share))}`;
