import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { kindOf } from '@yurei/core/catalog';
import { terminalRef } from '@yurei/core/design';
import { formatQuantity } from '@yurei/core/quantity';
import { Button } from 'primeng/button';
import { ChoiceField, type Choice } from '../common/choice-field';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';
import { impossible } from '../picture/connect';
import { Probes } from '../shell/probes';

/** One wire: what it carries, and its two ends to move elsewhere. */
@Component({
  selector: 'yu-wire-panel',
  imports: [Button, ChoiceField],
  template: `
    @if (wire(); as wire) {
      <h2>Wire {{ wire.from }} – {{ wire.to }}</h2>
      <dl class="readings">
        <dt>Volts</dt>
        <dd>{{ volts() }}</dd>
        <dt>Current from {{ wire.from }}</dt>
        <dd>{{ amps() }}</dd>
      </dl>
      <div class="fields">
        @for (end of ends; track end) {
          <yu-choice-field
            [label]="end === 'from' ? 'Starts at' : 'Ends at'"
            [choices]="options()[end]"
            [value]="wire[end]"
            (changed)="move(end, $event)"
          />
        }
      </div>
      <div class="row">
        <p-button
          label="Pin (P)"
          size="small"
          severity="secondary"
          variant="outlined"
          (onClick)="probes.toggle(wire.from)"
        />
        <p-button
          label="Remove wire"
          icon="pi pi-trash"
          size="small"
          severity="secondary"
          variant="outlined"
          (onClick)="remove()"
        />
      </div>
    }
  `,
  styleUrl: '../common/panel.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WirePanel {
  readonly id = input.required<string>();
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  private readonly selection = inject(Selection);
  protected readonly probes = inject(Probes);
  protected readonly ends = ['from', 'to'] as const;

  protected readonly wire = computed(() =>
    this.session.design()?.wires.find((w) => w.id === this.id()),
  );
  protected readonly volts = computed(() => {
    const from = this.wire()?.from ?? '';
    const net = this.view.snapshot()?.solution.nets.find((n) => n.terminals.includes(from));
    return net?.volts === undefined ? 'floating' : formatQuantity(net.volts, 'V', 4);
  });
  protected readonly amps = computed(() => {
    const amps = this.view.snapshot()?.solution.wires[this.id()];
    return amps === undefined ? 'shared in a loop' : formatQuantity(amps, 'A');
  });

  /** Where each end could go with the other one staying. */
  protected readonly options = computed(() => {
    const design = this.session.design();
    const wire = this.wire();
    if (!design || !wire) return { from: [], to: [] };
    const without = { ...design, wires: design.wires.filter((w) => w.id !== wire.id) };
    const all = design.parts.flatMap((p) =>
      kindOf(p).terminals.map((t) => terminalRef(p.id, t.id)),
    );
    const possible = (moving: string, fixed: string): Choice[] =>
      all
        .filter((ref) => ref === moving || !impossible(without, fixed, ref))
        .map((ref) => ({ value: ref, label: ref }));
    return { from: possible(wire.from, wire.to), to: possible(wire.to, wire.from) };
  });

  protected move(end: 'from' | 'to', terminal: string): void {
    const wire = this.wire();
    if (!wire) return;
    const moved = { ...wire, [end]: terminal };
    this.session.edit({
      type: 'batch',
      label: `move wire ${wire.id}`,
      edits: [
        { type: 'remove-wire', id: wire.id },
        { type: 'add-wire', wire: moved },
      ],
    });
  }

  protected remove(): void {
    this.session.edit({ type: 'remove-wire', id: this.id() });
    this.selection.clear();
  }
}
