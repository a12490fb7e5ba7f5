import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { Skeleton } from 'primeng/skeleton';

/** Stands where something will be in a moment: its outline, and in words what is waited for. */
@Component({
  selector: 'yu-waiting',
  imports: [Skeleton],
  template: `
    <p class="hidden-label" role="status">{{ what() }}</p>
    @for (block of blocks(); track $index) {
      <p-skeleton width="100%" [height]="block" />
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 14px;
      padding: 20px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Waiting {
  readonly what = input.required<string>();
  /** Heights of what will stand there, one below the other. */
  readonly blocks = input<readonly string[]>(['40px', '55vh']);
}
