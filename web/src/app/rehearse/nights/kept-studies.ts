import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { StudySummary } from '@yurei/core/exchange';
import { Button } from 'primeng/button';
import { formatDateTime } from '../../common/date-time';
import { Press } from '../../common/press';
import { StudyRun } from './study-run';

const asks: Readonly<Record<StudySummary['ask'], string>> = {
  nights: 'nights',
  map: 'nights, a map',
  corners: 'nights, corners',
  beside: 'nights, side by side',
};

/** The studies of this design that the server has kept: opened again, or removed. */
@Component({
  selector: 'yu-kept-studies',
  imports: [Button, Press],
  template: `
    @if (rows().length > 0) {
      <h3 class="heading">kept</h3>
    }
    @for (row of rows(); track row.id) {
      <div class="kept">
        <button yuPress="bare" class="open" (click)="run.open(row.id)">
          <b>{{ row.what }}</b>
          <span class="soft">{{ row.when }}</span>
        </button>
        <p-button
          icon="pi pi-trash"
          size="small"
          severity="secondary"
          variant="text"
          [ariaLabel]="'Remove the study of ' + row.when"
          (onClick)="run.remove(row.id)"
        />
      </div>
    }
  `,
  styles: `
    .kept {
      display: flex;
      align-items: center;
    }
    .open {
      flex: 1;
      color: var(--ink);
      padding: 3px 0;
    }
    .open:hover b {
      text-decoration: underline;
    }
    b,
    span {
      display: block;
      font-weight: 400;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KeptStudies {
  protected readonly run = inject(StudyRun);
  protected readonly rows = computed(() =>
    this.run.kept().map(({ id, madeAt, state, scene, ask, done, wanted }) => ({
      id,
      what: `${done < wanted ? `${done} of ${wanted}` : done} ${asks[ask]}`,
      when: `${scene}, ${formatDateTime(madeAt)}${state === 'done' ? '' : `, ${state}`}`,
    })),
  );
}
