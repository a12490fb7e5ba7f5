import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  inject,
  input,
  signal,
} from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { kindOf, type Param } from '@yurei/core/catalog';
import { withoutAttachments, type Part } from '@yurei/core/design';
import {
  addAlike,
  mostAdded,
  spreadAlike,
  type Ring,
  type Suggestion,
  type Thing,
} from '@yurei/core/plan';
import { Button } from 'primeng/button';
import { ProgressBar } from 'primeng/progressbar';
import { debounceTime, from, switchMap } from 'rxjs';
import { BenchService } from '../bench/bench';
import { ChoiceField, type Choice } from '../common/choice-field';
import { HelpHint } from '../common/help-hint';
import { InlineValue } from '../common/inline-value';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { Site } from '../site/site';
import { sayRing, saySuggestion } from './say-places';

/** Edits that follow each other faster than this are reckoned with together, ms. */
const pause = 150;

const away: Param = {
  ...{ id: 'away', label: 'As far away as', unit: 'm', default: 1, min: 0.05, max: 100 },
};

/** Places for sensors: where they see most of the way in, how many more close it, how many see all around. */
@Component({
  selector: 'yu-place-sensors',
  imports: [Button, ChoiceField, HelpHint, InlineValue, ProgressBar],
  templateUrl: './place-sensors.html',
  styleUrl: './place-sensors.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlaceSensors {
  private readonly site = inject(Site);
  /** Who or what is to be noticed; whether a way in is known that nothing notices. */
  readonly thing = input.required<Thing & { goes: boolean }>();
  readonly isBlind = input.required<boolean>();
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  private readonly bench = inject(BenchService);
  private readonly chosen = signal('');
  protected readonly away = away;
  protected readonly distance = signal(away.default);
  protected readonly ring = signal<Ring | undefined>(undefined);
  protected readonly busy = signal(false);
  protected readonly said = signal('');

  private readonly sensors = computed((): Part[] =>
    (this.session.design()?.parts ?? []).filter((p) => p.place && kindOf(p).senses),
  );
  protected readonly choices = computed((): Choice[] =>
    this.sensors().map(({ id, name }) => ({ value: id, label: name })),
  );
  protected readonly sensor = computed(() => {
    const all = this.sensors();
    return all.find((p) => p.id === this.chosen()) ?? all.at(0);
  });
  protected readonly alike = computed(() =>
    this.sensors().filter((p) => p.kind === this.sensor()?.kind),
  );
  private readonly plan = computed(() => this.session.design()?.plan);
  protected readonly isGuarded = computed(() => this.plan()?.guarded !== undefined);
  private readonly center = computed(() => this.plan()?.guarded ?? this.sensor()?.place);

  private readonly askedRing = computed(() => {
    const [design, sensor, center] = [this.session.design(), this.sensor(), this.center()];
    if (!design || !sensor || !center) return undefined;
    const { kind, params } = this.thing();
    return [
      withoutAttachments(design),
      this.view.scene()?.id,
      { kind, params },
      sensor.id,
      center,
      this.distance(),
    ] as const;
  });
  protected readonly ringSaid = computed(() => {
    const sensor = this.sensor();
    return sensor ? sayRing(sensor, this.distance(), this.ring()) : '';
  });

  constructor() {
    toObservable(this.askedRing)
      .pipe(
        debounceTime(pause),
        switchMap((asked) =>
          from(asked ? this.bench.patient.ring(...asked) : Promise.resolve(undefined)),
        ),
        takeUntilDestroyed(),
      )
      .subscribe((ring) => this.ring.set(ring));
    inject(DestroyRef).onDestroy(() => this.bench.placing.cancel());
  }

  protected choose(id: string): void {
    this.chosen.set(id);
    this.said.set('');
  }

  /** Moves all of its kind to where they do most together. */
  protected async suggest(): Promise<void> {
    const move = this.alike().map((p) => p.id);
    const found = await this.sought({ move });
    if (!found) return;
    const edits = found.places.flatMap((place, i) =>
      move[i] ? [{ type: 'place-part' as const, id: move[i], place }] : [],
    );
    if (this.session.edit({ type: 'batch', label: 'place sensors', edits }))
      this.said.set(saySuggestion(this.alike(), found, this.site.sides()));
  }

  /** Puts as many more besides as it takes. */
  protected async close(): Promise<void> {
    const like = this.sensor();
    const found = like && (await this.sought({ add: like.id }));
    if (!found) return;
    if (this.session.make((design) => addAlike(design, like.id, found.places)))
      this.said.set(
        saySuggestion(this.alike().slice(-found.places.length), found, this.site.sides()),
      );
  }

  protected makeRing(ring: Ring): void {
    const like = this.sensor();
    if (like && this.session.make((design) => spreadAlike(design, like.id, ring.places)))
      this.said.set(`${ring.places.length} of ${like.name} stand in a ring.`);
  }

  protected cancel(): void {
    this.bench.placing.cancel();
    this.busy.set(false);
  }

  private async sought(
    wish: { move: string[] } | { add: string },
  ): Promise<Suggestion | undefined> {
    const design = this.session.design();
    if (!design) return undefined;
    const { kind, params } = this.thing();
    this.busy.set(true);
    this.said.set('');
    const lean = withoutAttachments(design);
    const scene = this.view.scene()?.id;
    const found = await this.bench.placing.places(lean, scene, { kind, params }, wish);
    this.busy.set(false);
    if (this.session.design() !== design) {
      this.said.set('The design was changed meanwhile: ask again.');
      return undefined;
    }
    if (!found)
      this.said.set(
        'add' in wish
          ? `Not even ${mostAdded} more close it: ${this.sensor()?.name} does not notice who goes there.`
          : `${this.sensor()?.name} does not notice who goes there, wherever it stands.`,
      );
    return found;
  }
}
