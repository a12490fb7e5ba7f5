import { Directive, type OnInit, inject, input } from '@angular/core';
import { ButtonDirective } from 'primeng/button';

/**
 * The kit's button in the small shape that stands in a sentence, a row or a list:
 * `yuPress` with a thin border, `yuPress="bare"` without one; `yuPress="drawn"` where it is drawn to a scale, as a bar,
 * a mark or a cell: as large as what it stands for, filled with `--fill` and edged with `--edge`. Looks: styles.css.
 */
@Directive({
  selector: 'button[yuPress]',
  hostDirectives: [ButtonDirective],
  host: { class: 'press', type: 'button', '[class]': 'yuPress()' },
})
export class Press implements OnInit {
  readonly yuPress = input<'' | 'bare' | 'drawn'>('');
  private readonly button = inject(ButtonDirective);

  ngOnInit(): void {
    this.button.size = 'small';
    this.button.text = this.yuPress() !== '';
    this.button.outlined = !this.button.text;
  }
}
