import { ChangeDetectionStrategy, Component, computed, inject, model } from '@angular/core';
import { kindOf } from '@yurei/core/catalog';
import type { PinMode, PinSkill } from '@yurei/core/design';
import { arrangePins, boardsOf, planPins, type PlannedPin } from '@yurei/core/wiring';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { TableModule } from 'primeng/table';
import { byRow } from '../common/by-row';
import type { Choice } from '../common/choice-field';
import { Hint } from '../common/hint';
import { InlineChoice } from '../common/inline-choice';
import { DesignSession } from '../data/design-session';

const skills: readonly PinSkill[] = [
  'interrupt',
  'pwm',
  'data',
  'clock',
  'serial in',
  'serial out',
  'touch',
];
const orNone = (words: readonly string[]): Choice[] => [
  { value: '', label: '–' },
  ...words.map((word) => ({ value: word, label: word })),
];

/** Every pin of a controller that is used, as what and by what, with what does not fit. */
@Component({
  selector: 'yu-pin-plan',
  imports: [Button, Dialog, Hint, InlineChoice, TableModule],
  template: `
    <p-dialog
      transitionOptions="0ms"
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
        <p-table [value]="board.rows" [rowTrackBy]="byRow" size="small">
          <ng-template #header>
            <tr>
              <th scope="col">Pin</th>
              <th scope="col">Set up as</th>
              <th scope="col">Wants</th>
              <th scope="col">Used by</th>
              <th scope="col">Finding</th>
            </tr>
          </ng-template>
          <ng-template #body let-row>
            <tr [class.wrong]="row.problem">
              <th scope="row">{{ row.terminal.label }}</th>
              <td>
                <yu-inline-choice
                  [label]="row.pin + ' set up as'"
                  [choices]="modeChoices(row)"
                  [value]="row.mode ?? ''"
                  (changed)="setMode(row, $event)"
                />
              </td>
              <td>
                <yu-inline-choice
                  [label]="row.pin + ' wants'"
                  [disabled]="!row.mode"
                  [choices]="skillChoices"
                  [value]="row.skill ?? ''"
                  (changed)="setSkill(row, $event)"
                />
              </td>
              <td>{{ row.users.join(', ') || 'nothing' }}</td>
              <td>{{ row.problem || 'fits' }}</td>
            </tr>
          </ng-template>
          <ng-template #emptymessage>
            <tr>
              <td colspan="5" class="soft">No pin is used yet.</td>
            </tr>
          </ng-template>
        </p-table>
        <p class="soft">Free: {{ board.free }}</p>
        <div class="row">
          <p-button
            label="Arrange"
            size="small"
            [disabled]="board.moves === 0"
            [yuHint]="'Moves ' + board.moves + ' uses to pins that fit, wires and all'"
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
  protected readonly byRow = byRow;
  protected readonly skillChoices = orNone(skills);

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

  /** What the pin can be set up as, and what it is even where it cannot. */
  protected modeChoices({ terminal, mode }: PlannedPin): Choice[] {
    return orNone([...new Set([...(terminal.modes ?? []), ...(mode ? [mode] : [])])]);
  }

  protected setMode({ pin, skill }: PlannedPin, mode: string): void {
    this.session.edit(
      mode === ''
        ? { type: 'clear-pin', pin }
        : { type: 'set-pin', pin, mode: mode as PinMode, skill },
    );
  }

  protected setSkill(row: PlannedPin, chosen: string): void {
    const skill = (chosen || undefined) as PinSkill | undefined;
    if (row.mode) this.session.edit({ type: 'set-pin', pin: row.pin, mode: row.mode, skill });
  }

  protected arrange(id: string): void {
    const design = this.session.design();
    const board = design?.parts.find((p) => p.id === id);
    if (design && board) this.session.edit(arrangePins(design, board).edit);
  }
}
