import { Directive, ElementRef, inject } from '@angular/core';
import { Select } from 'primeng/select';

/**
 * What is typed into a list chooses by all of it. By itself the list takes a space between two words for Enter, and
 * goes to what was typed only a moment later: whoever types fast would get something else.
 */
@Directive({ selector: 'p-select[yuTyped]' })
export class TypedChoice {
  private readonly select = inject(Select);

  constructor() {
    const { nativeElement: list } = inject<ElementRef<HTMLElement>>(ElementRef);
    list.addEventListener('keydown', (event) => this.before(event), { capture: true });
  }

  private before(event: KeyboardEvent): void {
    const { select } = this;
    // The words that are being typed, until a pause.
    if (!select.searchValue || !select.overlayVisible) return;
    if (event.code === 'Space') {
      select.searchOptions(event, ' ');
      event.preventDefault();
      event.stopPropagation();
    } else if (['Enter', 'NumpadEnter', 'Tab'].includes(event.code)) {
      const options = select.visibleOptions() as unknown[];
      const typed = options.findIndex((option) => select.isOptionMatched(option) as boolean);
      if (typed >= 0) select.changeFocusedOptionIndex(event, typed);
    }
  }
}
