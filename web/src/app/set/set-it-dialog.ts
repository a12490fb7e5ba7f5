import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import type { Channel } from '@yurei/core/design';
import { Dialog } from 'primeng/dialog';
import { ComparatorHelper } from './helpers/comparator-helper';
import { ConvertHelper } from './helpers/convert-helper';
import { LampHelper } from './helpers/lamp-helper';
import { TimerHelper } from './helpers/timer-helper';
import { TimingHelper } from './helpers/timing-helper';
import { TrimmerHelper } from './helpers/trimmer-helper';
import { WhatIfHelper } from './helpers/what-if-helper';

export type Helper = 'convert' | 'timing' | 'what if' | 'trimmer' | 'comparator' | 'timer' | 'lamp';

/** Where a channel trips and clears, and what one count is, V. */
export interface Volts {
  trip: number;
  clear: number;
  one: number;
}

const titles: Readonly<Record<Helper, string>> = {
  convert: 'The threshold in other units',
  timing: 'Filter, debounce and baseline',
  'what if': 'What it would read if',
  trimmer: 'Set it on a trimmer',
  comparator: 'A comparator without a controller',
  timer: 'A timer without a controller',
  lamp: 'Turn until it lights',
};

/** The help for one way of setting a threshold, with room to try. */
@Component({
  selector: 'yu-set-it-dialog',
  imports: [
    ComparatorHelper,
    ConvertHelper,
    Dialog,
    LampHelper,
    TimerHelper,
    TimingHelper,
    TrimmerHelper,
    WhatIfHelper,
  ],
  template: `
    <p-dialog
      transitionOptions="0ms"
      closeAriaLabel="Close"
      [header]="title()"
      [visible]="helper() !== undefined"
      (visibleChange)="helper.set(undefined)"
      [modal]="true"
      [draggable]="false"
      [dismissableMask]="true"
      [style]="{ width: '720px' }"
    >
      @switch (helper()) {
        @case ('convert') {
          <yu-convert-helper [channel]="channel()" [oneCount]="oneCount()" />
        }
        @case ('timing') {
          <yu-timing-helper [channel]="channel()" />
        }
        @case ('what if') {
          <yu-what-if-helper [channel]="channel()" />
        }
        @case ('trimmer') {
          <yu-trimmer-helper [volts]="volts()" />
        }
        @case ('comparator') {
          <yu-comparator-helper [channel]="channel()" [volts]="volts()" />
        }
        @case ('timer') {
          <yu-timer-helper [channel]="channel()" />
        }
        @case ('lamp') {
          <yu-lamp-helper [channel]="channel()" />
        }
      }
    </p-dialog>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SetItDialog {
  readonly channel = input.required<Channel>();
  readonly oneCount = input<number>();
  readonly volts = input<Volts>();
  readonly helper = model<Helper>();
  protected readonly title = computed(() => {
    const helper = this.helper();
    return helper ? titles[helper] : '';
  });
}
