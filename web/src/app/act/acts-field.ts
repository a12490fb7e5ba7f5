import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { Param } from '@yurei/core/catalog';
import type { Action, Design, Drive } from '@yurei/core/design';
import { InlineChoice } from '../common/inline-choice';
import { InlineValue } from '../common/inline-value';
import { Press } from '../common/press';
import { DesignSession } from '../data/design-session';
import { DriveField } from './drive-field';
import { actChoice, actChoices, actFrom } from './drives';

const by: Param = { id: 'n', label: 'By', unit: '', default: 1, min: -1e9, max: 1e9, whole: true };

/** What is done, one thing after the other, within a sentence. */
@Component({
  selector: 'yu-acts',
  imports: [DriveField, InlineChoice, InlineValue, Press],
  template: `
    @for (act of acts(); track $index; let i = $index) {
      <span class="act">
        <yu-inline-choice
          label="What is done"
          [choices]="choices()"
          [value]="choice(act)"
          (changed)="choose(i, $event)"
        />
        @if (driveOf(act); as drive) {
          <yu-drive [drive]="drive" (changed)="setDrive(i, $event)" />
        } @else if (act.do === 'count') {
          by <yu-inline-value [param]="by" [value]="act.by" (changed)="put(i, { by: $event })" />
        } @else if (act.do === 'set') {
          to <yu-inline-value [param]="by" [value]="act.to" (changed)="put(i, { to: $event })" />
        }
        @if (acts().length > least()) {
          <button yuPress aria-label="Do not do this" (click)="remove(i)">×</button>
        }
      </span>
    }
    @if (choices().length > 0) {
      <button yuPress aria-label="Do something more" (click)="add()">
        {{ acts().length > 0 ? '+' : '+ do something' }}
      </button>
    }
  `,
  styles: `
    .act {
      line-height: 2;
    }
    .act + .act::before {
      content: ', ';
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ActsField {
  readonly acts = input.required<readonly Action[]>();
  /** Only what is done in a moment: outputs are driven by rules. */
  readonly momentary = input(false);
  readonly least = input(0);
  readonly changed = output<Action[]>();
  private readonly session = inject(DesignSession);
  protected readonly by = by;
  protected readonly choice = actChoice;

  protected readonly choices = computed(() =>
    actChoices(this.session.design() as Design, this.momentary()),
  );

  protected driveOf(act: Action): Drive | undefined {
    return act.do === 'drive' ? act.drive : undefined;
  }

  protected choose(index: number, value: string): void {
    this.emit(index, actFrom(value, this.acts()[index]));
  }

  protected setDrive(index: number, drive: Drive): void {
    this.put(index, { drive });
  }

  protected put(index: number, change: object): void {
    this.emit(index, { ...this.acts()[index], ...change } as Action);
  }

  protected add(): void {
    const [first] = this.choices();
    if (first) this.changed.emit([...this.acts(), actFrom(first.value)]);
  }

  protected remove(index: number): void {
    this.changed.emit(this.acts().filter((_, i) => i !== index));
  }

  private emit(index: number, act: Action): void {
    this.changed.emit(this.acts().map((a, i) => (i === index ? act : a)));
  }
}
