import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { decimals } from '@yurei/core/quantity';
import { TableModule } from 'primeng/table';
import { HelpHint } from '../common/help-hint';
import { DesignSession } from '../data/design-session';
import { Site } from '../site/site';
import { SiteFields } from '../site/site-fields';
import { SitePlan } from '../site/site-plan';
import { beamRows, crossingSaid, heardRows, radioRows, sunRows } from './reach-rows';

/** What arrives where: sound and radio at spots of the plan, the sun in what sensors see. */
@Component({
  selector: 'yu-reach-view',
  imports: [HelpHint, SiteFields, SitePlan, TableModule],
  templateUrl: './reach-view.html',
  styleUrl: './reach-view.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ReachView {
  private readonly session = inject(DesignSession);
  private readonly site = inject(Site);

  protected readonly hasSpots = computed(
    () => (this.session.design()?.plan.spots ?? []).length > 0,
  );
  /** Sound and radio, each with what to do where there is nothing of it. */
  protected readonly tables = computed(() => {
    const design = this.session.design();
    if (!design) return [];
    return [
      {
        ...{ title: 'what is heard', help: 'reach', from: 'Sounder', rows: heardRows(design) },
        none: 'No sounder of known loudness stands on the plan.',
      },
      {
        ...{
          title: 'what arrives by radio',
          help: 'radio',
          from: 'Radio',
          rows: radioRows(design),
        },
        none: 'No radio stands on the plan.',
      },
    ];
  });
  protected readonly sun = computed(() => {
    const [design, latitude] = [this.session.design(), this.site.latitude()];
    return design && latitude !== undefined ? sunRows(design, latitude) : [];
  });
  protected readonly beams = computed(() => {
    const design = this.session.design();
    return design ? beamRows(design) : [];
  });
  protected readonly crossing = computed(() => {
    const design = this.session.design();
    return design ? crossingSaid(design) : '';
  });
  protected readonly where = computed(() => {
    const latitude = this.site.latitude();
    return latitude === undefined
      ? 'A scene says at which latitude: there is none yet.'
      : `At ${decimals(Math.abs(latitude), 1)}° ${latitude < 0 ? 'south' : 'north'}, as the scene has it; solar time, under a clear sky. Walls and trees that tell their height shade a sensor that tells its own.`;
  });
}
