import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** The lantern glows when something fires. */
@Component({
  selector: 'yu-lantern',
  template: `
    <svg
      viewBox="0 0 28 34"
      [class.lit]="lit()"
      role="img"
      [attr.aria-label]="lit() ? 'Lantern: firing' : 'Lantern: quiet'"
    >
      <rect class="cap" x="8" y="2" width="12" height="3" rx="1" />
      <rect class="body" x="4" y="5" width="20" height="24" rx="8" />
      <rect class="cap" x="8" y="29" width="12" height="3" rx="1" />
    </svg>
  `,
  styles: `
    svg {
      width: 26px;
      height: 34px;
      display: block;
    }
    .cap {
      fill: var(--ink);
    }
    .body {
      fill: var(--paper);
      stroke: var(--soft);
      stroke-width: 1.5;
    }
    .lit .body {
      fill: var(--lantern);
      stroke: var(--lantern);
    }
    .lit {
      filter: drop-shadow(0 0 7px var(--lantern));
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Lantern {
  readonly lit = input(false);
}
