import { ChangeDetectionStrategy, Component, inject, model, output, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { firstValueFrom } from 'rxjs';
import { FileButton } from '../common/file-button';
import { Api, ApiError } from '../data/api';

/** Everything at once: taking the whole shelf along, bringing one in, a backup and putting it back. */
@Component({
  selector: 'yu-whole-shelf',
  imports: [Button, Dialog, FileButton],
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
  /** The backup that is to take the place of everything, once that is said again. */
  protected readonly backup = signal<File | undefined>(undefined);

  protected takeIn([file]: File[]): Promise<void> {
    return this.attempt('Taking in the archive…', async () => {
      if (!file) return '';
      const { designs, there } = await firstValueFrom(this.api.takeIn(file));
      return `${designs} ${designs === 1 ? 'design' : 'designs'} brought in${there > 0 ? `; ${there} were there already` : ''}.`;
    });
  }

  protected choose([file]: File[]): void {
    this.done.set('');
    this.refused.set('');
    this.backup.set(file);
  }

  protected putBack(): Promise<void> {
    const file = this.backup();
    this.backup.set(undefined);
    return this.attempt('Putting the backup in place…', async () => {
      if (!file) return '';
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
