import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { findSurrounding, kindOf, type Quantity } from '@yurei/core/catalog';
import { feltRange, type FeltRange } from '@yurei/core/circuit';
import type { Part } from '@yurei/core/design';
import { formatQuantity } from '@yurei/core/quantity';
import { Button } from 'primeng/button';
import { Slider } from 'primeng/slider';
import { Hint } from '../common/hint';
import { BenchBoard } from '../data/bench-board';
import { DesignSession } from '../data/design-session';
import { Capturing } from './capturing';

/** Places of a slider from one end to the other. */
const places = 1000;

interface Sense {
  key: string;
  part: Part;
  quantity: Quantity;
  label: string;
  range: FeltRange;
  /** What is set by hand, and where its slider then stands. */
  value?: string;
  at: number;
}

/** A hand on the world: what each sensor of the stand-in feels, moved with a slider, while the numbers follow. */
@Component({
  selector: 'yu-feel-by-hand',
  imports: [Button, FormsModule, Hint, Slider],
  template: `
    @for (sense of senses(); track sense.key) {
      <div class="sense">
        <p [yuHint]="sense.label">{{ sense.label }}</p>
        <b class="value">{{ sense.value ?? 'as it is' }}</b>
        <p-slider
          [ariaLabel]="sense.label"
          [max]="places"
          [ngModel]="sense.at"
          (ngModelChange)="move(sense, $event)"
        />
        <p-button
          label="×"
          size="small"
          severity="secondary"
          variant="text"
          [ariaLabel]="'Let ' + sense.label + ' be as it is'"
          [disabled]="!sense.value"
          (onClick)="board.feel(sense.part.id, sense.quantity, undefined)"
        />
      </div>
    }
  `,
  styleUrl: './feel-by-hand.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FeelByHand {
  protected readonly board = inject(BenchBoard);
  private readonly session = inject(DesignSession);
  private readonly capturing = inject(Capturing);
  protected readonly places = places;

  /** What can be felt, first by the sensor that the channel reads. */
  protected readonly senses = computed((): Sense[] => {
    const own = this.capturing.sensor()?.id;
    const parts = [...(this.session.design()?.parts ?? [])].sort(
      (a, b) => Number(b.id === own) - Number(a.id === own),
    );
    return parts.flatMap((part) =>
      (kindOf(part).senses?.quantities ?? []).map((quantity) => this.sense(part, quantity)),
    );
  });

  private sense(part: Part, quantity: Quantity): Sense {
    const { label = quantity, unit = '' } = findSurrounding(quantity) ?? {};
    const range = feltRange(kindOf(part), quantity);
    const held = this.board.byHand().get(`${part.id} ${quantity}`);
    return {
      key: `${part.id} ${quantity}`,
      part,
      quantity,
      label: `${part.name}: ${label.toLowerCase()}`,
      range,
      at: held === undefined ? 0 : placeOf(range, held),
      ...(held === undefined ? {} : { value: formatQuantity(held, unit) }),
    };
  }

  protected move({ part, quantity, range }: Sense, place: number): void {
    this.board.feel(part.id, quantity, valueAt(range, place));
  }
}

/** What stands at a place of a slider, to three digits. */
export function valueAt({ low, high, scale }: FeltRange, place: number): number {
  const share = place / places;
  const value = scale === 'log' ? low * (high / low) ** share : low + (high - low) * share;
  return Number(value.toPrecision(3));
}

/** Where on a slider a value stands. */
export function placeOf({ low, high, scale }: FeltRange, value: number): number {
  const share =
    scale === 'log' ? Math.log(value / low) / Math.log(high / low) : (value - low) / (high - low);
  return Math.round(places * Math.min(1, Math.max(0, share)));
}
