import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { channelReader, terminalOf, type Param } from '@yurei/core/catalog';
import { freshId, splitRef, type Channel, type Output, type Rule } from '@yurei/core/design';
import { duplicateChannel } from '@yurei/core/wiring';
import { Button } from 'primeng/button';
import { ChoiceField, type Choice } from '../common/choice-field';
import { TextField } from '../common/text-field';
import { ValueField } from '../common/value-field';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';

type NumberKey = 'threshold' | 'hysteresis' | 'every' | 'hits' | 'misses';

const timing: readonly (Param & { id: NumberKey })[] = [
  { id: 'every', label: 'Read every', unit: 's', default: 0.01, min: 1e-4, max: 86400 },
  { id: 'hits', label: 'Hits in a row', unit: '', default: 3, min: 1, max: 10000, whole: true },
  { id: 'misses', label: 'Misses in a row', unit: '', default: 3, min: 1, max: 10000, whole: true },
];
const holdParam: Param = {
  id: 'hold',
  label: 'Hold output for',
  unit: 's',
  default: 0,
  min: 0,
  max: 86400,
};

const sides: readonly Choice[] = [
  { value: 'above', label: 'above' },
  { value: 'below', label: 'below' },
];
const endings: readonly Choice[] = [
  { value: 'hold', label: 'time is up' },
  { value: 'latch', label: 'switched off' },
];

/** One channel: levels, timing, and for how long what it fires stays on. */
@Component({
  selector: 'yu-channel-panel',
  imports: [Button, ChoiceField, TextField, ValueField],
  template: `
    @if (channel(); as channel) {
      <h2>Channel {{ channel.name }}</h2>
      <p class="soft kind">Reads {{ channel.pin }}</p>
      <div class="fields">
        <yu-text-field
          label="Name"
          [value]="channel.name"
          [required]="true"
          (changed)="put({ name: $event })"
        />
        <yu-choice-field
          label="Trips"
          [choices]="sides"
          [value]="channel.trips"
          (changed)="put({ trips: $event === 'above' ? 'above' : 'below' })"
        />
        @for (param of fields(); track param.id) {
          <yu-value-field
            [param]="param"
            [value]="channel[param.id]"
            (changed)="set(param.id, $event)"
          />
        }
      </div>
      @for (rule of rules(); track rule.id) {
        <h3 class="heading">fires {{ outputName(rule) }}</h3>
        <div class="fields">
          <yu-value-field
            [param]="holdParam"
            [value]="rule.hold"
            (changed)="putRule(rule, { hold: $event })"
          />
          <yu-choice-field
            label="On until"
            [choices]="endings"
            [value]="rule.latch ? 'latch' : 'hold'"
            (changed)="putRule(rule, { latch: $event === 'latch' })"
          />
        </div>
      }
      @for (pin of freePins(); track pin) {
        <p-button
          class="add"
          [label]="'Fire ' + pin"
          icon="pi pi-plus"
          size="small"
          severity="secondary"
          variant="outlined"
          (onClick)="fire(pin)"
        />
      }
      <p-button
        class="more"
        label="Duplicate with its parts"
        icon="pi pi-copy"
        size="small"
        severity="secondary"
        variant="outlined"
        (onClick)="duplicate()"
      />
      <p-button
        label="Remove channel"
        icon="pi pi-trash"
        size="small"
        severity="secondary"
        variant="outlined"
        (onClick)="remove()"
      />
    }
  `,
  styleUrl: '../common/panel.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChannelPanel {
  readonly id = input.required<string>();
  private readonly session = inject(DesignSession);
  private readonly selection = inject(Selection);
  protected readonly holdParam = holdParam;
  protected readonly sides = sides;
  protected readonly endings = endings;

  protected readonly channel = computed(() =>
    this.session.design()?.channels.find((c) => c.id === this.id()),
  );
  protected readonly rules = computed(() =>
    (this.session.design()?.rules ?? []).filter((r) => r.channels.includes(this.id())),
  );
  protected readonly fields = computed((): readonly (Param & { id: NumberKey })[] => {
    const [design, channel] = [this.session.design(), this.channel()];
    const full = (design && channel && channelReader(design, channel.pin)?.full) ?? 1023;
    const counts = { unit: 'counts', default: 0, min: 0, max: full, whole: true } as const;
    return [
      { id: 'threshold', label: 'Threshold', ...counts },
      { id: 'hysteresis', label: 'Hysteresis', ...counts },
      ...timing,
    ];
  });

  /** Wired pins that could drive something and that this channel does not fire yet. */
  protected readonly freePins = computed(() => {
    const design = this.session.design();
    if (!design) return [];
    const read = new Set(design.channels.map((c) => c.pin));
    const fired = new Set(
      this.rules().map((r) => design.outputs.find((o) => o.id === r.output)?.pin),
    );
    const wired = new Set(design.wires.flatMap((w) => [w.from, w.to]));
    return [...wired]
      .filter((ref) => terminalOf(design, ref)?.modes?.includes('output'))
      .filter((pin) => !read.has(pin) && !fired.has(pin))
      .sort();
  });

  /** Sets a pin up as an output, if it is none yet, and lets this channel fire it. */
  protected fire(pin: string): void {
    const design = this.session.design();
    if (!design) return;
    const known = design.outputs.find((o) => o.pin === pin);
    const id =
      known?.id ??
      freshId(
        'out',
        design.outputs.map((o) => o.id),
      );
    const rule: Rule = {
      id: freshId(
        'r',
        design.rules.map((r) => r.id),
      ),
      match: 'any',
      channels: [this.id()],
      output: id,
      hold: 5,
      latch: false,
    };
    const output: Output = known ?? { id, name: splitRef(pin).terminal, pin, active: 'high' };
    this.session.edit({
      type: 'batch',
      label: `fire ${pin}`,
      edits: [
        { type: 'set-pin', pin, mode: 'output' },
        { type: 'put-output', output },
        { type: 'put-rule', rule },
      ],
    });
  }

  protected outputName(rule: Rule): string {
    return this.session.design()?.outputs.find((o) => o.id === rule.output)?.name ?? rule.output;
  }

  protected put(change: Partial<Channel>): void {
    const channel = this.channel();
    if (channel) this.session.edit({ type: 'put-channel', channel: { ...channel, ...change } });
  }

  protected set(key: NumberKey, value: number): void {
    this.put({ [key]: value });
  }

  protected putRule(rule: Rule, change: Partial<Rule>): void {
    this.session.edit({ type: 'put-rule', rule: { ...rule, ...change } });
  }

  /** Copies the channel with its sensor and what stands between to the next free pin. */
  protected duplicate(): void {
    if (!this.session.make((design) => duplicateChannel(design, this.id()))) return;
    const added = this.session.design()?.channels.at(-1);
    if (added) this.selection.pick('channel', added.id);
  }

  protected remove(): void {
    this.session.edit({ type: 'remove-channel', id: this.id() });
    this.selection.clear();
  }
}
