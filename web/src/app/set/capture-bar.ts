import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import type { Channel } from '@yurei/core/design';
import { decimals } from '@yurei/core/quantity';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { InlineChoice } from '../common/inline-choice';
import { BenchBoard } from '../data/bench-board';
import { Capturing, type Intent } from './capturing';
import { intentChoices } from './intents';

/** How readings come in: from the board on the bench, from a file, or typed. */
@Component({
  selector: 'yu-capture-bar',
  imports: [Button, InlineChoice, InputText],
  templateUrl: './capture-bar.html',
  styleUrl: './capture-bar.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CaptureBar {
  protected readonly decimals = decimals;
  readonly channel = input.required<Channel>();
  /** Readings of a file or of a meter are to be brought in. */
  readonly bring = output();
  protected readonly board = inject(BenchBoard);
  protected readonly capturing = inject(Capturing);
  protected readonly intents = intentChoices;

  protected capture(): void {
    void this.capturing.capture(this.channel());
  }

  protected setIntent(intent: string): void {
    this.capturing.intent.set(intent as Intent);
  }

  protected setName(event: Event): void {
    this.capturing.name.set((event.target as HTMLInputElement).value);
  }

  /** How many readings a capture takes: kept within what makes sense. */
  protected setWanted(event: Event): void {
    const field = event.target as HTMLInputElement;
    const n = Math.round(Number(field.value));
    if (n >= 1 && n <= 20_000) this.capturing.wanted.set(n);
    field.value = String(this.capturing.wanted());
  }
}
