import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { kindOf, type Param } from '@yurei/core/catalog';
import { sayVolts } from '@yurei/core/circuit';
import { terminalRef, type Wire } from '@yurei/core/design';
import { formatQuantity } from '@yurei/core/quantity';
import { moveWireEnd, splitWire, whyNotJoin, wireColours, wireOhms } from '@yurei/core/wiring';
import { Button } from 'primeng/button';
import { ChoiceField, type Choice } from '../common/choice-field';
import { ValueField } from '../common/value-field';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';
import { Probes } from '../data/probes';

const colours: readonly Choice[] = [
  { value: '', label: 'not recorded' },
  ...wireColours.map((value) => ({ value, label: value })),
];
/** Copper areas that are sold, mm². */
const areas = [0.14, 0.22, 0.34, 0.5, 0.75, 1, 1.5, 2.5, 4, 6];
const gauges: readonly Choice[] = [
  { value: '', label: 'not recorded' },
  ...areas.map((mm2) => ({ value: String(mm2), label: `${mm2} mm²` })),
];
const lengthParam: Param = {
  id: 'length',
  label: 'Length',
  unit: 'm',
  default: 0,
  min: 0,
  max: 1e4,
  usual: [0, 100],
};
/** What is put into a wire that is split, unless changed afterwards. */
const splitOhms = 1000;

/** One wire: what it carries, what it is made of, and its two ends to move elsewhere. */
@Component({
  selector: 'yu-wire-panel',
  imports: [Button, ChoiceField, ValueField],
  template: `
    @if (wire(); as wire) {
      <h2>Wire {{ wire.from }} – {{ wire.to }}</h2>
      <dl class="readings">
        <dt>Volts</dt>
        <dd>{{ volts() }}</dd>
        <dt>Current from {{ wire.from }}</dt>
        <dd>{{ amps() }}</dd>
        <dt>Its resistance</dt>
        <dd>{{ ohms() }}</dd>
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
        <yu-choice-field
          label="Colour"
          [choices]="colours"
          [value]="wire.colour ?? ''"
          (changed)="set({ colour: $event || undefined })"
        />
        <yu-value-field
          [param]="lengthParam"
          [value]="wire.length ?? 0"
          (changed)="set({ length: $event || undefined })"
        />
        <yu-choice-field
          label="Copper"
          [choices]="gauges"
          [value]="wire.gauge ? gaugeText(wire.gauge) : ''"
          (changed)="set({ gauge: $event ? +$event * 1e-6 : undefined })"
        />
      </div>
      <div class="row">
        <p-button
          label="Put a resistor in"
          icon="pi pi-minus"
          size="small"
          severity="secondary"
          variant="outlined"
          (onClick)="split()"
        />
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
  protected readonly colours = colours;
  protected readonly gauges = gauges;
  protected readonly lengthParam = lengthParam;

  protected readonly wire = computed(() =>
    this.session.design()?.wires.find((w) => w.id === this.id()),
  );
  protected readonly volts = computed(() => {
    const from = this.wire()?.from ?? '';
    const net = this.view.snapshot()?.solution.nets.find((n) => n.terminals.includes(from));
    return sayVolts(net, 4);
  });
  protected readonly amps = computed(() => {
    if (this.volts() === 'mains') return 'beyond the boundary, not computed';
    const amps = this.view.snapshot()?.solution.wires[this.id()];
    return amps === undefined ? 'shared in a loop' : formatQuantity(amps, 'A');
  });
  protected readonly ohms = computed(() => {
    const wire = this.wire();
    return wire?.length ? formatQuantity(wireOhms(wire), 'Ω') : 'length not recorded';
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
        .filter((ref) => ref === moving || !whyNotJoin(without, fixed, ref))
        .map((ref) => ({ value: ref, label: ref }));
    return { from: possible(wire.from, wire.to), to: possible(wire.to, wire.from) };
  });

  protected gaugeText(gauge: number): string {
    return String(Number((gauge * 1e6).toPrecision(3)));
  }

  protected set(fields: Pick<Wire, 'colour' | 'length' | 'gauge'>): void {
    this.session.edit({ type: 'set-wire', id: this.id(), fields });
  }

  protected move(end: 'from' | 'to', terminal: string): void {
    this.session.make((design) => moveWireEnd(design, this.id(), end, terminal));
  }

  protected split(): void {
    const done = this.session.make((design) =>
      splitWire(design, this.id(), 'resistor', 'Series resistor', { ohms: splitOhms }),
    );
    const added = this.session.design()?.parts.at(-1);
    if (done && added) this.selection.pick('part', added.id);
  }

  protected remove(): void {
    this.session.edit({ type: 'remove-wire', id: this.id() });
    this.selection.clear();
  }
}
