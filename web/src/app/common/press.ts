import { Directive, type OnInit, inject, input } from '@angular/core';
import { ButtonDirective } from 'primeng/button';

/**
 * The kit's button in the small shape that stands in a sentence, a row or a list:
 * `yuPress` with a thin border, `yuPress="bare"` without one. Looks: styles.css.
 */
@Directive({
  selector: 'button[yuPress]',
  hostDirectives: [ButtonDirective],
  host: { class: 'press', type: 'button', '[class.bare]': "yuPress() === 'bare'" },
})
export class Press implements OnInit {
  readonly yuPress = input<'' | 'bare'>('');
  private readonly button = inject(ButtonDirective);

  ngOnInit(): void {
    this.button.size = 'small';
    this.button.text = this.yuPress() === 'bare';
    this.button.outlined = !this.button.text;
  }
}
