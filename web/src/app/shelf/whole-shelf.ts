import {
  ChangeDetectionStrategy,
  Component,
  inject,
  model,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { Dialog } from 'primeng/dialog';
import { Message } from 'primeng/message';
import { firstValueFrom } from 'rxjs';
import { Confirm } from '../common/confirm';
import { FileButton } from '../common/file-button';
import { Api, ApiError } from '../data/api';

/** Everything at once: taking the whole shelf along, bringing one in, a backup and putting it back. */
@Component({
  selector: 'yu-whole-shelf',
  imports: [Confirm, Dialog, FileButton, Message],
  templateUrl: './whole-shelf.html',
  styleUrl: './whole-shelf.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WholeShelf {
  private readonly api = inject(Api);
  readonly open = model(false);
  /** The shelf is another one now. */
  readonly changed = output();
  protected readonly working = signal('');
  protected readonly done = signal('');
  protected readonly refused = signal('');
  private readonly confirm = viewChild.required(Confirm);

  protected takeIn([file]: File[]): Promise<void> {
    return this.attempt('Taking in the archive…', async () => {
      if (!file) return '';
      const { designs, there } = await firstValueFrom(this.api.takeIn(file));
      return `${designs} ${designs === 1 ? 'design' : 'designs'} brought in${there > 0 ? `; ${there} were there already` : ''}.`;
    });
  }

  protected async putBack([file]: File[], at: HTMLElement): Promise<void> {
    if (!file) return;
    const question = `${file.name} takes the place of everything on the shelf. What is there now is copied into the folder backups first.`;
    if (!(await this.confirm().ask({ at, question, yes: 'Put it in place' }))) return;
    await this.attempt('Putting the backup in place…', async () => {
      await firstValueFrom(this.api.putBack(file));
      return 'The backup is in place. What was there before is kept as a copy in the data folder.';
    });
  }

  private async attempt(what: string, work: () => Promise<string>): Promise<void> {
    this.done.set('');
    this.refused.set('');
    this.working.set(what);
    try {
      this.done.set(await work());
      this.changed.emit();
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      this.refused.set(`${error.title}. ${error.message}`);
    } finally {
      this.working.set('');
    }
  }
}
