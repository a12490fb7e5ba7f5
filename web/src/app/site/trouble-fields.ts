import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { freshId, type Happening, type Need, type Point } from '@yurei/core/design';
import { tryIn } from '@yurei/core/plan';
import { findHappeningKind } from '@yurei/core/scene';
import { Button } from 'primeng/button';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { PointFields } from './point-fields';

/** What stands about and must not set it off, by what it does. */
const sources = [
  { named: 'Heater', kind: 'heater-comes-on' },
  { named: 'Lamp', kind: 'lamp-on' },
  { named: 'Road', kind: 'lorry-passes' },
  { named: 'Branch', kind: 'branch-sways' },
] as const;

/** What of a scene must not set it off and is somewhere: each goes through every rehearsal of the scene, and stands in the brief. */
@Component({
  selector: 'yu-trouble-fields',
  imports: [Button, PointFields],
  template: `
    @for (trouble of troubles(); track trouble.id) {
      <div class="thing">
        <p>
          <b>{{ trouble.name }}</b>
          @for (point of trouble.path ?? []; track $index; let i = $index) {
            {{ i > 0 ? 'to' : '' }}
            <yu-point-fields [point]="point" (moved)="move(trouble, i, $event)" />
          }
          <p-button
            label="Remove"
            [ariaLabel]="'Remove ' + trouble.name"
            size="small"
            variant="text"
            (onClick)="remove(trouble)"
          />
        </p>
      </div>
    } @empty {
      <p class="soft">
        Nothing stands about yet that might set it off: a heater, a lamp, a road, a branch.
      </p>
    }
    @if (view.scene()) {
      @for (source of sources; track source.kind) {
        <p-button
          [label]="'Add ' + source.named.toLowerCase()"
          icon="pi pi-plus"
          size="small"
          variant="text"
          (onClick)="add(source.kind, source.named)"
        />
      }
    } @else {
      <p class="soft">It happens in a scene: there is none yet.</p>
    }
  `,
  styleUrl: './fields.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TroubleFields {
  private readonly session = inject(DesignSession);
  protected readonly view = inject(BenchView);
  protected readonly sources = sources;
  private readonly scene = computed(() =>
    this.session.design()?.scenes.find((s) => s.id === this.view.scene()?.id),
  );
  protected readonly troubles = computed(() =>
    (this.scene()?.happenings ?? []).filter(
      ({ intent, path, kind }) =>
        intent === 'nuisance' && path && findHappeningKind(kind)?.where !== 'everywhere',
    ),
  );

  /** In the brief as what must not set it off, and in the scene, before what feels it. */
  protected add(kind: string, named: string): void {
    const [design, scene] = [this.session.design(), this.scene()];
    if (!design || !scene) return;
    const ids = design.brief.needs.map((n) => n.id);
    const names = design.brief.needs.map((n) => n.name);
    const need: Need = {
      ...{ id: freshId('n', ids), intent: 'nuisance', kind, params: {} },
      name: names.includes(named) ? `${named} ${names.length + 1}` : named,
    };
    const happens = tryIn(design, scene, need);
    if (!happens) return;
    const edits = [{ type: 'put-need' as const, need }, happens];
    this.session.edit({ type: 'batch', label: `add ${named.toLowerCase()}`, edits });
  }

  protected move({ path = [], ...trouble }: Happening, index: number, to: Point): void {
    const scene = this.scene();
    const moved = path.map((p, i) => (i === index ? to : p));
    if (scene)
      this.session.edit({
        ...{ type: 'put-happening', scene: scene.id },
        happening: { ...trouble, path: moved },
      });
  }

  /** Out of the scene; out of the brief too where nothing else tries it. */
  protected remove({ id, need }: Happening): void {
    const [design, scene] = [this.session.design(), this.scene()];
    if (!design || !scene) return;
    const others = design.scenes.flatMap((s) =>
      s.happenings.filter((h) => h.need === need && !(s.id === scene.id && h.id === id)),
    );
    const asked = design.brief.needs.some((n) => n.id === need) && others.length === 0;
    this.session.edit({
      ...{ type: 'batch', label: 'take it away' },
      edits: [
        { type: 'remove-happening', scene: scene.id, id },
        ...(asked && need !== undefined ? [{ type: 'remove-need' as const, id: need }] : []),
      ],
    });
  }
}
