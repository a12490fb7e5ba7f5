import { Directive, ElementRef, inject, input } from '@angular/core';
import { Tooltip } from 'primeng/tooltip';

/** How long the pointer rests, or the focus stays, before a hint is shown, ms. */
const rests = 400;

/**
 * What something is or does, in the kit's tooltip where the pointer rests on it or the keys reach it; to those who
 * hear the page it is told as the description of a button, a link or a field.
 */
@Directive({
  selector: '[yuHint]',
  hostDirectives: [{ directive: Tooltip, inputs: ['pTooltip: yuHint'] }],
  host: { '[attr.aria-description]': 'description()' },
})
export class Hint {
  readonly yuHint = input<string | undefined>('');
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  constructor() {
    inject(Tooltip).setOption({
      tooltipPosition: 'top',
      tooltipEvent: 'both',
      showDelay: rests,
    });
  }

  /** Not told twice where it is the name already. */
  protected description(): string | null {
    const hint = this.yuHint();
    const told =
      this.host.matches('button, a, input') && hint !== this.host.getAttribute('aria-label');
    return told && hint ? hint : null;
  }
}
