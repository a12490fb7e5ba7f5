import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import type { Param } from '@yurei/core/catalog';
import type { Tree } from '@yurei/core/design';
import { Button } from 'primeng/button';
import { InlineValue } from '../common/inline-value';
import { PointFields } from './point-fields';
import { Site } from './site';

const metres = (id: string, label: string): Param => ({
  ...{ id, label, unit: 'm', default: 1, min: 0.1, max: 100 },
});

/** Trees and bushes: what is behind them is not seen, and the sun stands behind them too. */
@Component({
  selector: 'yu-tree-fields',
  imports: [Button, InlineValue, PointFields],
  template: `
    @for (tree of site.plan()?.trees ?? []; track $index; let i = $index) {
      <div class="thing" (focusin)="site.picked.set('tree ' + i)">
        <p>
          <b>Tree {{ i + 1 }}</b>
          <yu-point-fields [point]="tree.at" (moved)="put(i, { at: $event })" />,
          <yu-inline-value
            [param]="radius"
            [value]="tree.radius"
            (changed)="put(i, { radius: $event })"
          />
          around it,
          <yu-inline-value
            [param]="height"
            [value]="tree.height"
            (changed)="put(i, { height: $event })"
          />
          high
          <p-button
            label="Remove"
            [ariaLabel]="'Remove tree ' + (i + 1)"
            size="small"
            variant="text"
            (onClick)="site.remove('trees', i)"
          />
        </p>
      </div>
    } @empty {
      <p class="soft">No tree and no bush yet.</p>
    }
    <p-button label="Add tree" icon="pi pi-plus" size="small" variant="text" (onClick)="add()" />
  `,
  styleUrl: './fields.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TreeFields {
  protected readonly site = inject(Site);
  protected readonly radius = metres('radius', 'Radius of the crown');
  protected readonly height = metres('height', 'Height of the tree');

  protected put(index: number, change: Partial<Tree>): void {
    this.site.change('trees', index, (tree) => ({ ...tree, ...change }));
  }

  protected add(): void {
    const count = this.site.plan()?.trees?.length ?? 0;
    this.site.add('trees', { at: this.site.middle(), radius: 1, height: 4 });
    this.site.picked.set(`tree ${count}`);
  }
}
