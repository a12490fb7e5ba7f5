import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { Param } from '@yurei/core/catalog';
import type { Design, Drive } from '@yurei/core/design';
import { InputText } from 'primeng/inputtext';
import { Hint } from '../common/hint';
import { InlineChoice } from '../common/inline-choice';
import { InlineValue } from '../common/inline-value';
import { Press } from '../common/press';
import { DesignSession } from '../data/design-session';
import { driveChoice, driveChoices, driveFrom } from './drives';

const share: Param = { id: 'l', label: 'Level, 0 to 1', unit: '', default: 0.5, min: 0, max: 1 };
const counts: Param = { id: 'c', label: 'Counts', unit: '', default: 0, min: 0, max: 4294967295 };
const full: Param = { id: 'f', label: 'Full at', unit: '', default: 1, min: 1, max: 1e6 };
const runs: Param = {
  ...{ id: 'n', label: 'Times', unit: '', default: 3, min: 1, max: 10_000, whole: true },
};
const pause: Param = { id: 'p', label: 'Again after', unit: 's', default: 2, min: 0, max: 86400 };

/** How an output is driven, within a sentence. */
@Component({
  selector: 'yu-drive',
  imports: [Hint, InlineChoice, InlineValue, InputText, Press],
  template: `
    <yu-inline-choice
      label="How it is driven"
      [choices]="choices()"
      [value]="choice()"
      (changed)="choose($event)"
    />
    @if (level() !== undefined) {
      <yu-inline-value
        [param]="share"
        [value]="level()!"
        (changed)="changed.emit({ as: 'level', level: $event })"
      />
    }
    @if (counter(); as counter) {
      , full at
      <yu-inline-value
        [param]="full"
        [value]="counter.of"
        (changed)="changed.emit({ as: 'level', level: { ...counter, of: $event } })"
      />
    }
    @if (follows(); as follows) {
      from
      <yu-inline-value
        [param]="counts"
        [value]="follows.from"
        (changed)="changed.emit({ as: 'level', level: { ...follows, from: $event } })"
      />
      to
      <yu-inline-value
        [param]="counts"
        [value]="follows.to"
        (changed)="changed.emit({ as: 'level', level: { ...follows, to: $event } })"
      />
    }
    @if (own(); as pattern) {
      <input
        pInputText
        pSize="small"
        class="beats value"
        aria-label="Seconds on and off in turn"
        yuHint="Seconds on and off in turn"
        [value]="pattern.beats.join(' ')"
        (change)="setBeats($event)"
      />
      s
      @if (times() !== undefined) {
        ,
        <yu-inline-value [param]="runs" [value]="times()!" (changed)="setTimes($event)" />
        times
        <button yuPress aria-label="Without end" (click)="setTimes(0)">×</button>
      } @else if (counted() === undefined) {
        <button yuPress (click)="setTimes(3)">+ so many times</button>
      }
    }
    @if (pattern(); as pattern) {
      @if (pattern.pause !== undefined) {
        , again after
        <yu-inline-value
          [param]="pause"
          [value]="pattern.pause"
          (changed)="changed.emit({ ...pattern, pause: $event })"
        />
        <button yuPress aria-label="Not again" (click)="setPause(undefined)">×</button>
      } @else if (pattern.times !== undefined) {
        <button yuPress (click)="setPause(2)">+ again after</button>
      }
    }
  `,
  styles: `
    .beats {
      width: 22ch;
      min-height: 24px;
      padding: 1px 5px;
      font-size: var(--type-small);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DriveField {
  readonly drive = input.required<Drive>();
  readonly changed = output<Drive>();
  private readonly session = inject(DesignSession);
  protected readonly share = share;
  protected readonly counts = counts;
  protected readonly pause = pause;
  protected readonly full = full;
  protected readonly runs = runs;

  private readonly design = computed(() => this.session.design() as Design);
  protected readonly choices = computed(() => driveChoices(this.design(), this.drive()));
  protected readonly choice = computed(() => driveChoice(this.drive()));
  protected readonly level = computed(() => {
    const drive = this.drive();
    return drive.as === 'level' && typeof drive.level === 'number' ? drive.level : undefined;
  });
  protected readonly follows = computed(() => {
    const drive = this.drive();
    return drive.as === 'level' && typeof drive.level === 'object' && 'channel' in drive.level
      ? drive.level
      : undefined;
  });
  protected readonly counter = computed(() => {
    const drive = this.drive();
    return drive.as === 'level' && typeof drive.level === 'object' && 'counter' in drive.level
      ? drive.level
      : undefined;
  });
  protected readonly times = computed(() => {
    const times = this.pattern()?.times;
    return typeof times === 'number' ? times : undefined;
  });
  /** The counter that says how often. */
  protected readonly counted = computed(() => {
    const times = this.pattern()?.times;
    return typeof times === 'object' ? times.counter : undefined;
  });
  protected readonly pattern = computed(() => {
    const drive = this.drive();
    return drive.as === 'pattern' ? drive : undefined;
  });
  protected readonly own = computed(() =>
    this.choice() === 'pattern own' || this.choice().startsWith('flash')
      ? this.pattern()
      : undefined,
  );

  protected choose(value: string): void {
    this.changed.emit(driveFrom(this.design(), value));
  }

  /** 0: without end, and then it is not begun again either. */
  protected setTimes(times: number): void {
    const pattern = this.pattern();
    if (!pattern) return;
    const { as, beats } = pattern;
    this.changed.emit(times > 0 ? { ...pattern, times } : { as, beats });
  }

  protected setPause(after: number | undefined): void {
    const pattern = this.pattern();
    if (!pattern) return;
    const { pause: _before, ...once } = pattern;
    this.changed.emit(after === undefined ? once : { ...once, pause: after });
  }

  /** What is no list of times is given back. */
  protected setBeats(event: Event): void {
    const field = event.target as HTMLInputElement;
    const pattern = this.pattern();
    const beats = field.value
      .trim()
      .split(/\s+/)
      .map((b) => Number(b.replace(',', '.')));
    if (!pattern) return;
    if (beats.every((b) => b >= 0.001 && b <= 86400) && beats.length <= 64)
      this.changed.emit({ ...pattern, beats });
    else field.value = pattern.beats.join(' ');
  }
}
