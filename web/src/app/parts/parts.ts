import { Location } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { catalog, searchCatalog, stages } from '@yurei/core/catalog';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Hint } from '../common/hint';
import { Lantern } from '../common/lantern';
import { ThemeService } from '../theme/theme';

/** The catalogue: every kind of part by what it does, to find by what a maker would type. */
@Component({
  selector: 'yu-parts',
  imports: [Button, Hint, InputText, Lantern, RouterLink, RouterLinkActive, RouterOutlet],
  template: `
    <header>
      <a routerLink="/" aria-label="Back to the shelf" yuHint="Back to the shelf"
        ><yu-lantern [lit]="false"
      /></a>
      <div>
        <h1>Parts</h1>
        <p class="soft">{{ count }} kinds: what they feel, what they do, and what to mind.</p>
      </div>
      <p-button
        label="Back"
        icon="pi pi-arrow-left"
        size="small"
        variant="text"
        (onClick)="back()"
      />
      <p-button
        [label]="theme.theme() === 'day' ? 'Night' : 'Day'"
        icon="pi pi-moon"
        size="small"
        variant="text"
        (onClick)="theme.toggle()"
      />
    </header>
    <nav aria-label="Parts">
      <input
        #field
        pInputText
        pSize="small"
        type="search"
        aria-label="Find a part"
        placeholder="water, magnet, beep…"
        [value]="text()"
        (input)="text.set(field.value)"
      />
      @for (group of groups(); track group.stage) {
        <h2 class="heading">{{ group.stage }}</h2>
        @for (kind of group.kinds; track kind.kind) {
          <a [routerLink]="kind.kind" routerLinkActive="here" ariaCurrentWhenActive="page">
            <svg viewBox="0 0 24 24" aria-hidden="true"><path [attr.d]="kind.glyph" /></svg>
            {{ kind.label }}
          </a>
        }
      } @empty {
        <p class="soft" role="status">No part in this version answers to “{{ text() }}”.</p>
      }
    </nav>
    <main><router-outlet /></main>
  `,
  styleUrl: './parts.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Parts {
  private readonly location = inject(Location);
  protected readonly theme = inject(ThemeService);
  protected readonly count = catalog.length;
  protected readonly text = signal('');
  protected readonly groups = computed(() => {
    const found = searchCatalog(this.text());
    return stages
      .map((stage) => ({ stage, kinds: found.filter((k) => k.stage === stage) }))
      .filter((g) => g.kinds.length > 0);
  });

  protected back(): void {
    this.location.back();
  }
}
