import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { kindOf, numbersOf, type Param } from '@yurei/core/catalog';
import { sceneStarts, type Machine, type Scene } from '@yurei/core/design';
import { ambientParams, profiles, worldParams } from '@yurei/core/scene';
import { Button } from 'primeng/button';
import { Menu } from 'primeng/menu';
import { ChoiceField, type Choice } from '../common/choice-field';
import { ParamField } from '../common/param-field';
import { TextField } from '../common/text-field';
import { ValueField } from '../common/value-field';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';

const sceneParams: readonly Param[] = [
  { id: 'duration', label: 'Lasts', unit: 's', default: 30, min: 0.1, max: 1e5 },
  {
    id: 'seed',
    label: 'Seed of the noise',
    unit: '',
    default: 1,
    min: 0,
    max: 2147483647,
    whole: true,
  },
];

const starts: readonly Choice[] = [
  { value: 'settled', label: 'on for long' },
  { value: 'power-on', label: 'comes on now' },
];

/** Surroundings that are shown whatever the design feels. */
const always: ReadonlySet<string> = new Set([
  'daylight',
  'sky',
  'hour',
  'day',
  'latitude',
  'clouds',
  'passing',
  'temperature',
  'swing',
  'lamp',
  'ripple',
]);

/** What a scene is besides its happenings: how long, from when power is on, in which modes, and in what surroundings. */
@Component({
  selector: 'yu-scene-fields',
  imports: [Button, ChoiceField, Menu, ParamField, TextField, ValueField],
  templateUrl: './scene-fields.html',
  styleUrl: './scene-fields.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SceneFields {
  protected readonly session = inject(DesignSession);
  protected readonly view = inject(BenchView);
  protected readonly sceneParams = sceneParams;
  protected readonly starts = starts;
  protected readonly profiles = profiles.map(({ label, ambient }) => ({
    label,
    command: () => this.takeProfile(ambient),
  }));

  /** Weather and light, and what the parts of this design feel besides. */
  protected readonly surroundings = computed(() => {
    const [scene, design] = [this.view.scene(), this.session.design()];
    if (!scene || !design) return [];
    const matter = new Set<string>([
      ...design.parts.flatMap((p) => kindOf(p).senses?.quantities ?? []),
      ...worldParams(design, scene),
    ]);
    const values = numbersOf(ambientParams, scene.ambient);
    return ambientParams
      .filter((p) => always.has(p.id) || matter.has(p.id) || p.id in scene.ambient)
      .map((param) => ({ param, value: values[param.id] }));
  });

  protected sceneValue(scene: Scene, param: string): number {
    return param === 'seed' ? scene.seed : scene.duration;
  }

  protected setScene(scene: Scene, param: string, value: number): void {
    this.session.edit({ type: 'put-scene', scene: { ...scene, [param]: value } });
  }

  protected setStart(scene: Scene, value: string): void {
    const { starts: _, ...settled } = scene;
    const starts = sceneStarts.find((s) => s === value && s !== 'settled');
    this.session.edit({ type: 'put-scene', scene: starts ? { ...settled, starts } : settled });
  }

  protected modeChoices(machine: Machine): Choice[] {
    return machine.modes.map(({ id, name }) => ({ value: id, label: name }));
  }

  protected setMode(scene: Scene, machine: string, mode: string): void {
    const modes = { ...scene.modes, [machine]: mode };
    this.session.edit({ type: 'put-scene', scene: { ...scene, modes } });
  }

  protected setAmbient(scene: Scene, param: string, value: number): void {
    const ambient = { ...scene.ambient, [param]: value };
    this.session.edit({ type: 'put-scene', scene: { ...scene, ambient } });
  }

  /** Surroundings of a kind of place and time, in place of those the scene has. */
  private takeProfile(ambient: Scene['ambient']): void {
    const scene = this.view.scene();
    if (scene) this.session.edit({ type: 'put-scene', scene: { ...scene, ambient } });
  }
}
