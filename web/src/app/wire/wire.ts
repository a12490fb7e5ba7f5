import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { formatQuantity } from '@yurei/core/quantity';
import { Button } from 'primeng/button';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { Connecting } from '../picture/connecting';
import { Picture } from '../picture/picture';
import type { Shown } from '../picture/views';
import { PartTray } from './part-tray';

/** The Wire step: the circuit as the program draws it, to add to, connect and change. */
@Component({
  selector: 'yu-wire',
  imports: [Button, PartTray, Picture],
  template: `
    <div class="bar">
      <p-button label="Add part" size="small" icon="pi pi-plus" (onClick)="trayOpen.set(true)" />
      <p-button
        label="Undo"
        size="small"
        severity="secondary"
        variant="outlined"
        [disabled]="!session.canUndo()"
        (onClick)="session.undo()"
      />
      <p-button
        label="Redo"
        size="small"
        severity="secondary"
        variant="outlined"
        [disabled]="!session.canRedo()"
        (onClick)="session.redo()"
      />
      <p-button
        [label]="'Show: ' + show()"
        size="small"
        severity="secondary"
        variant="outlined"
        (onClick)="show.set(show() === 'volts' ? 'amps' : 'volts')"
      />
      <p class="say" [class.refused]="refusal()" role="status">{{ refusal() || saying() }}</p>
    </div>
    @if (session.design(); as design) {
      <yu-picture [design]="design" [show]="show()" />
    }
    <yu-part-tray [(open)]="trayOpen" />
  `,
  styleUrl: '../common/step.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WireStep {
  protected readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  private readonly connecting = inject(Connecting);
  protected readonly trayOpen = signal(false);
  protected readonly show = signal<Shown>('volts');
  protected readonly refusal = computed(() => this.connecting.refusal() || this.session.refusal());
  protected readonly saying = computed(() => {
    const from = this.connecting.from();
    if (from) return `From ${from}: pick the other end. Esc gives up.`;
    const t = this.view.time();
    const scene = this.view.scene()?.name;
    if (t !== undefined) return `t = ${formatQuantity(t, 's', 4)} of scene “${scene}”`;
    return 'At rest, values are live. Click two terminals to join them.';
  });
}
