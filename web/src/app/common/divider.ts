import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';

/** By an arrow key, px. */
const step = 16;

/** A bar between two panes, to be dragged or moved by arrow keys. It stands at the edge of the pane whose size it sets. */
@Component({
  selector: 'yu-divider',
  template: '',
  styles: `
    :host {
      position: absolute;
      z-index: 2;
      touch-action: none;
    }
    :host([aria-orientation='vertical']) {
      inset: 0 auto 0 -4px;
      width: 8px;
      cursor: col-resize;
    }
    :host([aria-orientation='horizontal']) {
      inset: -4px 0 auto;
      height: 8px;
      cursor: row-resize;
    }
    :host(:hover),
    :host(:focus-visible) {
      background: var(--indigo);
      opacity: 0.4;
      outline: none;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: {
    role: 'separator',
    tabindex: '0',
    '[attr.aria-label]': 'label()',
    '[attr.aria-orientation]': "upright() ? 'vertical' : 'horizontal'",
    '[attr.aria-valuenow]': 'shown()',
    '[attr.aria-valuemin]': 'least()',
    '[attr.aria-valuemax]': 'most()',
    '(pointerdown)': 'begin($event)',
    '(pointermove)': 'drag($event)',
    '(keydown)': 'key($event)',
  },
})
export class Divider {
  readonly label = input.required<string>();
  /** Between panes beside each other, rather than below each other. */
  readonly upright = input(false);
  /** The size of the pane after the bar, px. */
  readonly size = input.required<number>();
  readonly least = input.required<number>();
  readonly most = input.required<number>();
  readonly sized = output<number>();

  protected readonly shown = computed(() => Math.round(this.size()));
  private from = { at: 0, size: 0 };

  protected begin(event: PointerEvent): void {
    (event.target as Element).setPointerCapture(event.pointerId);
    this.from = { at: this.along(event), size: this.size() };
  }

  protected drag(event: PointerEvent): void {
    if (event.buttons > 0) this.set(this.from.size + this.from.at - this.along(event));
  }

  protected key(event: KeyboardEvent): void {
    const [more, less] = this.upright() ? ['ArrowLeft', 'ArrowRight'] : ['ArrowUp', 'ArrowDown'];
    const to = new Map([
      [more, this.size() + step],
      [less, this.size() - step],
      ['Home', this.least()],
      ['End', this.most()],
    ]).get(event.key);
    if (to === undefined) return;
    event.preventDefault();
    this.set(to);
  }

  private set(size: number): void {
    this.sized.emit(Math.min(this.most(), Math.max(this.least(), size)));
  }

  private along(event: PointerEvent): number {
    return this.upright() ? event.clientX : event.clientY;
  }
}
