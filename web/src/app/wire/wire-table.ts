import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { findKind } from '@yurei/core/catalog';
import { voltsAt } from '@yurei/core/circuit';
import { formatQuantity } from '@yurei/core/quantity';
import { hookUpList } from '@yurei/core/wiring';
import { Button } from 'primeng/button';
import { TableModule } from 'primeng/table';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';

/** The picture in words: every part and every wire in a row, with what is solved of it; sorted by any column. */
@Component({
  selector: 'yu-wire-table',
  imports: [Button, TableModule],
  templateUrl: './wire-table.html',
  styleUrl: './wire-table.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WireTable {
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  protected readonly selection = inject(Selection);

  protected readonly parts = computed(() =>
    (this.session.design()?.parts ?? []).map(({ id, name, kind }) => ({
      id,
      name,
      kind: findKind(kind)?.label ?? kind,
      stage: findKind(kind)?.stage ?? '',
    })),
  );

  protected readonly wires = computed(() => {
    const design = this.session.design();
    const solution = this.view.snapshot()?.solution;
    if (!design) return [];
    return hookUpList(design).map(({ id, from, to, colour }) => {
      const volts = solution && voltsAt(solution, from.ref);
      const current = solution?.wires[id];
      return {
        id,
        from: `${from.part} ${from.terminal}`,
        to: `${to.part} ${to.terminal}`,
        colour: colour ?? '',
        // Numbers beside their words: a column is sorted by what it means.
        volts,
        amps: current,
        saysVolts: volts === undefined ? '–' : formatQuantity(volts, 'V'),
        saysAmps: current === undefined ? '–' : formatQuantity(current, 'A'),
      };
    });
  });
}
