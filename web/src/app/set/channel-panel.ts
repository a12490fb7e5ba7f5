import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { channelReader, kindOf, type Param } from '@yurei/core/catalog';
import { wholeOf } from '@yurei/core/condition';
import { freshId, type Channel, type Rule } from '@yurei/core/design';
import { unmeasured } from '@yurei/core/judge';
import { sayRule } from '@yurei/core/logic';
import { decimals, formatQuantity } from '@yurei/core/quantity';
import { slowestAnswer } from '@yurei/core/threshold';
import { duplicateChannel, outputOn, pinsToDrive } from '@yurei/core/wiring';
import { Button } from 'primeng/button';
import { ChoiceField, type Choice } from '../common/choice-field';
import { Fold } from '../common/fold';
import { TextField } from '../common/text-field';
import { ValueField } from '../common/value-field';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { JudgeView } from '../data/judge-view';
import { Selection } from '../data/selection';
import { PipelineFields } from './pipeline-fields';

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
/** Either side can be meant only where there is a middle. */
const bothSides: readonly Choice[] = [...sides, { value: 'away', label: 'away from it' }];
const endings: readonly Choice[] = [
  { value: 'hold', label: 'time is up' },
  { value: 'latch', label: 'switched off' },
];

/** One channel: levels, timing, and for how long what it fires stays on. */
@Component({
  selector: 'yu-channel-panel',
  imports: [Button, ChoiceField, Fold, PipelineFields, TextField, ValueField],
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
          [choices]="channel.baseline ? bothSides : sides"
          [value]="channel.trips"
          (changed)="setTrips($event)"
        />
        @for (param of fields(); track param.id) {
          <yu-value-field
            [param]="param"
            [value]="channel[param.id]"
            (changed)="set(param.id, $event)"
          />
        }
      </div>
      @if (measured().length > 0) {
        <dl class="readings">
          @for (row of measured(); track row.label) {
            <dt>{{ row.label }}</dt>
            <dd>{{ row.value }}</dd>
          }
        </dl>
      }
      <yu-fold label="Filter, baseline, timing">
        <yu-pipeline-fields [channel]="channel" />
      </yu-fold>
      @for (gap of gaps(); track gap.title) {
        <p class="gap">
          <b>{{ gap.title }}</b> {{ gap.reason }}
        </p>
      }
      @for (rule of rules(); track rule.id) {
        <p class="rule">{{ sentence(rule) }}</p>
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
          [label]="'Drive ' + pin + ' from this channel'"
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
  styles: `
    .gap {
      border-left: 3px solid var(--amber);
      padding-left: 8px;
      font-size: var(--type-small);
      margin: 6px 0;
    }
    .rule {
      margin: 10px 0 4px;
    }
    .gap b {
      display: block;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChannelPanel {
  readonly id = input.required<string>();
  private readonly session = inject(DesignSession);
  private readonly selection = inject(Selection);
  private readonly judging = inject(JudgeView);
  private readonly view = inject(BenchView);
  protected readonly holdParam = holdParam;
  protected readonly sides = sides;
  protected readonly bothSides = bothSides;
  protected readonly endings = endings;

  protected readonly channel = computed(() =>
    this.session.design()?.channels.find((c) => c.id === this.id()),
  );
  protected readonly rules = computed(() =>
    (this.session.design()?.rules ?? []).filter((r) => names(r, this.id())),
  );
  private readonly full = computed(() => {
    const [design, channel] = [this.session.design(), this.channel()];
    return (design && channel && channelReader(design, channel.pin)?.full) ?? 1023;
  });
  protected readonly fields = computed((): readonly (Param & { id: NumberKey })[] => {
    const [channel, full] = [this.channel(), this.full()];
    const share = channel?.baseline?.kind === 'learnt' && channel.baseline.unit === 'per cent';
    const unit = share ? '%' : 'counts';
    const counts = { unit, default: 0, min: 0, max: share ? 1000 : full, whole: true } as const;
    return [
      { id: 'threshold', label: 'Threshold', ...counts },
      { id: 'hysteresis', label: 'Hysteresis', ...counts },
      ...timing,
    ];
  });

  /** V of one count; undefined where no converter reads it. */
  private readonly oneCount = computed(() => {
    const [design, channel] = [this.session.design(), this.channel()];
    const reader = design && channel && channelReader(design, channel.pin);
    const solved = reader && this.view.snapshot()?.solution.parts[reader.part];
    return reader?.by === 'converter' && solved
      ? reader.reference(solved) / reader.full
      : undefined;
  });

  /** What its readings say of the channel itself. */
  protected readonly measured = computed(() => {
    const judgement = this.judging.judged().get(this.id());
    const sets = judgement?.sets ?? [];
    if (!judgement || sets.length === 0) return [];
    const low = Math.min(...sets.map((s) => s.low));
    const high = Math.max(...sets.map((s) => s.high));
    const { noise } = judgement;
    return [
      { label: 'Range used', value: `${low} … ${high} of ${this.full()}` },
      ...(noise
        ? [
            { label: 'Noise, quiet', value: `± ${decimals(noise.sd, 1)} counts` },
            {
              label: 'Worth independent ones',
              value: `${Math.round(noise.independent)} of ${noise.readings}`,
            },
            { label: 'Hysteresis for it', value: `${judgement.hysteresis}` },
          ]
        : []),
      ...(this.oneCount() === undefined
        ? []
        : [{ label: 'One count', value: formatQuantity(this.oneCount() ?? 0, 'V') }]),
      {
        label: 'Answers within',
        value: formatQuantity(slowestAnswer(this.channel() ?? { every: 0, hits: 0 }), 's'),
      },
    ];
  });

  /** Situations in which nothing was measured, once something was. */
  protected readonly gaps = computed(() => {
    const design = this.session.design();
    const sets = (design?.readings ?? []).filter((set) => set.channel === this.id());
    if (!design || sets.length === 0) return [];
    const battery = design.parts.some((p) => kindOf(p).store !== undefined);
    return unmeasured(sets, battery);
  });

  /** Wired pins that could drive something and that this channel does not fire yet. */
  protected readonly freePins = computed(() => {
    const design = this.session.design();
    if (!design) return [];
    const fired = new Set(
      this.rules()
        .flatMap((r) => r.then)
        .flatMap((a) => (a.do === 'drive' ? design.outputs.filter((o) => o.id === a.output) : []))
        .map((o) => o.pin),
    );
    return pinsToDrive(design).filter((pin) => !fired.has(pin));
  });

  /** Sets a pin up as an output, if it is none yet, and lets this channel fire it. */
  protected fire(pin: string): void {
    const design = this.session.design();
    if (!design) return;
    const { output, edits } = outputOn(design, pin);
    const rule: Rule = {
      id: freshId(
        'r',
        design.rules.map((r) => r.id),
      ),
      when: { is: 'channel', channel: this.id() },
      hold: 5,
      latch: false,
      then: [{ do: 'drive', output: output.id, drive: { as: 'on' } }],
    };
    this.session.edit({
      type: 'batch',
      label: `fire ${pin}`,
      edits: [...edits, { type: 'put-rule', rule }],
    });
  }

  protected sentence(rule: Rule): string {
    const design = this.session.design();
    return design ? sayRule(design, rule) : '';
  }

  protected put(change: Partial<Channel>): void {
    const channel = this.channel();
    if (channel) this.session.edit({ type: 'put-channel', channel: { ...channel, ...change } });
  }

  protected setTrips(value: string): void {
    this.put({ trips: value as Channel['trips'] });
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

/** Whether a rule asks for a channel. */
const names = ({ when }: Rule, id: string): boolean =>
  wholeOf(when).some((c) => 'channel' in c && c.channel === id);
