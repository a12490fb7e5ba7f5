import { ChangeDetectionStrategy, Component, computed, inject, model } from '@angular/core';
import { kindOf } from '@yurei/core/catalog';
import type { PinMode, PinSkill } from '@yurei/core/design';
import { arrangePins, boardsOf, planPins, type PlannedPin } from '@yurei/core/wiring';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { DesignSession } from '../data/design-session';

/** Every pin of a controller that is used, as what and by what, with what does not fit. */
@Component({
  selector: 'yu-pin-plan',
  imports: [Button, Dialog],
  template: `
    <p-dialog
      closeAriaLabel="Close"
      header="Pins"
      [(visible)]="open"
      [modal]="true"
      [draggable]="false"
      [dismissableMask]="true"
      [style]="{ width: '760px' }"
    >
      @for (board of boards(); track board.part.id) {
        <h3>{{ board.part.id }} {{ board.part.name }}</h3>
        <table>
          <thead>
            <tr>
              <th scope="col">Pin</th>
              <th scope="col">Set up as</th>
              <th scope="col">Wants</th>
              <th scope="col">Used by</th>
              <th scope="col">Finding</th>
            </tr>
          </thead>
          <tbody>
            @for (row of board.rows; track row.pin) {
              <tr [class.wrong]="row.problem">
                <th scope="row">{{ row.terminal.label }}</th>
                <td>
                  <select
                    [attr.aria-label]="row.pin + ' set up as'"
                    (change)="setMode(row, $event)"
                  >
                    <option value="" [selected]="!row.mode">–</option>
                    @for (mode of row.terminal.modes ?? []; track mode) {
                      <option [value]="mode" [selected]="mode === row.mode">{{ mode }}</option>
                    }
                    @if (row.mode && !(row.terminal.modes ?? []).includes(row.mode)) {
                      <option [value]="row.mode" selected>{{ row.mode }}</option>
                    }
                  </select>
                </td>
                <td>
                  <select
                    [attr.aria-label]="row.pin + ' wants'"
                    [disabled]="!row.mode"
                    (change)="setSkill(row, $event)"
                  >
                    <option value="" [selected]="!row.skill">–</option>
                    @for (skill of skills; track skill) {
                      <option [value]="skill" [selected]="skill === row.skill">{{ skill }}</option>
                    }
                  </select>
                </td>
                <td>{{ row.users.join(', ') || 'nothing' }}</td>
                <td>{{ row.problem || 'fits' }}</td>
              </tr>
            } @empty {
              <tr>
                <td colspan="5" class="soft">No pin is used yet.</td>
              </tr>
            }
          </tbody>
        </table>
        <p class="soft">Free: {{ board.free }}</p>
        <div class="row">
          <p-button
            label="Arrange"
            size="small"
            [disabled]="board.moves === 0"
            [title]="'Moves ' + board.moves + ' uses to pins that fit, wires and all'"
            (onClick)="arrange(board.part.id)"
          />
          @if (board.left.length > 0) {
            <p class="soft">No pin is left for {{ board.left.join(', ') }}.</p>
          }
        </div>
      } @empty {
        <p class="soft">There is no controller here yet: add a board first.</p>
      }
    </p-dialog>
  `,
  styleUrl: './pin-plan.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PinPlan {
  readonly open = model(false);
  private readonly session = inject(DesignSession);
  protected readonly skills: readonly PinSkill[] = [
    'interrupt',
    'pwm',
    'data',
    'clock',
    'serial in',
    'serial out',
    'touch',
  ];

  protected readonly boards = computed(() => {
    const design = this.session.design();
    if (!design || !this.open()) return [];
    return boardsOf(design).map((part) => {
      const rows = planPins(design, part);
      const { moves, left } = arrangePins(design, part);
      const used = new Set(rows.map((r) => r.terminal.id));
      const free = kindOf(part)
        .terminals.filter((t) => t.role === 'pin' && !t.reserved && !used.has(t.id))
        .map((t) => t.label);
      return { part, rows, moves: moves.length, left, free: free.join(' ') || 'none' };
    });
  });

  protected setMode(row: PlannedPin, event: Event): void {
    const mode = (event.target as HTMLSelectElement).value as PinMode | '';
    const { pin, skill } = row;
    this.session.edit(
      mode === '' ? { type: 'clear-pin', pin } : { type: 'set-pin', pin, mode, skill },
    );
  }

  protected setSkill(row: PlannedPin, event: Event): void {
    const skill = ((event.target as HTMLSelectElement).value || undefined) as PinSkill | undefined;
    if (row.mode) this.session.edit({ type: 'set-pin', pin: row.pin, mode: row.mode, skill });
  }

  protected arrange(id: string): void {
    const design = this.session.design();
    const board = design?.parts.find((p) => p.id === id);
    if (design && board) this.session.edit(arrangePins(design, board).edit);
  }
}
