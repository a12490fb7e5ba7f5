import { ChangeDetectionStrategy, Component } from '@angular/core';
import { BriefFields } from './brief-fields';
import { Comparison } from './comparison';
import { NeedList } from './need-list';
import { SensorComparison } from './sensor-comparison';

/** The first step: what must be noticed and what must not, where, and which sensor suits. */
@Component({
  selector: 'yu-plan-step',
  imports: [BriefFields, NeedList, SensorComparison],
  providers: [Comparison],
  template: `
    <section class="brief" aria-label="The brief">
      <yu-need-list intent="wanted" />
      <yu-need-list intent="nuisance" />
      <yu-brief-fields />
    </section>
    <yu-sensor-comparison class="sensors" />
  `,
  styleUrl: './plan.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlanStep {}
