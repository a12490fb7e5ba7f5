import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { nameOf, withoutAttachments } from '@yurei/core/design';
import { decimals, formatArea, formatQuantity } from '@yurei/core/quantity';
import { isSomewhere } from '@yurei/core/plan';
import { happeningKinds } from '@yurei/core/scene';
import { TableModule } from 'primeng/table';
import { debounceTime, from, switchMap } from 'rxjs';
import { BenchService } from '../bench/bench';
import type { Covered } from '../bench/bench-core';
import { ChoiceField, type Choice } from '../common/choice-field';
import { HelpHint } from '../common/help-hint';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { SiteFields } from '../site/site-fields';
import { SitePlan } from '../site/site-plan';
import { PlaceSensors } from './place-sensors';

/** Edits that follow each other faster than this are looked over together, ms. */
const pause = 150;

/** What is somewhere on the plan: who goes along a way first. */
const somewhere = happeningKinds
  .filter(isSomewhere)
  .sort((a, b) => Number(b.where === 'path') - Number(a.where === 'path'));
const usual: readonly Choice[] = somewhere.map(({ kind, label }) => ({ value: kind, label }));

/** The place from above: where what must be noticed is, and the easiest way in without it. */
@Component({
  selector: 'yu-place-view',
  imports: [ChoiceField, HelpHint, PlaceSensors, SiteFields, SitePlan, TableModule],
  templateUrl: './place-view.html',
  styleUrl: './place-view.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlaceView {
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  private readonly bench = inject(BenchService);
  protected readonly covered = signal<Covered | undefined>(undefined);
  private readonly chosen = signal('');

  /** Of the brief first, each as it is described there. */
  private readonly needs = computed(() =>
    (this.session.design()?.brief.needs ?? [])
      .filter((need) => usual.some(({ value }) => value === need.kind))
      .sort((a, b) => Number(b.intent === 'wanted') - Number(a.intent === 'wanted')),
  );
  protected readonly choices = computed((): Choice[] => [
    ...this.needs().map(({ id, name }) => ({ value: `need ${id}`, label: name })),
    ...usual,
  ]);
  protected readonly who = computed(() => {
    const [first] = this.choices();
    const chosen = this.choices().find((c) => c.value === this.chosen());
    return (chosen ?? first)?.value ?? '';
  });
  protected readonly thing = computed(() => {
    const need = this.needs().find((n) => `need ${n.id}` === this.who());
    const { kind, params } = need ?? { kind: this.who(), params: {} };
    const goes = somewhere.some((k) => k.kind === kind && k.where === 'path');
    return { kind, params, goes };
  });

  private readonly asked = computed(() => {
    const design = this.session.design();
    return (
      design && {
        design: withoutAttachments(design),
        scene: this.view.scene()?.id,
        thing: this.thing(),
      }
    );
  });

  /** How much of each room is noticed whichever way something goes. */
  protected readonly rooms = computed(() =>
    (this.covered()?.coverage?.rooms ?? []).map(({ name, area }) => {
      const all = area.never + area.once + area.twice + area.byTheWay;
      const always = area.once + area.twice;
      return {
        ...{ name, area: `${formatArea(always)} of ${formatArea(all)}` },
        share: all > 0 ? `${decimals((100 * always) / all, 0)} %` : '–',
      };
    }),
  );

  /** How much of the ground, in words and numbers. */
  protected readonly rows = computed(() => {
    const area = this.covered()?.coverage?.area;
    if (!area) return [];
    const all = area.never + area.once + area.twice + area.byTheWay;
    const { goes } = this.thing();
    const always = goes ? ', whichever way it goes' : '';
    return [
      { label: `noticed by two or more${always}`, shade: 'twice', m2: area.twice },
      { label: `noticed by one${always}`, shade: 'once', m2: area.once },
      ...(goes
        ? [{ label: 'noticed only going some ways', shade: 'by-the-way', m2: area.byTheWay }]
        : []),
      { label: 'not noticed', shade: '', m2: area.never },
    ].map(({ m2, ...row }) => ({
      ...row,
      area: formatArea(m2),
      share: `${decimals((100 * m2) / all, 0)} %`,
    }));
  });

  /** The easiest way in, in words. */
  protected readonly way = computed(() => {
    const plan = this.session.design()?.plan;
    if (!this.thing().goes) return '';
    if (!plan?.guarded) return 'Say below what is guarded: the easiest way in to it is looked for.';
    const covered = this.covered();
    if (!covered) return '';
    const { blind } = covered;
    if (!blind) return 'Walls leave no way in.';
    const [length, noticed] = [blind.length, blind.noticed].map((m) => formatQuantity(m, 'm'));
    const entry = (plan.entrances ?? []).length > 0 ? 'an entrance' : 'the edge of the plan';
    if (blind.by.length === 0)
      return `A blind path: ${length} from ${entry} to what is guarded, and nothing notices.`;
    const names = blind.by.map((id) => this.nameOf(id)).join(', ');
    return `Every way in is noticed: the easiest is ${length} long, ${noticed} of it seen by ${names}.`;
  });
  /** As long as something is guarded: what was found before may still stand there for a moment. */
  protected readonly blind = computed(() =>
    this.session.design()?.plan.guarded ? this.covered()?.blind : undefined,
  );
  protected readonly isBlind = computed(() => this.blind()?.by.length === 0);

  constructor() {
    toObservable(this.asked)
      .pipe(
        debounceTime(pause),
        switchMap((asked) =>
          asked
            ? from(this.bench.patient.cover(asked.design, asked.scene, asked.thing))
            : from([undefined]),
        ),
        takeUntilDestroyed(),
      )
      .subscribe((covered) => this.covered.set(covered));
  }

  protected choose(who: string): void {
    this.chosen.set(who);
  }

  private nameOf(id: string): string {
    return nameOf(this.session.design()?.parts ?? [], id);
  }
}
