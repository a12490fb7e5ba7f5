import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  model,
  output,
  untracked,
} from '@angular/core';
import {
  FormControl,
  FormRecord,
  NonNullableFormBuilder,
  ReactiveFormsModule,
  Validators,
} from '@angular/forms';
import { freshId, type Happening } from '@yurei/core/design';
import {
  draftScene,
  fittingKinds,
  happeningKinds,
  profiles,
  type HappeningKind,
} from '@yurei/core/scene';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { CheckField } from '../common/check-field';
import { ChoiceField } from '../common/choice-field';
import { formState } from '../common/form-state';
import { Hint } from '../common/hint';
import { TextField } from '../common/text-field';
import { DesignSession } from '../data/design-session';

type Intent = Happening['intent'];

const intents: readonly Intent[] = ['wanted', 'nuisance'];
const unticked = (): Record<string, FormControl<boolean>> =>
  Object.fromEntries(
    happeningKinds.map(({ kind }) => [kind, new FormControl(false, { nonNullable: true })]),
  );
const places = profiles.map(({ id, label }) => ({ value: id, label }));

/** A new scene: where and when it is, and by ticking what must be noticed there and what must not set it off. */
@Component({
  selector: 'yu-scene-dialog',
  imports: [Button, CheckField, ChoiceField, Dialog, Hint, ReactiveFormsModule, TextField],
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

  protected readonly form = inject(NonNullableFormBuilder).group({
    name: ['', [Validators.required, Validators.maxLength(120)]],
    place: [places[0]?.value ?? ''],
    wanted: new FormRecord(unticked()),
    nuisance: new FormRecord(unticked()),
  });
  private readonly state = formState(this.form);

  private readonly profile = computed(() =>
    profiles.find((p) => p.id === this.state().value.place),
  );
  /** What the sensors feel and can happen at the place. */
  private readonly fitting = computed(() => {
    const design = this.open() ? this.session.design() : undefined;
    return design ? fittingKinds(design, this.profile()?.circumstances) : [];
  });

  /** Each by what it mostly is to an alarm: what mostly is none of it stands last. */
  protected readonly columns = computed(() => {
    const kinds = this.fitting();
    const rows = (intent: Intent) =>
      [...kinds].sort((a, b) => Number(usually(a) !== intent) - Number(usually(b) !== intent));
    return kinds.length === 0
      ? []
      : [
          { intent: 'wanted' as const, heading: 'must be noticed', kinds: rows('wanted') },
          { intent: 'nuisance' as const, heading: 'must not set it off', kinds: rows('nuisance') },
        ];
  });

  private readonly ticked = computed(() => {
    const { value } = this.state();
    return this.fitting().flatMap((kind) => {
      const intent = intents.find((i) => value[i][kind.kind]);
      return intent ? [{ kind, intent }] : [];
    });
  });

  /** In words, what will be made. */
  protected readonly says = computed(() => {
    const ticked = this.ticked();
    const wanted = ticked.filter(({ intent }) => intent === 'wanted').length;
    if (ticked.length === 0) return 'Nothing ticked: a quiet scene, to which things can be added.';
    return `${wanted} that must be noticed, ${ticked.length - wanted} that must not fire, one after the other.`;
  });

  constructor() {
    effect(() => {
      if (this.open()) untracked(() => this.begin());
    });
  }

  private begin(): void {
    const name = `Scene ${(this.session.design()?.scenes ?? []).length + 1}`;
    this.form.reset({ name, place: this.state().value.place });
  }

  /** The same thing is either to be noticed or not. */
  protected tick({ kind }: HappeningKind, intent: Intent, on: boolean): void {
    const other = intent === 'wanted' ? 'nuisance' : 'wanted';
    if (on) this.form.controls[other].controls[kind]?.setValue(false);
  }

  protected make(): void {
    const design = this.session.design();
    const { value, valid } = this.state();
    if (!design || !valid) return;
    const scene = draftScene(design, {
      id: freshId(
        'scene',
        design.scenes.map((s) => s.id),
      ),
      name: value.name,
      ambient: this.profile()?.ambient ?? {},
      happens: this.ticked(),
    });
    if (!this.session.edit({ type: 'put-scene', scene })) return;
    this.open.set(false);
    this.made.emit(scene.id);
  }
}

const usually = (kind: HappeningKind): Intent => kind.usually ?? 'wanted';
