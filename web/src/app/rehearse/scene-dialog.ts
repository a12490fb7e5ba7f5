import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  model,
  output,
  signal,
  untracked,
} from '@angular/core';
import { freshId, type Design, type Happening } from '@yurei/core/design';
import { draftScene, fittingKinds, profiles, type HappeningKind } from '@yurei/core/scene';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { CheckField } from '../common/check-field';
import { ChoiceField } from '../common/choice-field';
import { TextField } from '../common/text-field';
import { DesignSession } from '../data/design-session';

type Intent = Happening['intent'];

const places = profiles.map(({ id, label }) => ({ value: id, label }));

/** A new scene: where and when it is, and by ticking what must be noticed there and what must not set it off. */
@Component({
  selector: 'yu-scene-dialog',
  imports: [Button, CheckField, ChoiceField, Dialog, TextField],
  templateUrl: './scene-dialog.html',
  styleUrl: './scene-dialog.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SceneDialog {
  readonly open = model(false);
  /** The id of the scene that was made. */
  readonly made = output<string>();
  private readonly session = inject(DesignSession);
  protected readonly places = places;

  protected readonly name = signal('');
  protected readonly place = signal(places[0].value);
  private readonly ticked = signal<ReadonlyMap<string, Intent>>(new Map());

  /** What the sensors feel, with what each mostly is to an alarm. */
  protected readonly columns = computed(() => {
    const design = this.open() ? this.session.design() : undefined;
    const kinds = design ? this.fitting(design) : [];
    const rows = (intent: Intent) =>
      // What mostly is none of it stands last.
      [...kinds].sort((a, b) => Number(usually(a) !== intent) - Number(usually(b) !== intent));
    return kinds.length === 0
      ? []
      : [
          { intent: 'wanted' as const, heading: 'must be noticed', kinds: rows('wanted') },
          { intent: 'nuisance' as const, heading: 'must not set it off', kinds: rows('nuisance') },
        ];
  });

  private readonly profile = computed(() => profiles.find((p) => p.id === this.place()));

  /** What the sensors feel and can happen at the place. */
  private fitting(design: Design): HappeningKind[] {
    return fittingKinds(design, this.profile()?.circumstances);
  }

  /** In words, what will be made. */
  protected readonly says = computed(() => {
    const offered = new Set(this.columns().flatMap((c) => c.kinds.map((k) => k.kind)));
    const ticked = [...this.ticked()].flatMap(([kind, i]) => (offered.has(kind) ? [i] : []));
    const wanted = ticked.filter((i) => i === 'wanted').length;
    if (ticked.length === 0) return 'Nothing ticked: a quiet scene, to which things can be added.';
    return `${wanted} that must be noticed, ${ticked.length - wanted} that must not fire, one after the other.`;
  });

  constructor() {
    effect(() => {
      if (this.open()) untracked(() => this.begin());
    });
  }

  private begin(): void {
    this.name.set(`Scene ${(this.session.design()?.scenes ?? []).length + 1}`);
    this.ticked.set(new Map());
  }

  protected isTicked(kind: HappeningKind, intent: Intent): boolean {
    return this.ticked().get(kind.kind) === intent;
  }

  /** The same thing is either to be noticed or not. */
  protected tick(kind: HappeningKind, intent: Intent, on: boolean): void {
    const ticked = new Map(this.ticked());
    if (on) ticked.set(kind.kind, intent);
    else ticked.delete(kind.kind);
    this.ticked.set(ticked);
  }

  protected make(): void {
    const design = this.session.design();
    if (!design) return;
    const ids = design.scenes.map((s) => s.id);
    const happens = this.fitting(design).flatMap((kind) => {
      const intent = this.ticked().get(kind.kind);
      return intent ? [{ kind, intent }] : [];
    });
    const scene = draftScene(design, {
      id: freshId('scene', ids),
      name: this.name(),
      ambient: this.profile()?.ambient ?? {},
      happens,
    });
    if (!this.session.edit({ type: 'put-scene', scene })) return;
    this.open.set(false);
    this.made.emit(scene.id);
  }
}

const usually = (kind: HappeningKind): Intent => kind.usually ?? 'wanted';
