import { ChangeDetectionStrategy, Component, inject, model } from '@angular/core';
import { searchBlocks } from '@yurei/core/blocks';
import { FindDialog, type Find } from '../common/find-dialog';
import { Selection } from '../data/selection';
import { Blocks } from './blocks';

/** Stages that wire themselves, found by what a maker would call them. */
@Component({
  selector: 'yu-block-tray',
  imports: [FindDialog],
  template: `
    <yu-find-dialog
      header="Wire a stage"
      placeholder="What is needed? dusk, switch a pump, pull-up…"
      nothing="No stage answers to"
      [search]="search"
      [(open)]="open"
    />
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BlockTray {
  readonly open = model(false);
  private readonly blocks = inject(Blocks);
  private readonly selection = inject(Selection);

  protected readonly search = (text: string): Find[] =>
    searchBlocks(text).map((block) => ({
      label: block.label,
      hint: '',
      summary: block.summary,
      run: () => {
        const picked = this.selection.picked();
        const about = picked?.type === 'part' ? picked.id : undefined;
        this.blocks.open.set({ block, about });
      },
    }));
}
