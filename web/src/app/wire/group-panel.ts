import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Group } from '@yurei/core/design';
import { Button } from 'primeng/button';
import { Hint } from '../common/hint';
import { TextField } from '../common/text-field';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';

/** A group of parts: its name, whether it is drawn as one card, and what is in it. */
@Component({
  selector: 'yu-group-panel',
  imports: [Button, Hint, TextField],
  template: `
    @if (group(); as group) {
      <h2>Group {{ group.name }}</h2>
      <div class="fields">
        <yu-text-field
          label="Name"
          [value]="group.name"
          [required]="true"
          (changed)="put({ name: $event })"
        />
      </div>
      <p class="kind">{{ group.parts.join(', ') }}</p>
      <div class="row">
        <p-button
          [label]="group.collapsed ? 'Show its parts' : 'Show as one card'"
          size="small"
          severity="secondary"
          variant="outlined"
          (onClick)="put({ collapsed: !group.collapsed })"
        />
        <p-button
          label="Dissolve"
          size="small"
          severity="secondary"
          variant="outlined"
          yuHint="The parts stay"
          (onClick)="dissolve()"
        />
      </div>
    }
  `,
  styleUrl: '../common/panel.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GroupPanel {
  readonly id = input.required<string>();
  private readonly session = inject(DesignSession);
  private readonly selection = inject(Selection);
  protected readonly group = computed(() =>
    this.session.design()?.groups.find((g) => g.id === this.id()),
  );

  protected put(change: Partial<Group>): void {
    const group = this.group();
    if (group) this.session.edit({ type: 'put-group', group: { ...group, ...change } });
  }

  protected dissolve(): void {
    this.session.edit({ type: 'remove-group', id: this.id() });
    this.selection.clear();
  }
}
