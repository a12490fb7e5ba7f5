import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { DesignSummary } from '@yurei/core/exchange';
import { InputText } from 'primeng/inputtext';
import { Press } from '../common/press';
import { Sketch } from './sketch';
import { formatDateTime } from '../common/date-time';
import { Unreadable } from './unreadable';

/** A design on the shelf: its picture, what it is for, how its questions stand, and what can be done with it. */
@Component({
  selector: 'yu-shelf-card',
  imports: [InputText, Press, RouterLink, Sketch, Unreadable],
  templateUrl: './shelf-card.html',
  styleUrls: ['../common/tool.css', './shelf-card.css'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShelfCard {
  protected readonly when = formatDateTime;
  readonly design = input.required<DesignSummary>();
  readonly mended = output();
  readonly duplicated = output();
  readonly removed = output();
  readonly renamed = output<string>();
  protected readonly renaming = signal(false);

  protected rename(title: string): void {
    this.renaming.set(false);
    const name = title.trim();
    if (name !== '' && name !== this.design().title) this.renamed.emit(name);
  }
}
