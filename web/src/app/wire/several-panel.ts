import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { freshId } from '@yurei/core/design';
import { Button } from 'primeng/button';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';

/** Several parts picked with Shift: to be made a group, or removed. */
@Component({
  selector: 'yu-several-panel',
  imports: [Button],
  template: `
    <h2>{{ selection.parts().length }} parts</h2>
    <p class="kind">{{ names() }}</p>
    <div class="row">
      <p-button
        label="Group as module"
        icon="pi pi-clone"
        size="small"
        severity="secondary"
        variant="outlined"
        (onClick)="group()"
      />
      <p-button
        label="Remove parts"
        icon="pi pi-trash"
        size="small"
        severity="secondary"
        variant="outlined"
        (onClick)="remove()"
      />
    </div>
  `,
  styleUrl: '../common/panel.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SeveralPanel {
  private readonly session = inject(DesignSession);
  protected readonly selection = inject(Selection);

  protected readonly names = computed(() => {
    const parts = this.session.design()?.parts ?? [];
    const picked = this.selection.parts();
    return picked.map((id) => `${id} ${parts.find((p) => p.id === id)?.name ?? ''}`).join(', ');
  });

  protected group(): void {
    const design = this.session.design();
    if (!design) return;
    const id = freshId(
      'g',
      design.groups.map((g) => g.id),
    );
    const parts = [...this.selection.parts()];
    const first = design.parts.find((p) => p.id === parts[0]);
    const group = { id, name: first?.name ?? 'Module', parts, collapsed: true };
    if (this.session.edit({ type: 'put-group', group })) this.selection.pick('group', id);
  }

  protected remove(): void {
    const edits = this.selection.parts().map((id) => ({ type: 'remove-part', id }) as const);
    this.session.edit({ type: 'batch', label: 'remove parts', edits });
    this.selection.clear();
  }
}
