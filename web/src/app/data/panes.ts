import { computed, effect, inject, Injectable, signal } from '@angular/core';
import { Selection } from './selection';

const store = 'yurei.panes';

/** How large the panes around a step may be, px. */
export const paneLimits = { side: [232, 560], strip: [76, 520] } as const;
const usual = { side: 300, strip: 122, stripOpen: true };

/** The ways in which a rehearsal is looked at. */
export type RehearseView = 'time' | 'circuit' | 'plan' | 'events' | 'score' | 'scene';

/** The panes around a step: how large they are and which are folded away, as this browser remembers it. */
@Injectable()
export class Panes {
  private readonly kept = read();
  /** Width of the side panel. */
  readonly side = signal(this.kept.side);
  /** Height of the strip at the bottom. */
  readonly strip = signal(this.kept.strip);
  readonly stripOpen = signal(this.kept.stripOpen);
  /** The step shows what the strip would: it is folded meanwhile. */
  readonly spare = signal(false);
  readonly stripShown = computed(() => this.stripOpen() && !this.spare());
  /** How a rehearsal is looked at. */
  readonly rehearsal = signal<RehearseView>('time');
  /** Whether the side panel is shown: with what is picked, or because its findings are asked for. */
  readonly sideOpen = signal(false);

  constructor() {
    const selection = inject(Selection);
    effect(() => this.sideOpen.set(selection.picked() !== undefined));
    effect(() => {
      const panes = { side: this.side(), strip: this.strip(), stripOpen: this.stripOpen() };
      try {
        localStorage.setItem(store, JSON.stringify(panes));
      } catch {
        // Without room they are as usual next time.
      }
    });
  }
}

function read(): typeof usual {
  try {
    const kept = JSON.parse(localStorage.getItem(store) ?? '{}') as Record<string, unknown>;
    const size = (pane: keyof typeof paneLimits): number => {
      const [least, most] = paneLimits[pane];
      const value = Number(kept[pane] ?? usual[pane]);
      return value >= least && value <= most ? value : usual[pane];
    };
    return { side: size('side'), strip: size('strip'), stripOpen: kept['stripOpen'] !== false };
  } catch {
    return usual;
  }
}
