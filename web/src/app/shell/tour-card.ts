import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  untracked,
} from '@angular/core';
import { Router } from '@angular/router';
import { Button } from 'primeng/button';
import { Panes } from '../data/panes';
import { Tour } from '../data/tour';

interface Stop {
  path: string;
  title: string;
  text: string;
  /** The side panel with the findings is part of what is to be seen. */
  side?: boolean;
}

const stops: readonly [Stop, ...Stop[]] = [
  {
    path: 'wire',
    title: 'The circuit, solved as you change it',
    text: 'Every wire shows its volts, every part what it does now. Press a part and give it another value: everything is solved again at once. The program draws; you say what is joined.',
  },
  {
    path: 'wire',
    side: true,
    title: 'What is wrong, and what cures it',
    text: 'Findings stand at the right, the cause first and what follows from it folded under it. A cure is offered only if it has been tried and makes nothing worse.',
  },
  {
    path: 'set',
    title: 'Where the line stands',
    text: 'Readings at rest and readings of what is wanted, with the threshold between them and the room it has. Connect the stand-in board, move a slider, and see the numbers follow.',
  },
  {
    path: 'act',
    title: 'What is done then',
    text: 'Rules in sentences, modes as a chart. Press a rule to change it; what is true of all of them, whatever happens, is told below.',
  },
  {
    path: 'rehearse',
    title: 'Will it notice? Will it stay quiet?',
    text: 'A scene is played against the circuit in time. Press a verdict for the chain from what was felt to what acted. Then change something in Wire and come back: the verdicts follow.',
  },
];

/** One stop of the tour: it leads to its step, says what is to be seen there, and goes on. */
@Component({
  selector: 'yu-tour-card',
  imports: [Button],
  template: `
    <section role="region" aria-label="Tour" aria-live="polite">
      <p class="soft">{{ at() + 1 }} of {{ count }}</p>
      <h2>{{ stop().title }}</h2>
      <p>{{ stop().text }}</p>
      <div class="row">
        @if (at() > 0) {
          <p-button
            label="Back"
            size="small"
            severity="secondary"
            variant="outlined"
            (onClick)="tour.stop.set(at() - 1)"
          />
        }
        @if (at() < count - 1) {
          <p-button label="Next" size="small" (onClick)="tour.stop.set(at() + 1)" />
        }
        <p-button
          [label]="at() < count - 1 ? 'Leave the tour' : 'Begin to work'"
          size="small"
          variant="text"
          (onClick)="tour.leave()"
        />
      </div>
    </section>
  `,
  styleUrl: './tour-card.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TourCard {
  /** Id of the design that is shown. */
  readonly id = input.required<string>();
  protected readonly tour = inject(Tour);
  private readonly router = inject(Router);
  private readonly panes = inject(Panes);
  protected readonly count = stops.length;
  protected readonly at = computed(() => this.tour.stop() ?? 0);
  protected readonly stop = computed(() => stops[this.at()] ?? stops[0]);

  constructor() {
    effect(() => {
      const { path, side } = this.stop();
      const id = this.id();
      untracked(() => {
        this.panes.sideOpen.set(side === true);
        void this.router.navigate(['/design', id, path]);
      });
    });
  }
}
