import { ChangeDetectionStrategy, Component, computed, inject, model, signal } from '@angular/core';
import { searchCatalog } from '@yurei/core/catalog';
import { FindDialog, type Find } from '../common/find-dialog';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';
import { addPart } from './add-part';

/** The tray of parts, found by what a maker would call them. */
@Component({
  selector: 'yu-part-tray',
  imports: [FindDialog],
  template: `
    <yu-find-dialog
      header="Add part"
      placeholder="What should it do? light, beep, pull-up…"
      nothing="No part in this version answers to"
      [finds]="finds()"
      [(open)]="open"
      [(text)]="text"
      (taken)="add($event)"
    />
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartTray {
  readonly open = model(false);
  private readonly session = inject(DesignSession);
  private readonly selection = inject(Selection);
  protected readonly text = signal('');
  private readonly kinds = computed(() => searchCatalog(this.text()));
  protected readonly finds = computed((): Find[] =>
    this.kinds().map(({ label, stage, glyph, summary }) => ({
      label,
      hint: stage,
      glyph,
      summary,
    })),
  );

  protected add(index: number): void {
    addPart(this.kinds()[index], this.session, this.selection);
  }
}
