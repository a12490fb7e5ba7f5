import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { noticesFor } from '@yurei/core/plan';
import { SelectButton } from 'primeng/selectbutton';
import { DesignSession } from '../data/design-session';
import { BriefFields } from './brief-fields';
import { Comparison } from './comparison';
import { EitherOrView } from './either-or-view';
import { NeedList } from './need-list';
import { PlaceView } from './place-view';
import { ReachView } from './reach-view';
import { SensorComparison } from './sensor-comparison';

/** The first step: what must be noticed and what must not, where, and which sensor suits. */
@Component({
  selector: 'yu-plan-step',
  imports: [
    BriefFields,
    EitherOrView,
    FormsModule,
    NeedList,
    PlaceView,
    ReachView,
    SelectButton,
    SensorComparison,
  ],
  providers: [Comparison],
  template: `
    <section class="brief" aria-label="The brief">
      <p class="paper">{{ session.design()?.purpose }} {{ session.design()?.site }}</p>
      <yu-need-list intent="wanted" />
      <yu-need-list intent="nuisance" />
      <yu-brief-fields />
    </section>
    <div class="sensors">
      @if (notices().length > 0) {
        <section class="paper">
          @for (notice of notices(); track notice.id) {
            <p>
              <b>{{ notice.title }}.</b>
              @for (sentence of notice.says; track $index) {
                {{ sentence }}
              }
              ({{ notice.source }})
            </p>
          }
        </section>
      }
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
      } @else if (shown() === 'reach') {
        <yu-reach-view />
      } @else if (shown() === 'either') {
        <yu-either-or-view />
      } @else {
        <yu-sensor-comparison />
      }
    </div>
  `,
  styleUrl: './plan.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlanStep {
  protected readonly session = inject(DesignSession);
  /** On paper all that is to be minded stands there, also what was read. */
  protected readonly notices = computed(() => {
    const brief = this.session.design()?.brief;
    return brief ? noticesFor(brief) : [];
  });
  protected readonly shows = [
    { id: 'sensors', label: 'Sensors' },
    { id: 'place', label: 'Place' },
    { id: 'reach', label: 'Reach' },
    { id: 'either', label: 'Either or' },
  ];
  protected readonly shown = signal('sensors');
}
