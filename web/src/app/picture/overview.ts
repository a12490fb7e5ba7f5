import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Box, PictureLayout, Point } from '@yurei/core/picture';

/** The overview is at most this large, px. */
const most = { width: 168, height: 96 };

/** The whole picture as a small map, with what is seen of it framed; a press or a drag on it moves there. */
@Component({
  selector: 'yu-overview',
  template: `
    <svg
      role="img"
      aria-label="Overview: press to move there"
      [attr.width]="layout().width * scale()"
      [attr.height]="layout().height * scale()"
      [attr.viewBox]="'0 0 ' + layout().width + ' ' + layout().height"
      (pointerdown)="go($event)"
      (pointermove)="$event.buttons > 0 && go($event)"
    >
      @for (card of cards(); track card.id) {
        <rect
          class="spot"
          [attr.x]="card.x"
          [attr.y]="card.y"
          [attr.width]="card.width"
          [attr.height]="card.height"
        />
      }
      <rect
        class="seen"
        [attr.x]="seen().x"
        [attr.y]="seen().y"
        [attr.width]="seen().width"
        [attr.height]="seen().height"
      />
    </svg>
  `,
  styles: `
    :host {
      position: absolute;
      right: 12px;
      bottom: 12px;
      padding: 4px;
      background: var(--raised);
      border: 1px solid var(--rule);
      border-radius: var(--round);
      line-height: 0;
    }
    svg {
      cursor: pointer;
      touch-action: none;
      overflow: hidden;
    }
    .spot {
      fill: var(--soft);
      opacity: 0.45;
    }
    .seen {
      fill: var(--indigo);
      fill-opacity: 0.1;
      stroke: var(--indigo);
      stroke-width: 2px;
      vector-effect: non-scaling-stroke;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Overview {
  readonly layout = input.required<PictureLayout>();
  /** What of the picture is seen, in its own units. */
  readonly seen = input.required<Box>();
  /** Where to, in the picture's own units. */
  readonly moved = output<Point>();

  protected readonly cards = computed(() => [...this.layout().cards.values()]);
  protected readonly scale = computed(() =>
    Math.min(most.width / this.layout().width, most.height / this.layout().height),
  );

  protected go(event: PointerEvent): void {
    const box = (event.currentTarget as Element).getBoundingClientRect();
    const scale = this.scale();
    this.moved.emit({
      x: (event.clientX - box.left) / scale,
      y: (event.clientY - box.top) / scale,
    });
  }
}
