import { Injectable, signal } from '@angular/core';

type Theme = 'day' | 'night';
const key = 'yurei.theme';

/** Day or night: what the maker chose last, else what the system prefers. */
@Injectable({ providedIn: 'root' })
export class ThemeService {
  readonly theme = signal<Theme>(startingTheme());

  constructor() {
    this.apply(this.theme());
  }

  toggle(): void {
    const next = this.theme() === 'day' ? 'night' : 'day';
    this.theme.set(next);
    localStorage.setItem(key, next);
    this.apply(next);
  }

  private apply(theme: Theme): void {
    document.documentElement.dataset['theme'] = theme;
  }
}

function startingTheme(): Theme {
  const stored = localStorage.getItem(key);
  if (stored === 'day' || stored === 'night') return stored;
  return matchMedia('(prefers-color-scheme: dark)').matches ? 'night' : 'day';
}
