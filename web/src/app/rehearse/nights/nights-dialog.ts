import {
  ChangeDetectionStrategy,
  Component,
  effect,
  inject,
  model,
  viewChild,
} from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { Message } from 'primeng/message';
import { ProgressBar } from 'primeng/progressbar';
import { HelpHint } from '../../common/help-hint';
import { BenchView } from '../../data/bench-view';
import { CasesResult } from './cases-result';
import { KeptStudies } from './kept-studies';
import { MapResult } from './map-result';
import { NightsResult } from './nights-result';
import { StudyForm } from './study-form';
import { StudyRun } from './study-run';

/** Many nights of the scene: as it is, over two values, in its corners, or beside an earlier save. */
@Component({
  selector: 'yu-nights-dialog',
  imports: [
    Button,
    CasesResult,
    Dialog,
    HelpHint,
    KeptStudies,
    MapResult,
    Message,
    NightsResult,
    ProgressBar,
    StudyForm,
  ],
  providers: [StudyRun],
  templateUrl: './nights-dialog.html',
  styleUrl: './nights-dialog.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NightsDialog {
  readonly open = model(false);
  protected readonly run = inject(StudyRun);
  private readonly view = inject(BenchView);
  private readonly form = viewChild(StudyForm);

  constructor() {
    toObservable(this.open)
      .pipe(takeUntilDestroyed())
      .subscribe((open) => (open ? void this.run.refresh() : this.run.cancel()));
    // A night that is to be looked at is looked at behind the dialog.
    effect(() => {
      if (this.view.night()) this.open.set(false);
    });
  }

  protected async start(): Promise<void> {
    const form = this.form();
    const study = await form?.study();
    if (form && study) this.run.run(study, form.place());
  }
}
