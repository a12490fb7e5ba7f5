import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  linkedSignal,
  signal,
} from '@angular/core';
import type { Design } from '@yurei/core/design';
import { truthsOf } from '@yurei/core/logic';
import { Button } from 'primeng/button';
import { DesignSession } from '../data/design-session';
import { Lanes } from './lanes';
import { MachineEditor } from './machine-editor';
import { ModeChart } from './mode-chart';
import { outputOn, pinsToDrive } from './new-output';
import { addEdit, machineKinds } from './new-things';
import { RuleCard } from './rule-card';
import { Things } from './things';

/** The Act step: what the controller does with its answers, and what is true of that whatever happens. */
@Component({
  selector: 'yu-act',
  imports: [Button, Lanes, MachineEditor, ModeChart, RuleCard, Things],
  templateUrl: './act.html',
  styleUrls: ['../common/step.css', './act.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ActStep {
  protected readonly session = inject(DesignSession);
  protected readonly machineKinds = machineKinds;
  /** The rule that is open. */
  protected readonly open = signal<string | undefined>(undefined);

  protected readonly machines = computed(() => this.session.design()?.machines ?? []);
  private readonly chosen = signal<string | undefined>(undefined);
  /** The chart that is shown. */
  protected readonly machine = computed(
    () => this.machines().find((m) => m.id === this.chosen()) ?? this.machines()[0],
  );
  private readonly machineId = computed(() => this.machine()?.id);
  /** The way on it that is being changed, as long as the same chart is shown. */
  protected readonly way = linkedSignal<string | undefined, number | undefined>({
    source: this.machineId,
    computation: () => undefined,
  });
  protected readonly truths = computed(() => {
    const design = this.session.design();
    return design && truthsOf(design);
  });
  protected readonly sequenceFits = computed(
    () => (this.session.design()?.outputs.length ?? 0) > 0,
  );

  /** Wired pins that nothing drives yet. */
  protected readonly freePins = computed(() => {
    const design = this.session.design();
    if (!design) return [];
    return pinsToDrive(design).filter((pin) => !design.outputs.some((o) => o.pin === pin));
  });

  protected drive(pin: string): void {
    this.session.make((design) => ({
      type: 'batch',
      label: `drive ${pin}`,
      edits: outputOn(design, pin).edits,
    }));
  }

  protected choose(id: string): void {
    this.chosen.set(id);
  }

  protected add(what: string): void {
    const design = this.session.design() as Design;
    const edit = addEdit(design, what);
    if (!edit || !this.session.edit(edit)) return;
    if (edit.type === 'put-rule') this.open.set(edit.rule.id);
    if (edit.type === 'put-machine') this.choose(edit.machine.id);
  }

  protected addMachine(event: Event): void {
    const field = event.target as HTMLSelectElement;
    this.add(`machine ${field.value}`);
    field.value = '';
  }

  protected toggle(id: string): void {
    this.open.set(this.open() === id ? undefined : id);
  }

  protected renameMachine(event: Event): void {
    const [machine, field] = [this.machine(), event.target as HTMLInputElement];
    const name = field.value.trim();
    if (machine && name) this.session.edit({ type: 'put-machine', machine: { ...machine, name } });
    else field.value = machine?.name ?? '';
  }
}
