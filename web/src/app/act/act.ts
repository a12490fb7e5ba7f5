import { NgTemplateOutlet } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  linkedSignal,
  signal,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { kindOf } from '@yurei/core/catalog';
import { type Design, withoutAttachments } from '@yurei/core/design';
import { fileStem, largestFile, writeScxml } from '@yurei/core/exchange';
import { sayRule, truthsOf } from '@yurei/core/logic';
import { outputOn, pinsToDrive } from '@yurei/core/wiring';
import { Button } from 'primeng/button';
import { Menu } from 'primeng/menu';
import { Message } from 'primeng/message';
import { BenchService } from '../bench/bench';
import { FileButton } from '../common/file-button';
import { HelpHint } from '../common/help-hint';
import { download } from '../common/download';
import { InlineName } from '../common/inline-name';
import { Press } from '../common/press';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { answerInTurn } from '../data/answer';
import { chartsEdit } from './charts-edit';
import { Lanes } from './lanes';
import { MachineEditor } from './machine-editor';
import { ModeChart } from './mode-chart';
import { addEdit, machineKinds } from './new-things';
import { RuleCard } from './rule-card';
import { Things } from './things';

/** The Act step: what the controller does with its answers, and what is true of that whatever happens. */
@Component({
  selector: 'yu-act',
  imports: [
    Button,
    FileButton,
    HelpHint,
    InlineName,
    Lanes,
    MachineEditor,
    Menu,
    Message,
    ModeChart,
    NgTemplateOutlet,
    Press,
    RouterLink,
    RuleCard,
    Things,
  ],
  templateUrl: './act.html',
  styleUrls: ['../common/step.css', './act.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ActStep {
  protected readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  private readonly bench = inject(BenchService);
  protected readonly machineKinds = machineKinds.map(({ label }, i) => ({
    label,
    command: () => this.add(`machine ${i}`),
  }));
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
  /** What holds where nothing was found that does not; of what is not there nothing is said. */
  protected readonly sound = computed(() => {
    const { machines = [], rules = [] } = this.session.design() ?? {};
    return [
      ...(machines.length > 0
        ? ['Every mode can be reached and left, and no circle is run through for ever.']
        : []),
      ...(rules.length > 1 ? ['No two rules want one output differently.'] : []),
    ].join(' ');
  });
  protected readonly truths = computed(() => {
    const design = this.session.design();
    return design && truthsOf(design);
  });
  protected readonly sequenceFits = computed(
    () => (this.session.design()?.outputs.length ?? 0) > 0,
  );

  /** What would be added first, while there is no rule. */
  protected readonly proposal = computed(() => {
    const design = this.session.design();
    const edit = design?.rules.length === 0 && addEdit(design, 'rule');
    return edit && edit.type === 'put-rule' && { sentence: sayRule(design, edit.rule) };
  });

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

  /** Without a controller the circuit decides. */
  protected readonly byCircuit = computed(() => {
    const { parts, channels, outputs } = this.session.design() ?? {};
    return (
      parts !== undefined &&
      parts.length > 0 &&
      channels?.length === 0 &&
      outputs?.length === 0 &&
      !parts.some((p) => kindOf(p).terminals.some((t) => t.role === 'pin'))
    );
  });
  /** What it then does; undefined while that is looked for. */
  /** What only a swing makes act, by name. */
  protected readonly swung = computed(() =>
    (this.session.design()?.parts ?? [])
      .filter((part) => kindOf(part).acts?.inTime)
      .map((part) => part.name)
      .join(', '),
  );
  protected readonly deeds = computed(() => this.looking().found);
  protected readonly looking = answerInTurn(
    () => {
      const [design, scene] = [this.session.design(), this.view.scene()?.id];
      return design && this.byCircuit() ? { design, scene } : undefined;
    },
    ({ design, scene }) => this.bench.patient.does(withoutAttachments(design), scene),
  );

  /** Why a file of modes was not taken. */
  protected readonly unread = signal<readonly string[]>([]);

  protected exportCharts(): void {
    const design = this.session.design();
    if (!design) return;
    const name = `${fileStem(design.title)}.scxml`;
    download(name, writeScxml(design), 'application/scxml+xml');
  }

  /** Takes the charts of a file in, in the place of those of the same name, if all that they ask for is there. */
  protected async importCharts([file]: File[]): Promise<void> {
    const design = this.session.design();
    if (!file || !design) return;
    if (file.size > largestFile) {
      this.unread.set([`${file.name} is larger than 2 MB: no state chart. Choose another file.`]);
      return;
    }
    const edit = chartsEdit(design, await file.text());
    this.unread.set(edit.ok ? [] : edit.problems.slice(0, 3).map((p) => `${file.name}: ${p}`));
    if (edit.ok && this.session.edit(edit.edit)) this.choose(edit.first);
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

  protected toggle(id: string): void {
    this.open.set(this.open() === id ? undefined : id);
  }
}
