import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Param } from '@yurei/core/catalog';
import { freshId, type Happening, type Scene } from '@yurei/core/design';
import { formatQuantity } from '@yurei/core/quantity';
import { happeningKinds, type HappeningKind } from '@yurei/core/scene';
import { Button } from 'primeng/button';
import { Chart } from '../common/chart';
import type { Inks } from '../common/inks';
import { ValueField } from '../common/value-field';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';
import { Picture } from '../picture/picture';
import { Player } from '../shell/player';
import { timelineConfig } from './timeline';

const sceneParams: readonly Param[] = [
  { id: 'duration', label: 'Lasts', unit: 's', default: 30, min: 0.1, max: 1e5 },
  { id: 'daylight', label: 'Daylight', unit: 'lx', default: 0, min: 0, max: 2e5 },
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

/** The Rehearse step: a scene played against the circuit, with a verdict on everything in it. */
@Component({
  selector: 'yu-rehearse',
  imports: [Button, Chart, Picture, ValueField],
  templateUrl: './rehearse.html',
  styleUrls: ['../common/step.css', './rehearse.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RehearseStep {
  protected readonly session = inject(DesignSession);
  protected readonly view = inject(BenchView);
  protected readonly player = inject(Player);
  protected readonly selection = inject(Selection);
  protected readonly kinds = happeningKinds;
  protected readonly sceneParams = sceneParams;

  protected readonly rows = computed(() =>
    (this.view.scene()?.happenings ?? []).map((happening) => {
      const verdict = this.view.rehearsal()?.verdicts.find((v) => v.happening === happening.id);
      const bad = verdict?.outcome === 'missed' || verdict?.outcome === 'fired falsely';
      const delay =
        verdict?.delay === undefined ? '' : ` after ${formatQuantity(verdict.delay, 's')}`;
      return {
        happening,
        verdict,
        bad,
        outcome: verdict ? `${verdict.outcome}${delay}` : 'not rehearsed',
      };
    }),
  );

  protected readonly timeline = computed(() => {
    const [rehearsal, scene, time] = [this.view.rehearsal(), this.view.scene(), this.view.time()];
    const channels = this.session.design()?.channels ?? [];
    return rehearsal && scene
      ? (inks: Inks) => timelineConfig(rehearsal, scene, channels, time, inks)
      : undefined;
  });

  protected sceneValue(scene: Scene, param: string): number {
    if (param === 'daylight') return scene.ambient.daylight;
    return param === 'seed' ? scene.seed : scene.duration;
  }

  protected setScene(scene: Scene, param: string, value: number): void {
    const changed =
      param === 'daylight'
        ? { ...scene, ambient: { daylight: value } }
        : { ...scene, [param]: value };
    this.session.edit({ type: 'put-scene', scene: changed });
  }

  protected choose(event: Event): void {
    this.player.rest();
    this.view.chooseScene((event.target as HTMLSelectElement).value);
  }

  protected addScene(): void {
    const scenes = this.session.design()?.scenes ?? [];
    const id = freshId(
      'scene',
      scenes.map((s) => s.id),
    );
    const scene: Scene = {
      id,
      name: `Scene ${scenes.length + 1}`,
      seed: 1,
      duration: 30,
      ambient: { daylight: 2 },
      happenings: [],
    };
    this.session.edit({ type: 'put-scene', scene });
    this.view.chooseScene(id);
  }

  /** A new happening begins a third into the scene; one that moves crosses the middle of the parts. */
  protected add(scene: Scene, kind: HappeningKind): void {
    const id = freshId(
      'h',
      scene.happenings.map((h) => h.id),
    );
    const happening: Happening = {
      id,
      kind: kind.kind,
      name: kind.label,
      intent: 'nuisance',
      start: Math.round(scene.duration / 3),
      params: {},
      ...(kind.moves ? this.wayAcross() : {}),
    };
    if (this.session.edit({ type: 'put-happening', scene: scene.id, happening })) {
      this.selection.pick('happening', id);
    }
  }

  private wayAcross(): Pick<Happening, 'from' | 'to'> {
    const places = (this.session.design()?.parts ?? []).flatMap((p) => (p.place ? [p.place] : []));
    const mean = (pick: (p: { x: number; y: number }) => number): number =>
      places.length === 0 ? 0 : places.reduce((sum, p) => sum + pick(p), 0) / places.length;
    const [x, y] = [mean((p) => p.x), mean((p) => p.y)];
    return { from: { x, y: y - 3 }, to: { x, y: y + 3 } };
  }
}
