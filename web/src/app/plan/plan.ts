import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { SelectButton } from 'primeng/selectbutton';
import { BriefFields } from './brief-fields';
import { Comparison } from './comparison';
import { NeedList } from './need-list';
import { PlaceView } from './place-view';
import { SensorComparison } from './sensor-comparison';

/** The first step: what must be noticed and what must not, where, and which sensor suits. */
@Component({
  selector: 'yu-plan-step',
  imports: [BriefFields, FormsModule, NeedList, PlaceView, SelectButton, SensorComparison],
  providers: [Comparison],
  template: `
    <section class="brief" aria-label="The brief">
      <yu-need-list intent="wanted" />
      <yu-need-list intent="nuisance" />
      <yu-brief-fields />
    </section>
    <div class="sensors">
      <p-selectbutton
        aria-label="What is shown"
        size="small"
        optionLabel="label"
        optionValue="id"
        [options]="shows"
        [allowEmpty]="false"
        [ngModel]="shown()"
        (ngModelChange)="shown.set($event)"
      />
      @if (shown() === 'place') {
        <yu-place-view />
      } @else {
        <yu-sensor-comparison />
      }
    </div>
  `,
  styleUrl: './plan.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlanStep {
  protected readonly shows = [
    { id: 'sensors', label: 'Sensors' },
    { id: 'place', label: 'Place' },
  ];
  protected readonly shown = signal('sensors');
}
