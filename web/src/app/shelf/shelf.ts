import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, inject, Injector, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { emptyDesign } from '@yurei/core/design';
import type { DesignSummary } from '@yurei/core/exchange';
import { Button } from 'primeng/button';
import { firstValueFrom } from 'rxjs';
import { Lantern } from '../common/lantern';
import { Api, ApiError } from '../data/api';
import { dropDraft } from '../data/drafts';
import { ThemeService } from '../theme/theme';
import { Unreadable } from './unreadable';
import { WholeShelf } from './whole-shelf';

/** No design is larger; a larger file is not even read. */
const largestFile = 2_000_000;

/** The start page: every design, newest first. */
@Component({
  selector: 'yu-shelf',
  imports: [Button, DatePipe, Lantern, RouterLink, Unreadable, WholeShelf],
  templateUrl: './shelf.html',
  styleUrls: ['../common/tool.css', './shelf.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(pointermove)': 'makeReady()', '(focusin)': 'makeReady()' },
})
export class Shelf {
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  protected readonly theme = inject(ThemeService);
  protected readonly designs = signal<DesignSummary[] | undefined>(undefined);
  protected readonly failure = signal<ApiError | undefined>(undefined);
  protected readonly removing = signal('');
  protected readonly wholeOpen = signal(false);
  private doubtful?: Blob;

  private readonly injector = inject(Injector);
  private readying = false;

  constructor() {
    void this.load();
  }

  /** A hand on the shelf means that a picture is wanted soon: its layouter gets ready meanwhile. */
  protected async makeReady(): Promise<void> {
    if (this.readying || typeof Worker === 'undefined') return;
    this.readying = true;
    const { PictureLayouter } = await import('../picture/layout');
    await this.injector.get(PictureLayouter).warmUp();
  }

  protected load(): Promise<void> {
    return this.attempt(async () => this.designs.set(await firstValueFrom(this.api.list())));
  }

  protected async create(): Promise<void> {
    await this.attempt(async () => {
      const { id } = await firstValueFrom(this.api.create(emptyDesign('New design')));
      await this.router.navigate(['/design', id]);
    });
  }

  protected async pickFile(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    if (file.size > largestFile) {
      const size = (file.size / 1e6).toFixed(1);
      const reason = `${file.name} has ${size} MB; no design is larger than 2 MB. Choose a file that was exported here. Nothing was changed.`;
      this.failure.set(new ApiError(413, 'The file is too large', reason, [], []));
      return;
    }
    await this.import(file, false);
  }

  protected importAnyway(): Promise<void> {
    return this.doubtful ? this.import(this.doubtful, true) : Promise.resolve();
  }

  protected async remove(id: string): Promise<void> {
    this.removing.set('');
    await this.attempt(async () => {
      await firstValueFrom(this.api.remove(id));
      dropDraft(id);
      await this.load();
    });
  }

  private async import(file: Blob, acceptDoubts: boolean): Promise<void> {
    this.doubtful = file;
    await this.attempt(async () => {
      await firstValueFrom(this.api.import(file, acceptDoubts));
      await this.load();
    });
  }

  private async attempt(work: () => Promise<unknown>): Promise<void> {
    try {
      await work();
      this.failure.set(undefined);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      this.failure.set(error);
    }
  }
}
