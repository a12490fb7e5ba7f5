import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { fileStem, writeHookUpCsv, writeHookUpMarkdown } from '@yurei/core/exchange';
import type { MenuItem } from 'primeng/api';
import { Button } from 'primeng/button';
import { Menu } from 'primeng/menu';
import { download } from '../common/download';
import { Hint } from '../common/hint';
import { DesignSession } from '../data/design-session';
import { fontsOfPage, pictureFile, picturePng } from '../picture/picture-file';

/** What can be taken away from the circuit: its picture and its wires as files, or on paper. */
@Component({
  selector: 'yu-take-away',
  imports: [Button, Hint, Menu],
  template: `
    <p-button
      icon="pi pi-download"
      ariaLabel="Take away"
      yuHint="Picture, hook-up list, paper"
      size="small"
      severity="secondary"
      [text]="true"
      (onClick)="menu.toggle($event)"
    />
    <p-menu #menu [model]="kinds()" [popup]="true" appendTo="body" />
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TakeAway {
  /** Gives the drawing as it stands. */
  readonly drawn = input.required<() => SVGSVGElement | undefined>();
  /** Whether there is one to be seen: no file is made of what is not shown. */
  readonly shown = input.required<boolean>();
  private readonly session = inject(DesignSession);

  protected readonly kinds = computed((): MenuItem[] => [
    { label: 'Picture as SVG', disabled: !this.shown(), command: () => this.takePicture('svg') },
    { label: 'Picture as PNG', disabled: !this.shown(), command: () => this.takePicture('png') },
    { label: 'Hook-up list as CSV', command: () => this.takeList('csv') },
    { label: 'Hook-up list as Markdown', command: () => this.takeList('md') },
    { label: 'Print…', command: () => window.print() },
  ]);

  private async takePicture(kind: 'svg' | 'png'): Promise<void> {
    const drawn = this.drawn()();
    const title = this.session.design()?.title ?? '';
    if (!drawn) return;
    const svg = pictureFile(drawn, title, await fontsOfPage());
    if (kind === 'svg') download(this.named('svg'), svg, 'image/svg+xml');
    else download(this.named('png'), await picturePng(svg), 'image/png');
  }

  private takeList(kind: 'csv' | 'md'): void {
    const design = this.session.design();
    if (!design) return;
    if (kind === 'csv') download(this.named('csv'), writeHookUpCsv(design), 'text/csv');
    else download(this.named('md'), writeHookUpMarkdown(design), 'text/markdown');
  }

  private named(end: string): string {
    return `${fileStem(this.session.design()?.title ?? '')}.${end}`;
  }
}
