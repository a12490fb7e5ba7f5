import { ChangeDetectionStrategy, Component, inject, model, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Manner } from '@yurei/core/quantity';
import { Dialog } from 'primeng/dialog';
import { Message } from 'primeng/message';
import { SelectButton } from 'primeng/selectbutton';
import { keepManner, keptManner } from './number-manner';
import { ThemeService } from '../theme/theme';

interface Setting<K extends keyof Manner = keyof Manner> {
  name: K;
  label: string;
  choices: { value: Manner[K]; label: string }[];
}

const settings: readonly Setting[] = [
  {
    name: 'decimal',
    label: 'Decimals',
    choices: [
      { value: '.', label: '4.7 kΩ' },
      { value: ',', label: '4,7 kΩ' },
    ],
  },
  {
    name: 'temperature',
    label: 'Temperature',
    choices: [
      { value: '°C', label: '25 °C' },
      { value: '°F', label: '77 °F' },
    ],
  },
  {
    name: 'length',
    label: 'Lengths',
    choices: [
      { value: 'm', label: 'm, mm' },
      { value: 'inch', label: 'ft, in' },
    ],
  },
];

/** How this browser shows things: its look, and how numbers are written. Designs and files are the same in all of them. */
@Component({
  selector: 'yu-settings-dialog',
  imports: [Dialog, FormsModule, Message, SelectButton],
  template: `
    <p-dialog
      transitionOptions="0ms"
      closeAriaLabel="Close"
      header="Settings of this browser"
      [(visible)]="open"
      [modal]="true"
      [draggable]="false"
      [dismissableMask]="true"
      [style]="{ width: '460px' }"
    >
      <div class="setting">
        <span id="setting-look">Look</span>
        <p-selectbutton
          ariaLabelledBy="setting-look"
          size="small"
          optionLabel="label"
          optionValue="value"
          [options]="looks"
          [allowEmpty]="false"
          [ngModel]="theme.theme()"
          (ngModelChange)="theme.toggle()"
        />
      </div>
      @for (setting of settings; track setting.name) {
        <div class="setting">
          <span [id]="'setting-' + setting.name">{{ setting.label }}</span>
          <p-selectbutton
            [ariaLabelledBy]="'setting-' + setting.name"
            size="small"
            optionLabel="label"
            optionValue="value"
            [options]="setting.choices"
            [allowEmpty]="false"
            [ngModel]="wanted()[setting.name]"
            (ngModelChange)="choose(setting.name, $event)"
          />
        </div>
      }
      <p class="soft">
        Any unit can be typed all the same: 4 in, 77 °F, 2.5 cm. Designs and files keep SI units.
        @if (full()) {
          <p-message severity="error" size="small" variant="simple"
            >This browser has no room to keep it.</p-message
          >
        }
      </p>
    </p-dialog>
  `,
  styles: `
    .setting {
      display: grid;
      grid-template-columns: 130px 1fr;
      align-items: center;
      gap: 10px;
      margin: 3px 0 10px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SettingsDialog {
  readonly open = model(false);
  /** Numbers are to be written in another way: everything that is shown is to be written anew. */
  readonly changed = output();
  protected readonly theme = inject(ThemeService);
  protected readonly settings = settings;
  protected readonly looks = [
    { value: 'day', label: 'Day' },
    { value: 'night', label: 'Night' },
  ];
  protected readonly wanted = signal(keptManner());
  protected readonly full = signal(false);

  protected choose(name: keyof Manner, value: string): void {
    try {
      keepManner({ [name]: value });
    } catch {
      return this.full.set(true);
    }
    this.wanted.set(keptManner());
    this.changed.emit();
  }
}
