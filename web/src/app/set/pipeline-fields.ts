import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { highReading, channelReader, type Param } from '@yurei/core/catalog';
import type { Baseline, Channel, Filter, LearntBaseline } from '@yurei/core/design';
import { inUnit, usualLearnt, withBaseline } from '@yurei/core/threshold';
import { ChoiceField, type Choice } from '../common/choice-field';
import { defined } from '../common/defined';
import { ValueField } from '../common/value-field';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';

const time = (id: string, label: string): Param => ({
  id,
  label,
  unit: 's',
  default: 0,
  min: 0,
  max: 86_400,
});
const times = [
  time('stretch', 'Stays tripped at least'),
  time('lockOut', 'Locked out after clearing'),
  time('powerUp', 'Sensors powered before'),
] as const;
const filterSize: Param = {
  id: 'n',
  label: 'Of the last',
  unit: '',
  default: 5,
  min: 1,
  max: 1000,
  whole: true,
};
const learnSize: Param = {
  id: 'learn',
  label: 'Mean of the first',
  unit: '',
  default: usualLearnt.learn,
  min: 1,
  max: 10_000,
  whole: true,
};
const follow: Param = {
  id: 'follow',
  label: 'Then follows within (0: stays)',
  unit: 's',
  default: 0,
  min: 0,
  max: 1e7,
};

const choices = (...pairs: [string, string][]): Choice[] =>
  pairs.map(([value, label]) => ({ value, label }));
const filters = choices(
  ['', 'no filter'],
  ['mean', 'mean'],
  ['median', 'median'],
  ['exponential', 'running average'],
);
const baselines = choices(
  ['', 'none: in counts'],
  ['fixed', 'a fixed count'],
  ['learnt', 'learnt by itself'],
);
const edges = choices(
  ['', 'no'],
  ['rising', 'on a rising level'],
  ['falling', 'on a falling level'],
  ['change', 'on any change'],
  ['low', 'on a falling level; awake while it is low'],
);
const yesNo = choices(['no', 'no'], ['yes', 'yes']);
const remembering = choices(['no', 'reads at once'], ['yes', 'is only remembered']);
const units = choices(['counts', 'counts'], ['per cent', 'per cent of it']);

/** What a channel does between reading and answer, besides level and debounce; see docs/rules.md. */
@Component({
  selector: 'yu-pipeline-fields',
  imports: [ChoiceField, ValueField],
  template: `
    @let channel = this.channel();
    <yu-choice-field
      label="Filter"
      [choices]="filters"
      [value]="channel.filter?.by ?? ''"
      (changed)="setFilter($event)"
    />
    @if (channel.filter; as filter) {
      <yu-value-field
        [param]="filterSize"
        [value]="filter.n"
        (changed)="put({ filter: { by: filter.by, n: $event } })"
      />
    }
    <yu-choice-field
      label="Baseline"
      [choices]="baselines"
      [value]="channel.baseline?.kind ?? ''"
      (changed)="setBaseline($event)"
    />
    @if (channel.baseline; as baseline) {
      @if (baseline.kind === 'fixed') {
        <yu-value-field
          [param]="fixed()"
          [value]="baseline.counts"
          (changed)="put({ baseline: { kind: 'fixed', counts: $event } })"
        />
      } @else {
        <yu-value-field
          [param]="learnSize"
          [value]="baseline.learn"
          (changed)="putLearnt({ learn: $event })"
        />
        <yu-value-field
          [param]="follow"
          [value]="baseline.follow"
          (changed)="putLearnt({ follow: $event })"
        />
        <yu-choice-field
          label="Stands still while tripped"
          [choices]="yesNo"
          [value]="baseline.freeze ? 'yes' : 'no'"
          (changed)="putLearnt({ freeze: $event === 'yes' })"
        />
        <yu-choice-field
          label="Threshold is in"
          [choices]="units"
          [value]="baseline.unit"
          (changed)="setUnit($event)"
        />
      }
    }
    @if (digital()) {
      <yu-choice-field
        label="Reads at once"
        [choices]="edges"
        [value]="channel.edge ?? ''"
        (changed)="setEdge($event)"
      />
      @if (channel.edge) {
        <yu-choice-field
          label="Until the next reading it"
          [choices]="remembering"
          [value]="channel.remembers ? 'yes' : 'no'"
          (changed)="put({ remembers: $event === 'yes' || undefined })"
        />
      }
    }
    @for (param of times; track param.id) {
      <yu-value-field
        [param]="param"
        [value]="timeOf(param.id)"
        (changed)="setTime(param.id, $event)"
      />
    }
    <yu-choice-field
      label="Tells rules the opposite"
      [choices]="yesNo"
      [value]="channel.invert ? 'yes' : 'no'"
      (changed)="put({ invert: $event === 'yes' || undefined })"
    />
  `,
  styles: `
    :host {
      display: grid;
      gap: 6px;
      margin: 8px 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PipelineFields {
  readonly channel = input.required<Channel>();
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  protected readonly times = times;
  protected readonly filterSize = filterSize;
  protected readonly learnSize = learnSize;
  protected readonly follow = follow;
  protected readonly filters = filters;
  protected readonly baselines = baselines;
  protected readonly edges = edges;
  protected readonly yesNo = yesNo;
  protected readonly units = units;
  protected readonly remembering = remembering;

  private readonly reader = computed(() => {
    const design = this.session.design();
    return design && channelReader(design, this.channel().pin);
  });
  protected readonly digital = computed(() => this.reader()?.by === 'level');
  protected readonly fixed = computed((): Param => ({
    id: 'counts',
    label: 'It stands at',
    unit: 'counts',
    default: 0,
    min: 0,
    max: this.reader()?.full ?? highReading,
  }));

  protected put(change: Partial<Channel>): void {
    this.session.edit({ type: 'put-channel', channel: defined({ ...this.channel(), ...change }) });
  }

  protected putLearnt(change: Partial<LearntBaseline>): void {
    const { baseline } = this.channel();
    if (baseline?.kind === 'learnt') this.put({ baseline: { ...baseline, ...change } });
  }

  protected timeOf(id: string): number {
    return this.channel()[id as 'stretch' | 'lockOut' | 'powerUp'] ?? 0;
  }

  protected setTime(id: string, value: number): void {
    this.put({ [id]: value > 0 ? value : undefined });
  }

  protected setEdge(edge: string): void {
    const remembers = edge === '' ? undefined : this.channel().remembers;
    this.put({ edge: (edge || undefined) as Channel['edge'], remembers });
  }

  protected setFilter(by: string): void {
    const n = this.channel().filter?.n ?? filterSize.default;
    this.put({ filter: by === '' ? undefined : { by: by as Filter['by'], n } });
  }

  protected setBaseline(kind: string): void {
    const channel = this.channel();
    const rebased = withBaseline(channel, (kind || undefined) as Baseline['kind'], this.atRest());
    this.put({ baseline: undefined, ...rebased });
  }

  protected setUnit(unit: string): void {
    const { baseline, ...channel } = this.channel();
    if (baseline?.kind !== 'learnt') return;
    const to = unit === 'per cent' ? 'per cent' : 'counts';
    const changed = inUnit(channel, baseline, to, this.atRest());
    if (changed) this.put(changed);
  }

  private atRest(): number {
    return this.view.snapshot()?.counts[this.channel().id] ?? 0;
  }
}
