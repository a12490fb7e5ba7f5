import { ChangeDetectionStrategy, Component, inject, model } from '@angular/core';
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
      [search]="search"
      [(open)]="open"
    />
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartTray {
  readonly open = model(false);
  private readonly session = inject(DesignSession);
  private readonly selection = inject(Selection);

  protected readonly search = (text: string): Find[] =>
    searchCatalog(text).map((kind) => ({
      label: kind.label,
      hint: kind.stage,
      glyph: kind.glyph,
      summary: kind.summary,
      run: () => addPart(kind, this.session, this.selection),
    }));
}
