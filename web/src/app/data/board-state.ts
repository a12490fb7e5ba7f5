import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { Button } from 'primeng/button';
import { Message } from 'primeng/message';
import { BenchBoard, boardRate } from './bench-board';
import { canSerial } from './board-link';

/** Whether a board is on the bench, and the way to one. */
@Component({
  selector: 'yu-board-state',
  imports: [Button, Message],
  template: `
    @switch (board.state()) {
      @case ('on') {
        <p class="said">
          {{ board.kind() === 'stand-in' ? 'stand-in board' : 'board' }}, {{ rate }} readings/s
          @if (board.broken() > 0) {
            , {{ board.broken() }} lines not understood
          }
        </p>
        <p-button
          label="Disconnect"
          size="small"
          severity="secondary"
          variant="outlined"
          (onClick)="board.disconnect()"
        />
      }
      @case ('opening') {
        <p class="said" role="status">Connecting…</p>
      }
      @default {
        @if (standIn()) {
          <p-button
            label="Connect stand-in board"
            icon="pi pi-bolt"
            size="small"
            (onClick)="board.connectStandIn()"
          />
        }
        @if (canSerial) {
          <p-button
            label="Connect a board…"
            size="small"
            severity="secondary"
            variant="outlined"
            (onClick)="board.connectSerial()"
          />
        }
      }
    }
    @if (board.state() === 'lost') {
      <p-message class="said" severity="error" size="small" variant="simple">{{
        board.said()
      }}</p-message>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px;
    }
    .said {
      font-size: var(--type-small);
      color: var(--soft);
      white-space: normal;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BoardState {
  /** Whether the stand-in will do, too. */
  readonly standIn = input(true);
  protected readonly board = inject(BenchBoard);
  protected readonly canSerial = canSerial();
  protected readonly rate = boardRate;
}
